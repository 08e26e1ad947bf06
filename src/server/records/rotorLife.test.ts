import type { RotorChangeRow, ThinnestRow } from '../../db/repositories';
import { rotorLines } from './rotorLife';

const read = (
  jobId: string,
  km: number,
  thinnest: number,
  more: Partial<ThinnestRow> = {},
): ThinnestRow => ({
  vehicleId: 'v',
  jobId,
  number: km / 1000,
  km,
  corner: 'FL',
  phase: 'before',
  at: new Date(0),
  thinnest,
  ...more,
});
const change = (
  jobId: string,
  km: number,
  correction: RotorChangeRow['correction'],
  finished: unknown = null,
): RotorChangeRow => ({
  vehicleId: 'v',
  jobId,
  number: km / 1000,
  km,
  corner: 'FL',
  correction,
  finished,
  by: finished === null ? null : 'Tobiah',
  at: null,
});

test('a line a job by distance, the thinnest of its sets, other corners left out', () => {
  const lines = rotorLines(
    [
      read('b', 20_000, 27_600),
      read('a', 10_000, 27_810),
      read('a', 10_000, 27_800),
      read('a', 10_000, 20_000, { corner: 'FR' }),
    ],
    [],
    'FL',
  );
  expect(lines.map(({ km, before, after, what }) => [km, before, after, what])).toEqual([
    [10_000, 27_800, null, 'measured'],
    [20_000, 27_600, null, 'measured'],
  ]);
});

test('as found stands in where nothing else was read', () => {
  const [line] = rotorLines([read('a', 10_000, 27_000, { phase: 'as-found' })], [], 'FL');
  expect(line!.before).toBe(27_000);
});

test('after a cut the thickness that was written counts, else the set that was read', () => {
  const sets = [read('a', 10_000, 27_500), read('a', 10_000, 27_250, { phase: 'after' })];
  const written = { text: '27.2', unit: 'mm', um: 27_200 };
  const [own] = rotorLines(sets, [change('a', 10_000, 'machine-bench', written)], 'FL');
  expect(own).toMatchObject({ what: 'cut', before: 27_500, after: 27_200, by: 'Tobiah' });
  const [measured] = rotorLines(sets, [change('a', 10_000, 'machine-on-vehicle')], 'FL');
  expect(measured).toMatchObject({ what: 'cut', after: 27_250 });
});

test('a rotor that was renewed is said so', () => {
  const lines = rotorLines(
    [read('a', 10_000, 26_100), read('a', 10_000, 28_000, { phase: 'after' })],
    [change('a', 10_000, 'replace')],
    'FL',
  );
  expect(lines).toMatchObject([{ what: 'renewed', before: 26_100, after: 28_000 }]);
});
