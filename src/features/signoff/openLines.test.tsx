import { act, fireEvent, render, screen } from '@testing-library/react';
import { OpenLines } from './OpenLines';

const sent: unknown[] = [];
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: unknown }) => {
    sent.push(input);
    return Promise.resolve({ ok: true, value: 'j' });
  },
}));
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));
const lines = [{ seq: 9, say: 'FL: a hose bulges', about: 'Tobiah, 27 Nov, 07:14: wrong wheel' }];

beforeEach(() => {
  sent.length = 0;
  global.fetch = (() => Promise.resolve({ ok: false })) as unknown as typeof fetch;
});

test('a lead answers a line in writing, and never with nothing', async () => {
  render(<OpenLines jobId="j" lines={lines} lead="Ines" />);
  // Nothing that asserts a fact waits for the next Enter.
  expect(document.activeElement).toBe(document.body);
  const button = screen.getByRole('button', { name: 'Answer as Ines' });
  expect(button).toBeDisabled();
  fireEvent.change(screen.getByLabelText('Answer to: FL: a hose bulges'), {
    target: { value: 'looked at it myself' },
  });
  await act(async () => {
    fireEvent.click(button);
    await Promise.resolve();
  });
  expect(sent).toEqual([{ jobId: 'j', seq: 9, reason: 'looked at it myself' }]);
});

test('without a lead it says who answers; with nothing open it is not there', () => {
  const { container, rerender } = render(<OpenLines jobId="j" lines={lines} lead={null} />);
  expect(screen.getByText(/A lead answers/)).toBeInTheDocument();
  expect(screen.queryByRole('button')).toBeNull();
  rerender(<OpenLines jobId="j" lines={[]} lead="Ines" />);
  expect(container.textContent).toBe('');
});
