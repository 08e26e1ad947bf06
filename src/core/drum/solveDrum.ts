import { meanOf } from '../numeric';
import type { Micrometres } from '../units';
import { judgeSettled, WORKSHOP_DEFAULTS, type Reason, type Verdict } from '../verdict';

/** How many diameters are read, an eighth of a turn apart: half a turn is the whole of a drum. */
export const DRUM_PLACES = 4;

/** Inside diameters of one drum and what they are held against, in micrometres. */
export interface DrumInput {
  /** Four diameters, an eighth of a turn apart, the first at the mark. */
  readonly diameters: readonly Micrometres[];
  readonly limits: {
    readonly nominal?: Micrometres | undefined;
    /** Largest diameter to which it may be machined. */
    readonly machineTo?: Micrometres | undefined;
    /** Largest diameter at which it may stay on the vehicle, as stamped. */
    readonly discard?: Micrometres | undefined;
    readonly round?: Micrometres | undefined;
  };
  /** What the gauge does; a drum gauge of a workshop where it is left out. */
  readonly gauge?: { readonly repeatability: Micrometres; readonly mpe: Micrometres } | undefined;
  /** What a cut takes a side beyond the largest place. */
  readonly cleanUp?: Micrometres | undefined;
}

/** A drum as its four diameters tell it; lengths in micrometres. */
export interface DrumResult {
  /** The largest diameter, between the places too. */
  readonly largest: Micrometres;
  readonly smallest: Micrometres;
  /** Largest less smallest diameter, between the places too. */
  readonly outOfRound: Micrometres;
  /** What is worn of its diameter; null where the new one is not known. */
  readonly worn: Micrometres | null;
  /** Against the wear limit; null where that is not on file: then nobody can say. */
  readonly size: Verdict | null;
  readonly round: Verdict;
  /** What a cut would leave; null where neither limit is on file. */
  readonly cut: {
    readonly finished: Micrometres;
    readonly verdict: Verdict;
    /** Diameter left to wear after it; null without a wear limit. */
    readonly left: Micrometres | null;
  } | null;
}

/** The limits of a cut: the maker's, else the wear limit less the reserve on both sides. */
function machineToOf({ machineTo, discard }: DrumInput['limits']): {
  readonly limit: Micrometres;
  readonly reasons: readonly Reason[];
} | null {
  if (machineTo !== undefined) return { limit: machineTo, reasons: [] };
  if (discard === undefined) return null;
  const reserve = 2 * WORKSHOP_DEFAULTS.wearReserve;
  return { limit: discard - reserve, reasons: [{ code: 'machine-to-derived', reserve }] };
}

/**
 * A drum from four inside diameters an eighth of a turn apart. A diameter is the radius here and
 * half a turn on, so only shapes of even order show; four places hold order 2 (oval) whole and
 * half of order 4, which is taken at its full height. Largest and smallest are those of this
 * shape, and never better than what was read. Uncertainty: the gauge's repeatability through the
 * fit; its permissible error for the diameter itself, none for a difference. A cut is round at
 * the largest place and the clean-up on both sides. Source: handbook 14 (drum axle), after 5, 9.
 * Throws RangeError for another number of diameters.
 */
export function solveDrum({ diameters, limits, ...input }: DrumInput): DrumResult {
  const [d1, d2, d3, d4] = diameters;
  if (
    diameters.length !== DRUM_PLACES ||
    d1 === undefined ||
    d2 === undefined ||
    d3 === undefined ||
    d4 === undefined
  ) {
    throw new RangeError(`A drum is judged by ${DRUM_PLACES} diameters`);
  }
  const gauge = input.gauge ?? WORKSHOP_DEFAULTS.drumGauge;
  const middle = meanOf(diameters);
  const oval = Math.hypot((d1 - d3) / 2, (d2 - d4) / 2);
  const square = Math.abs(d1 - d2 + d3 - d4) / DRUM_PLACES;
  const largest = Math.max(middle + oval + square, ...diameters);
  const smallest = Math.min(middle - oval - square, ...diameters);
  // Mean, oval and order 4 have variances of 1/4, 1/2 and 1/4 of a reading's: their sum has its own.
  const spread = gauge.repeatability;
  const ofDiameter = Math.hypot(spread, gauge.mpe / Math.sqrt(3));
  const upper = (value: Micrometres, limit: Micrometres, reasons: readonly Reason[] = []) =>
    judgeSettled({ value, limit, uncertainty: ofDiameter, reasons });
  const finished = largest + 2 * (input.cleanUp ?? WORKSHOP_DEFAULTS.cleanUp);
  const machineTo = machineToOf(limits);
  return {
    largest,
    smallest,
    outOfRound: largest - smallest,
    worn: limits.nominal === undefined ? null : largest - limits.nominal,
    size: limits.discard === undefined ? null : upper(largest, limits.discard),
    round: judgeSettled({
      value: largest - smallest,
      limit: limits.round ?? WORKSHOP_DEFAULTS.drumRound,
      uncertainty: Math.sqrt(3) * spread,
    }),
    cut: machineTo && {
      finished,
      verdict: upper(finished, machineTo.limit, machineTo.reasons),
      left: limits.discard === undefined ? null : limits.discard - finished,
    },
  };
}
