import { act, fireEvent, render, screen } from '@testing-library/react';
import { DefaultsTable } from './DefaultsTable';
import { PositionsChoice } from './PositionsChoice';

const asked: unknown[] = [];
let answer: unknown = { ok: true, value: 16 };
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: unknown }) => {
    asked.push(input);
    return Promise.resolve(answer);
  },
}));

const keep = (text: string): Promise<void> =>
  act(async () => {
    fireEvent.change(screen.getByLabelText(/^Positions of a new set/), { target: { value: text } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
    await Promise.resolve();
  });

test('positions of a new set are kept, taken back, and refused at the field', async () => {
  render(<PositionsChoice positions={null} />);
  await keep('16');
  expect(screen.getByRole('status').textContent).toBe('Kept.');
  await keep('');
  answer = { ok: false, message: 'Take 4 to 72 positions.' };
  await keep('3');
  expect(asked).toEqual([16, null, 3]);
  expect(screen.getByText('Take 4 to 72 positions.')).toBeInTheDocument();
  expect(screen.queryByText('Kept.')).toBeNull();
});

test('the defaults that stand in are shown in the shop\u2019s units', () => {
  const { rerender } = render(<DefaultsTable units="mm" />);
  expect(screen.getByRole('row', { name: /Installed lateral runout 0\.050/ })).toBeInTheDocument();
  rerender(<DefaultsTable units="thou" />);
  expect(screen.getByRole('row', { name: /Installed lateral runout 2\.0/ })).toBeInTheDocument();
});
