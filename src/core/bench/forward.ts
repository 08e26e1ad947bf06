import { GRID_POINTS, waveOnGrid } from '../harmonics';
import type { Micrometres } from '../units';
import { trueRunout, trueThicknessAt, type VirtualCorner } from './virtualCorner';

/**
 * What happens to a rotor that is driven on: the pads wear it evenly, and with the brake released they touch it where
 * it comes out to them on every turn and wear a thin place there. The figures are of no one car; which of them are
 * assumptions is said beside each.
 */
export const FORWARD = {
  /** Even wear per 10,000 km with organic or ceramic pads. Source: handbook 19. */
  evenWear: 100,
  /**
   * How far a pad stands off its face with the brake released. An assumption: runout of 50 µm, the usual limit, then
   * reaches a pad by 10 µm at most, and never wears more than the usual limit of thickness variation.
   */
  standOff: 15,
  /**
   * Share of what still reaches a pad that is worn off in 1,000 km. An assumption: runout of 0.10 mm makes some
   * hundredths of variation in some thousand kilometres (handbook 1).
   */
  wornShare: 0.08,
  /** Further than this nothing is said, in km. */
  furthest: 40_000,
} as const;

const STEP_KM = 500;

/**
 * How far a face reaches the pads with the brake released, in µm at each of its places: a caliper that slides stands in
 * the middle, and the face comes out to one pad here, to the other there.
 */
const reachesOf = (face: ArrayLike<Micrometres>): Micrometres[] =>
  Array.from(face, (um) => Math.max(0, Math.abs(um) - FORWARD.standOff));

/** Share of what reaches a pad that is worn off in so many kilometres. */
const wornShare = (km: number): number => 1 - Math.exp((-FORWARD.wornShare * km) / 1000);

/** What a face has worn into its rotor. */
export interface WornIn {
  readonly km: number;
  /** Thickness at each place of the face against a place that was not reached, in µm: nothing or less. */
  readonly thickness: readonly Micrometres[];
}

/**
 * The thin places that a face wears until its rotor varies so much, and after how many kilometres: `drivenOn` the other
 * way round, even wear left out. Null where the face does not come out far enough for that within `FORWARD.furthest`.
 */
export function wornIn(face: ArrayLike<Micrometres>, variation: Micrometres): WornIn | null {
  const reaches = reachesOf(face);
  const share = variation / Math.max(...reaches);
  if (!(share < wornShare(FORWARD.furthest))) return null;
  return {
    km: (-1000 * Math.log(1 - share)) / FORWARD.wornShare,
    thickness: reaches.map((reach) => -share * reach),
  };
}

/** What a rotor has come to at a distance. */
export interface DrivenOn {
  readonly km: number;
  readonly variation: Micrometres;
  readonly least: Micrometres;
}

/** A rotor as it sits, for every distance that it is driven: thickness at every half degree. */
function drive(truth: VirtualCorner, shift: number): (km: number) => DrivenOn {
  const face = waveOnGrid(trueRunout(truth, shift));
  const step = (2 * Math.PI) / GRID_POINTS;
  const thickness = Array.from(face, (_, j) => trueThicknessAt(truth, shift, j * step));
  const reaches = reachesOf(face);
  return (km) => {
    const worn = wornShare(km);
    const even = (FORWARD.evenWear * km) / 10_000;
    let [most, least] = [-Infinity, Infinity];
    for (let j = 0; j < thickness.length; j += 1) {
      const now = (thickness[j] ?? 0) - even - worn * (reaches[j] ?? 0);
      most = Math.max(most, now);
      least = Math.min(least, now);
    }
    return { km, variation: most - least, least };
  };
}

/** A rotor at a shift after so many kilometres, in µm. Model and constants: `FORWARD`. */
export const drivenOn = (truth: VirtualCorner, shift: number, km: number): DrivenOn =>
  drive(truth, shift)(km);

/** Why a vehicle comes back, and when; null where it does not within what can be said. */
export interface ComesBack extends DrivenOn {
  readonly why: 'variation' | 'discard';
}

/** When a rotor that is driven on passes a limit, to the next 500 km; null up to `FORWARD.furthest`. */
export function comesBack(
  truth: VirtualCorner,
  shift: number,
  limits: { readonly variation: Micrometres; readonly discard: Micrometres },
): ComesBack | null {
  const at = drive(truth, shift);
  for (let km = 0; km <= FORWARD.furthest; km += STEP_KM) {
    const now = at(km);
    if (now.least < limits.discard) return { ...now, why: 'discard' };
    if (now.variation > limits.variation) return { ...now, why: 'variation' };
  }
  return null;
}
