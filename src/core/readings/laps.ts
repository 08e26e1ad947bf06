import type { Degrees, Micrometres } from '../units';

/** Laps of readings: one array of n values a lap, in micrometres. */
export type Laps = readonly (readonly Micrometres[])[];

/** How each lap closed: closing reading less first reading, and whether all may stand. */
export interface Closure {
  readonly errors: readonly Micrometres[];
  /** Largest closing error of a lap that closed. */
  readonly allowed: Micrometres;
  readonly ok: boolean;
}

/** The mean of the laps at each position. */
export function averageLaps(laps: Laps): Micrometres[] {
  const first = laps[0] ?? [];
  return first.map((_, j) => laps.reduce((sum, lap) => sum + (lap[j] ?? NaN), 0) / laps.length);
}

/** Least-squares line of one lap's deviations in t, taken out; the sum of squares that is left. */
function scatterOffLine(deviations: readonly number[], t: readonly number[]): number {
  const n = deviations.length;
  const meanT = t.reduce((sum, x) => sum + x, 0) / n;
  const meanD = deviations.reduce((sum, d) => sum + d, 0) / n;
  let tt = 0;
  let td = 0;
  let dd = 0;
  for (let j = 0; j < n; j += 1) {
    const x = t[j]! - meanT;
    const d = deviations[j]! - meanD;
    tt += x * x;
    td += x * d;
    dd += d * d;
  }
  return Math.max(0, dd - (tt > 0 ? (td * td) / tt : 0));
}

/** What laps do not share: the sum of squares s_rep² (L - 1)(n - 2), and those degrees of freedom. */
export interface LapScatter {
  readonly squares: number;
  readonly freedom: number;
}

/**
 * The scatter of repeated laps about their common shape, each lap's own offset and drift left
 * out; null with one lap. Angles in degrees. Source: handbook 3.
 */
export function lapScatter(laps: Laps, angles: readonly Degrees[]): LapScatter | null {
  const n = laps[0]?.length ?? 0;
  if (laps.length < 2 || n < 3) return null;
  const average = averageLaps(laps);
  const t = lapTimes(angles);
  const squares = laps.reduce(
    (sum, lap) =>
      sum +
      scatterOffLine(
        lap.map((value, j) => value - average[j]!),
        t,
      ),
    0,
  );
  return { squares, freedom: (laps.length - 1) * (n - 2) };
}

/**
 * Pooled standard deviation of what repeated laps do not share, or null with one lap:
 * sqrt( sum d'² / ((L - 1)(n - 2)) ). Source: handbook 3.
 */
export function pooledRepeatability(laps: Laps, angles: readonly Degrees[]): Micrometres | null {
  const scatter = lapScatter(laps, angles);
  return scatter && Math.sqrt(scatter.squares / scatter.freedom);
}

/** When in the lap each position is read: its share of the turn from the first one. */
export const lapTimes = (angles: readonly Degrees[]): number[] =>
  angles.map((angle) => (angle - angles[0]!) / 360);

/**
 * Closure of each lap: |error| may be up to the larger of the gauge's resolution and
 * 10 % of the limit. Source: handbook 3.
 */
export function checkClosure(
  laps: Laps,
  closing: readonly Micrometres[],
  resolution: Micrometres,
  limit: Micrometres,
): Closure {
  const allowed = Math.max(resolution, 0.1 * limit);
  const errors = laps.map((lap, l) => (closing[l] ?? NaN) - (lap[0] ?? NaN));
  return { errors, allowed, ok: errors.every((error) => Math.abs(error) <= allowed) };
}
