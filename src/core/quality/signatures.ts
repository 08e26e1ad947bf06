import type { OrderReport } from '../harmonics';
import type { RunoutResult } from '../runout';
import type { VerdictState } from '../verdict';
import { thinSpot, type ThicknessFigures } from '../thickness';
import type { Degrees, Micrometres } from '../units';

/** A pattern that names a cause, with the figures it rests on. */
export type Signature =
  | {
      readonly kind: 'thin-place';
      /** Where the thin place sits to the high spot of the runout. */
      readonly at: 'high' | 'low' | 'both';
      readonly apart: Degrees;
      readonly thinDeg: Degrees;
      /** Standard uncertainty of the thin place. */
      readonly uThinDeg: Degrees;
      readonly highDeg: Degrees;
    }
  | { readonly kind: 'saddle'; readonly peakToPeak: Micrometres; readonly highDeg: Degrees }
  | {
      readonly kind: 'nut-pull';
      readonly peakToPeak: Micrometres;
      readonly order: number;
      readonly highDeg: Degrees;
    };

/** How near a thin place must lie to a high or low spot. Source: handbook 8. */
const SAME_PLACE: Degrees = 45;

/** The smaller angle between two directions, 0 to 180. */
export const apartDeg = (p: Degrees, q: Degrees): Degrees =>
  Math.abs(((((p - q + 180) % 360) + 360) % 360) - 180);

const orderOf = (orders: readonly OrderReport[], order: number): OrderReport | undefined =>
  orders.find((each) => each.order === order && each.clear);

/** A place counts as clear from this standard uncertainty down. Source: handbook 8. */
const CLEAR_PLACE: Degrees = 30;

/** Variation is worth a cause only where it is not within its limit. */
const isNotWithin = ({ state }: { readonly state: VerdictState }): boolean =>
  state === 'beyond' || state === 'too-close';

/** The thin place of a rotor beside the high spot of its runout. */
export interface ThinToHigh {
  /** Where it sits to the high spot; null where it is near neither. */
  readonly at: 'high' | 'low' | 'both' | null;
  readonly apart: Degrees;
  readonly thinDeg: Degrees;
  readonly uThinDeg: Degrees;
  readonly highDeg: Degrees;
}

/**
 * How the thin place sits to the high spot; null where thickness variation is within its limit, or
 * either place is not clear: then nothing is said of it. Source: handbook 8.
 */
export function thinToHigh(runout: RunoutResult, thickness: ThicknessFigures): ThinToHigh | null {
  const wobble = orderOf(runout.orders, 1);
  const thin = thinSpot(thickness);
  if (!wobble || !thin || !isNotWithin(thickness.dtvVerdict)) return null;
  if (thin.uncertaintyDeg > CLEAR_PLACE || wobble.uHighSpotDeg > CLEAR_PLACE) return null;
  const apart = apartDeg(thin.angleDeg, wobble.highSpotDeg);
  const isNear = apart <= SAME_PLACE || apart >= 180 - SAME_PLACE;
  const side = apart <= SAME_PLACE ? 'high' : 'low';
  return {
    at: isNear ? (thin.isTwice ? 'both' : side) : null,
    apart,
    thinDeg: thin.angleDeg,
    uThinDeg: thin.uncertaintyDeg,
    highDeg: wobble.highSpotDeg,
  };
}

/** A shape counts as a signature from this share of the limit, peak to peak. */
const SHARE_SEEN = 0.2;

/**
 * The signatures of a corner as read: thin place against high spot, saddle, and nut pull.
 * Runout and thickness must be of one mounting for the first. An order that the positions
 * cannot carry, and variation within its limit, is not named. Source: handbook 3, 4, 8.
 */
export function signaturesOf(
  runout: RunoutResult | null,
  thickness: ThicknessFigures | null,
  studs: number,
): Signature[] {
  const found: Signature[] = [];
  if (runout && thickness) {
    const thin = thinToHigh(runout, thickness);
    if (thin && thin.at !== null) found.push({ kind: 'thin-place', ...thin, at: thin.at });
  }
  // Within its limit a face has the shape that it has.
  if (!runout || !isNotWithin(runout.verdict)) return found;
  const least = SHARE_SEEN * runout.verdict.limit;
  const saddle = orderOf(runout.orders, 2);
  if (saddle && saddle.peakToPeak >= least) {
    found.push({ kind: 'saddle', peakToPeak: saddle.peakToPeak, highDeg: saddle.highSpotDeg });
  }
  // With three studs the nut-pull order is among those always fitted; below it is wobble or saddle.
  const pull = studs >= 3 ? orderOf(runout.orders, studs) : undefined;
  if (pull && pull.peakToPeak >= least) {
    found.push({
      kind: 'nut-pull',
      order: studs,
      peakToPeak: pull.peakToPeak,
      highDeg: pull.highSpotDeg,
    });
  }
  return found;
}

const AT = {
  high: 'at the high spot: the outboard pad rubs there while the brake is off',
  low: 'opposite the high spot: the inboard pad rubs there while the brake is off',
  both: 'twice a turn, at the high and the low spot: both pads rub while the brake is off',
} as const;

/** A signature in words, with lengths written by `say`. */
export function describeSignature(
  signature: Signature,
  say: (value: Micrometres) => string,
): { readonly title: string; readonly words: string } {
  switch (signature.kind) {
    case 'thin-place':
      return {
        title: 'Thin place and high spot belong together',
        words: `The rotor is thin at ${signature.thinDeg.toFixed(0)}° ± ${(2 * signature.uThinDeg).toFixed(0)}°, ${AT[signature.at]}. Runout made this thickness variation; put the runout right or it comes back.`,
      };
    case 'saddle':
      return {
        title: `Saddle, ${say(signature.peakToPeak)}`,
        words:
          'The face rises twice a turn: distortion, heat, or clamping over two spots of dirt. Clean the seat and look again.',
      };
    case 'nut-pull':
      return {
        title: `Nut pull, ${say(signature.peakToPeak)}`,
        words: `The face rises ${signature.order} times a turn, once at each fastening: the torque sequence is the likely source. Slacken all, draw up in star order and stages, and read again.`,
      };
  }
}
