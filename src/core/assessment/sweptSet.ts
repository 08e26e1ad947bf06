import { readSweep, UNEVEN_PACE, type Sweep, type SweptLap } from '../readings';
import { toMicrometres, type LengthUnit } from '../units';
import type { Reason } from '../verdict';

/** A sweep as it is kept: all that the gauge sent in one slow turn, in micrometres, and its unit. */
export interface SweepRecord extends Sweep {
  readonly unit: LengthUnit;
}

/** One reading that was made of a sweep; the closing reading stands at the number of positions. */
export interface SweptReading {
  readonly lap: number;
  readonly position: number;
  readonly valueUm: number;
  readonly text: string;
  readonly unit: LengthUnit;
}

/** A mean is written a digit finer than the gauge shows. */
const DECIMALS: Readonly<Record<LengthUnit, number>> = { um: 1, mm: 4, thou: 3, in: 6 };

const laps = new WeakMap<SweepRecord, Map<number, SweptLap | null>>();

/** A kept sweep as a lap of so many places; null where it cannot be one. */
export function sweptLap(sweep: SweepRecord, positions: number): SweptLap | null {
  const known = laps.get(sweep) ?? new Map<number, SweptLap | null>();
  laps.set(sweep, known);
  const before = known.get(positions);
  if (before !== undefined) return before;
  const read = readSweep(sweep, sweep.marks.length - 1, positions);
  const lap = read.ok ? read.lap : null;
  known.set(positions, lap);
  return lap;
}

/** The readings of a set as its sweeps give them, lap by lap. */
export function sweptReadings(sweeps: readonly SweepRecord[], positions: number): SweptReading[] {
  return sweeps.flatMap((sweep, lap) => {
    const own = sweptLap(sweep, positions);
    const { unit } = sweep;
    const one = toMicrometres(1, unit);
    return (own ? [...own.values, own.closing] : []).map((value, position): SweptReading => {
      const text = (value / one).toFixed(DECIMALS[unit]);
      return { lap, position, valueUm: value, text, unit };
    });
  });
}

/** How each lap of a set was swept, in words; nothing of a lap that cannot be read. */
export const saySweeps = (sweeps: readonly SweepRecord[], positions: number): string[] =>
  sweeps.flatMap((sweep, i) => {
    const lap = sweptLap(sweep, positions);
    if (!lap) return [];
    const { seconds, isMarked } = lap.pace;
    const how = isMarked ? 'each stud marked' : 'by its ends alone';
    return [
      `Lap ${i + 1} swept: ${lap.readings} readings in ${seconds.toFixed(0)} s, ${positions} places, ${how}`,
    ];
  });

/** Milliseconds from one place to the next of a sweep that a table gives without its times. */
const TABLE_PACE = 100;

/**
 * Laps of a table as sweeps of even speed: a value a place and one at the end, in micrometres. Null where
 * one is missing.
 */
export function sweepsOfTable(
  laps: readonly (readonly (number | undefined)[])[],
  unit: LengthUnit,
): SweepRecord[] | null {
  const sweeps = laps.map((values): SweepRecord | null => {
    const known = values.filter((value) => value !== undefined);
    if (known.length !== values.length) return null;
    const times = known.map((_, j) => TABLE_PACE * j);
    return { unit, times, values: known, marks: [0, times.at(-1)!] };
  });
  return sweeps.every((sweep) => sweep !== null) ? sweeps : null;
}

/** How a set’s wheel was turned while it was swept, where that bears on what it says. */
export function paceReasons(sweeps: readonly SweepRecord[], positions: number): Reason[] {
  const paces = sweeps.flatMap((sweep) => sweptLap(sweep, positions)?.pace ?? []);
  const byEnds: Reason[] = paces.some(({ isMarked }) => !isMarked)
    ? [{ code: 'sweep-by-ends' }]
    : [];
  const uneven = paces.flatMap(({ slowest }): Reason[] =>
    slowest && slowest.ratio > UNEVEN_PACE ? [{ code: 'sweep-uneven', ...slowest }] : [],
  );
  const gaps = sweeps.flatMap((sweep) => sweptLap(sweep, positions)?.gaps ?? []);
  const missing = gaps.slice(0, 1).map((gap): Reason => ({ code: 'sweep-gap', ...gap }));
  return [...byEnds, ...uneven.slice(0, 1), ...missing];
}

/** Readings of the gauge in all laps of a set that was swept. */
export const sweptCount = (sweeps: readonly SweepRecord[], positions: number): number =>
  sweeps.reduce((sum, sweep) => sum + (sweptLap(sweep, positions)?.readings ?? 0), 0);
