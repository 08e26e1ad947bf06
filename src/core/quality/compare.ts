import { fitHarmonics, phasorsOf, waveAt } from '../harmonics';
import { farthestOf, maximum, meanOf } from '../numeric';
import { toRadians, type Degrees, type Micrometres } from '../units';

/** One set as read: lap averages at their angles, and the sigma of one of them. */
export interface ComparedSet {
  readonly angles: readonly Degrees[];
  readonly averaged: readonly Micrometres[];
  readonly sigma: Micrometres;
}

export interface SetComparison {
  /** Second less first at the second\u2019s positions, the mean difference taken out. */
  readonly differences: readonly Micrometres[];
  /** Mean of second less first: of meaning for thickness only. */
  readonly shiftOfMean: Micrometres;
  readonly largest: Micrometres;
  readonly allowed: Micrometres;
  readonly same: boolean;
}

/**
 * Two sets of one kind against each other, micrometres. Where they share their positions the
 * readings are compared, else the first\u2019s curve at the second\u2019s positions. Runout has no
 * zero of its own, so the mean difference is taken out.
 */
export function compareSets(first: ComparedSet, second: ComparedSet): SetComparison {
  const isShared =
    first.angles.length === second.angles.length &&
    first.angles.every((angle, j) => Math.abs(angle - second.angles[j]!) < 1e-6);
  const fit = fitHarmonics(first.angles, first.averaged, first.sigma);
  const valueAt = (angle: Degrees, j: number): Micrometres =>
    isShared ? first.averaged[j]! : fit.mean + waveAt(phasorsOf(fit), toRadians(angle));
  const raw = second.angles.map((angle, j) => second.averaged[j]! - valueAt(angle, j));
  const shiftOfMean = meanOf(raw);
  const differences = raw.map((value) => value - shiftOfMean);
  const n = raw.length;
  const allowed = farthestOf(n) * Math.hypot(first.sigma, second.sigma) * Math.sqrt(1 - 1 / n);
  const largest = maximum(differences.map(Math.abs));
  return { differences, shiftOfMean, largest, allowed, same: largest <= allowed };
}
