import { act, fireEvent, render, screen } from '@testing-library/react';
import { BENCH_CORNER } from '../../../tests/support/sets';
import { MeasureBench } from './MeasureBench';

test('a lap that is read before the rest of the bench is here is asked for its slow turn once it is', async () => {
  render(
    <MeasureBench
      {...{ corner: BENCH_CORNER, sets: [], expectedShift: null, wanted: undefined }}
      {...{ nextHref: '/', nextLabel: 'On', lead: null, scent: null }}
    />,
  );
  fireEvent.change(screen.getByLabelText(/drawn up to/), { target: { value: '117' } });
  fireEvent.click(screen.getByRole('button', { name: /start runout/i }));
  const lap = [0, 8, 14, 17, 15, 9, 1, -7, -14, -16, -14, -8, 0];
  for (const value of lap) {
    const field = screen.getByRole<HTMLInputElement>('textbox', { name: /^(Position|Closing)/ });
    fireEvent.change(field, { target: { value: String(value) } });
    fireEvent.submit(field.closest('form')!);
  }
  expect(screen.getByText(/on its way/)).toBeInTheDocument();
  expect(screen.queryByRole('textbox', { name: /Slow turn/ })).toBeNull();
  await act(() => new Promise<void>((resolve) => setTimeout(resolve, 500)));
  expect(screen.getByRole('textbox', { name: /^Slow turn: stop at the highest/ })).toHaveFocus();
});
