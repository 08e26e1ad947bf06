import { act, fireEvent, render, screen } from '@testing-library/react';
import { BENCH_CORNER } from '../../../tests/support/sets';
import { MeasureBench } from './MeasureBench';

/** What follows the page is here. */
const followed = () => act(() => new Promise<void>((resolve) => setTimeout(resolve, 500)));
const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: /^Position/ });

test('a reading that is typed before the rest of the bench is here stays, and the one before it counts', async () => {
  render(
    <MeasureBench
      {...{ corner: BENCH_CORNER, sets: [], expectedShift: null, wanted: undefined }}
      {...{ nextHref: '/', nextLabel: 'On', lead: null, scent: null }}
    />,
  );
  fireEvent.change(screen.getByLabelText(/drawn up to/), { target: { value: '117' } });
  fireEvent.click(screen.getByRole('button', { name: /start runout/i }));
  expect(screen.getByText(/on its way/)).toBeInTheDocument();
  fireEvent.change(field(), { target: { value: '0' } });
  fireEvent.submit(field().closest('form')!);
  // A minus after the figure takes it, as ever.
  fireEvent.change(field(), { target: { value: '7' } });
  field().setSelectionRange(1, 1);
  fireEvent.keyDown(field(), { key: '-' });
  fireEvent.change(field(), { target: { value: '12' } });
  const before = field();
  await followed();
  expect(screen.queryByText(/on its way/)).toBeNull();
  // It is the same field all along.
  expect(field()).toBe(before);
  expect([field().value, document.activeElement]).toEqual(['12', before]);
  expect(
    screen.getByRole('button', { name: /^Position 2: -0\.007|^Position 2: \u22120/ }),
  ).toBeInTheDocument();
  expect(screen.getByRole('button', { name: /^Position 1: 0/ })).toBeInTheDocument();
});
