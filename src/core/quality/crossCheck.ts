import { farthestOf, meanOf } from '../numeric';
import type { Micrometres } from '../units';

/** Lap averages of one set at n positions, in micrometres, and the sigma of one of them. */
export interface Averages {
  readonly averaged: readonly Micrometres[];
  readonly sigma: Micrometres;
}

export interface CrossCheck {
  readonly ok: boolean;
  /** The position, from 0, that is farthest off, by how much, and what is allowed. */
  readonly position: number;
  readonly by: Micrometres;
  readonly allowed: Micrometres;
}

/**
 * Whether outboard less inboard runout follows the thickness, each less its mean: all three
 * read at the same positions and circle in one mounting, both dials outboard-positive. The
 * worst place may miss by about 3 combined uncertainties, by number of places (`farthestOf`).
 * Throws RangeError when the sets differ in length. Source: handbook 3.
 */
export function crossCheck(outboard: Averages, inboard: Averages, thickness: Averages): CrossCheck {
  const n = thickness.averaged.length;
  if (outboard.averaged.length !== n || inboard.averaged.length !== n) {
    throw new RangeError('The three sets must be read at the same positions');
  }
  const gap = outboard.averaged.map(
    (value, j) => value - inboard.averaged[j]! - thickness.averaged[j]!,
  );
  const middle = meanOf(gap);
  const misses = gap.map((value) => value - middle);
  const variance = outboard.sigma ** 2 + inboard.sigma ** 2 + thickness.sigma ** 2;
  const allowed = farthestOf(n) * Math.sqrt(variance * (1 - 1 / n));
  const position = misses.reduce(
    (worst, miss, j) => (Math.abs(miss) > Math.abs(misses[worst]!) ? j : worst),
    0,
  );
  const by = misses[position] ?? 0;
  return { ok: Math.abs(by) <= allowed, position, by, allowed };
}
