import type { Degrees, Micrometres } from '../units';

/** Laps of readings: one array of n values a lap, in micrometres. */
export type Laps = readonly (readonly Micrometres[])[];

/** How each lap closed: closing reading less first reading, and whether all may stand. */
export interface Closure {
  readonly errors: readonly Micrometres[];
  /** Largest closure error that drift correction may take out. */
  readonly allowed: Micrometres;
  readonly ok: boolean;
}

/** The mean of the laps at each position. */
export function averageLaps(laps: Laps): Micrometres[] {
  const first = laps[0] ?? [];
  return first.map((_, j) => laps.reduce((sum, lap) => sum + (lap[j] ?? NaN), 0) / laps.length);
}

/**
 * Pooled standard deviation over positions of repeated laps, or null with one lap:
 * sqrt( sum (r_jl - mean_j)² / (n (L - 1)) ). Source: handbook 3.
 */
export function pooledRepeatability(laps: Laps): Micrometres | null {
  const n = laps[0]?.length ?? 0;
  if (laps.length < 2 || n === 0) return null;
  const average = averageLaps(laps);
  let sum = 0;
  for (const lap of laps) {
    lap.forEach((value, j) => {
      sum += (value - (average[j] ?? NaN)) ** 2;
    });
  }
  return Math.sqrt(sum / (n * (laps.length - 1)));
}

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

/**
 * Takes linear drift out of each lap whose closure error is allowed; a lap that did not
 * close is left as it is. Angles in degrees. Source: handbook 3.
 */
export function removeDrift(
  laps: Laps,
  closure: Closure,
  angles: readonly Degrees[],
): Micrometres[][] {
  const start = angles[0] ?? 0;
  return laps.map((lap, l) => {
    const error = closure.errors[l] ?? 0;
    if (!(Math.abs(error) <= closure.allowed)) return [...lap];
    return lap.map((value, j) => value - (error * ((angles[j] ?? 0) - start)) / 360);
  });
}
