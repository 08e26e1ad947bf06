import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { BENCH_CORNER, benchSet, typedLap } from '../../../tests/support/sets';
import { MeasureBench } from './MeasureBench';
import type { BenchSet } from './model';

const bench = (sets: readonly BenchSet[]) => (
  <MeasureBench
    {...{ corner: BENCH_CORNER, sets, expectedShift: null, wanted: undefined }}
    {...{ nextHref: '/', nextLabel: 'On', lead: null, scent: null }}
  />
);
/** What the device holds was read. */
const settle = () => act(() => new Promise<void>((resolve) => setTimeout(resolve, 20)));
const pressed = () => {
  const kinds = screen.getByRole('group', { name: 'What is measured' });
  return within(kinds).getByRole('button', { pressed: true }).textContent;
};
const field = () => screen.getByLabelText<HTMLInputElement>(/drawn up to/);
const fromElsewhere = benchSet({
  id: 'elsewhere',
  readings: typedLap([0, 12, 0, 0, 0, 0, 0, 0, 0]),
});

// 2026-11-30: a set that another screen began put what was being typed for this one back.
test('a set that is being prepared stays as it was typed, whatever other screens begin', async () => {
  const { rerender } = render(bench([]));
  await settle();
  expect(pressed()).toBe('Runout');
  fireEvent.change(field(), { target: { value: '117' } });
  rerender(bench([fromElsewhere]));
  await settle();
  expect([pressed(), field().value]).toEqual(['Runout', '117']);
  fireEvent.click(screen.getByRole('button', { name: 'Hub face' }));
  rerender(bench([]));
  await settle();
  expect(pressed()).toBe('Hub face');
});

test('a kind that was chosen stays as well', async () => {
  const { rerender } = render(bench([]));
  await settle();
  fireEvent.click(screen.getByRole('button', { name: 'Hub face' }));
  rerender(bench([fromElsewhere]));
  await settle();
  expect(pressed()).toBe('Hub face');
});

test('a set that nobody touched follows what is read of the corner', async () => {
  const { rerender } = render(bench([]));
  await settle();
  rerender(bench([fromElsewhere]));
  await settle();
  expect(screen.getByRole('button', { name: /start thickness/i })).toBeInTheDocument();
});
