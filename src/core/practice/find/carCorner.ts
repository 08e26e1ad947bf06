import {
  FORWARD,
  trueRunout,
  type BenchFaults,
  type TrueOrder,
  type VirtualCorner,
} from '../../bench';
import { GRID_POINTS } from '../../harmonics';
import { polar, type RandomSource } from '../../numeric';
import { toDegrees, wrapDegrees, type Degrees, type Micrometres } from '../../units';
import { WORKSHOP_DEFAULTS } from '../../verdict';
import { NOMINAL } from '../draw';
import { faceOf, swingOf, thicknessOf } from '../truth';

/** What the corner of a fault is made of, by what was drawn of it: shares of their limits. */
export interface CornerShares {
  readonly runout: number;
  readonly hub: number;
  readonly rotor: number;
  readonly variation: number;
  readonly nutPull: number;
  /** Its thin place lies where the face comes out most. */
  readonly isThinAtHigh: boolean;
}

/** What tilts the rotor there beside hub and rotor: it goes with cleaning, or with drawing the nuts up evenly. */
export type Tilt = 'dirt' | 'nuts' | null;

/** The corner of a whole car’s fault, to be read with gauges, and what made it so. */
export interface CarCorner {
  readonly virtual: VirtualCorner;
  readonly faults: BenchFaults;
  /** How far its runout was driven on until it had worn the variation in; null where it did not. */
  readonly wornKm: number | null;
}

const STUDS = 5;
const { runout: RUNOUT_LIMIT, thicknessVariation: VARIATION_LIMIT } = WORKSHOP_DEFAULTS;
/** A rotor that is no longer new. */
const WORN: Micrometres = 700;
/** A rotor as it is made varies by so much at most. */
const AS_MADE: Micrometres = 2;
/** Orders that a thin place worn in is kept in. */
const WORN_ORDERS = [1, 2, 3, 4] as const;
/** What its runout has worn in took no less and no more, in km. */
const SHORTEST_KM = 500;

const half = (share: number): Micrometres => (share * RUNOUT_LIMIT) / 2;
const order = (k: number, amplitude: Micrometres, highSpotDeg: Degrees): TrueOrder => ({
  ...{ order: k, amplitude, highSpotDeg: wrapDegrees(highSpotDeg, 360 / k) },
});

/** How far the rotor’s high spot lies from the hub’s, so that both together make `wanted` where they can. */
function apartBy(hub: Micrometres, rotor: Micrometres, wanted: Micrometres): Degrees {
  const cosine = (wanted ** 2 - hub ** 2 - rotor ** 2) / (2 * hub * rotor);
  return toDegrees(Math.acos(Math.min(1, Math.max(-1, cosine))));
}

/** Orders of a curve round the turn, one value every half degree. */
function ordersOf(curve: readonly number[]): TrueOrder[] {
  return WORN_ORDERS.map((k) => {
    let [a, b] = [0, 0];
    curve.forEach((value, j) => {
      a += (2 / GRID_POINTS) * value * Math.cos((k * 2 * Math.PI * j) / GRID_POINTS);
      b += (2 / GRID_POINTS) * value * Math.sin((k * 2 * Math.PI * j) / GRID_POINTS);
    });
    return order(k, Math.hypot(a, b), toDegrees(Math.atan2(b, a)) / k);
  });
}

/**
 * The thickness that a face wears into its rotor, and how far it was driven for it: the pads touch it where it comes
 * out to them with the brake released (`FORWARD`). Null where the face does not come out far enough for that.
 */
function wornBy(
  face: (angle: Degrees) => Micrometres,
  variation: Micrometres,
): { readonly thickness: readonly TrueOrder[]; readonly km: number } | null {
  const reaches = Array.from({ length: GRID_POINTS }, (_, j) =>
    Math.max(0, Math.abs(face((360 * j) / GRID_POINTS)) - FORWARD.standOff),
  );
  const share = variation / Math.max(...reaches, 1e-9);
  if (share >= 1 - Math.exp((-FORWARD.wornShare * FORWARD.furthest) / 1000)) return null;
  const km = (-1000 * Math.log(1 - share)) / FORWARD.wornShare;
  if (km < SHORTEST_KM) return null;
  return { thickness: ordersOf(reaches.map((reach) => -share * reach)), km };
}

/**
 * A corner that reads as was drawn, as far as one corner can: hub and rotor of their shares, lying so that both and
 * what tilts the rotor make the runout; its variation is what that runout wore in, where it could have.
 */
export function carCorner(
  { runout, hub, rotor, variation, nutPull, isThinAtHigh }: CornerShares,
  tilt: Tilt,
  random: RandomSource,
): CarCorner {
  const [h, r, wanted] = [half(hub), half(rotor), half(runout)];
  const at = 360 * random.uniform();
  const side = random.uniform() < 0.5 ? 1 : -1;
  const apart = tilt === null ? side * apartBy(h, r, wanted) : 360 * random.uniform();
  const bare: VirtualCorner = {
    studs: STUDS,
    hub: [order(1, h, at), order(STUDS, half(nutPull), 72 * random.uniform())],
    rotor: [order(1, r, at + apart), order(2, 0.3 + random.uniform(), 180 * random.uniform())],
    meanThickness: NOMINAL - WORN,
    thickness: [],
  };
  const faults = tilt === null ? {} : { [tilt]: tiltOf(bare, wanted, tilt, random) };
  const face = faceOf(bare, faults, 0);
  const wave = variation * VARIATION_LIMIT;
  const worn = wave > AS_MADE ? wornBy(face, wave) : null;
  // A few orders of a thin place make a little more or less of it.
  const kept = worn ? thicknessOf({ ...bare, thickness: worn.thickness }).variation : 1;
  const asWorn = worn?.thickness.map((each) => ({
    ...each,
    amplitude: (each.amplitude * wave) / kept,
  }));
  const plain = [order(1, wave / 2, highOf(face) + (isThinAtHigh ? 180 : 90))];
  return {
    virtual: { ...bare, thickness: asWorn ?? plain },
    faults,
    wornKm: worn && Math.round(worn.km / 100) * 100,
  };
}

/** Where a face comes out most. */
const highOf = (face: (angle: Degrees) => Micrometres): Degrees => {
  const turn = Array.from({ length: 360 }, (_, angle) => face(angle));
  return turn.indexOf(Math.max(...turn));
};

/** What tilts the rotor where it sits: as much as hub and rotor leave of the runout, the way they lean. */
function tiltOf(
  bare: VirtualCorner,
  wanted: Micrometres,
  tilt: 'dirt' | 'nuts',
  random: RandomSource,
) {
  const first = trueRunout(bare, 0).find((each) => each.order === 1)?.z ?? polar(0, 0);
  const has = Math.hypot(first.re, first.im);
  const at = toDegrees(Math.atan2(first.im, first.re)) + 40 * (random.uniform() - 0.5);
  const amplitude = Math.max(0, wanted - has);
  return { ...(tilt === 'dirt' && { shift: 0 }), amplitude, at: wrapDegrees(at) };
}

/** What a corner shows to who reads it well, as shares of the limits. */
export function truthShares({
  virtual,
  faults,
}: CarCorner): Pick<CornerShares, 'runout' | 'hub' | 'rotor' | 'variation'> {
  const [hub, rotor] = [virtual.hub[0]!, virtual.rotor[0]!];
  return {
    runout: swingOf(faceOf(virtual, faults, 0)) / RUNOUT_LIMIT,
    hub: (2 * hub.amplitude) / RUNOUT_LIMIT,
    rotor: (2 * rotor.amplitude) / RUNOUT_LIMIT,
    variation: thicknessOf(virtual).variation / VARIATION_LIMIT,
  };
}
