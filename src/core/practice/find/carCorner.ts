import {
  trueRunout,
  wornIn,
  type BenchFaults,
  type TrueOrder,
  type VirtualCorner,
} from '../../bench';
import { describeOrders, fitHarmonics, GRID_POINTS } from '../../harmonics';
import { argument, modulus, ZERO, type RandomSource } from '../../numeric';
import { evenAngles } from '../../readings';
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

/** Studs of every car of practice. */
export const STUDS = 5;
const { runout: RUNOUT_LIMIT, thicknessVariation: VARIATION_LIMIT } = WORKSHOP_DEFAULTS;
/** A rotor that is no longer new. */
export const WORN: Micrometres = 700;
/** A rotor as it is made varies by so much at most. */
const AS_MADE: Micrometres = 2;
/** Orders that a thin place worn in is kept in. */
const WORN_ORDERS = [1, 2, 3, 4] as const;
/** What its runout has worn in took no less, in km. */
const SHORTEST_KM = 500;
/** A tilt lies so far beside what hub and rotor lean to, at most to either side half of it. */
const ASKEW: Degrees = 40;
const TURN = evenAngles(GRID_POINTS);

const half = (share: number): Micrometres => (share * RUNOUT_LIMIT) / 2;
const order = (k: number, amplitude: Micrometres, highSpotDeg: Degrees): TrueOrder => ({
  ...{ order: k, amplitude, highSpotDeg: wrapDegrees(highSpotDeg, 360 / k) },
});

/** How far the rotor’s high spot lies from the hub’s, so that both together make `wanted` where they can. */
function apartBy(hub: Micrometres, rotor: Micrometres, wanted: Micrometres): Degrees {
  const cosine = (wanted ** 2 - hub ** 2 - rotor ** 2) / (2 * hub * rotor);
  return toDegrees(Math.acos(Math.min(1, Math.max(-1, cosine))));
}

/** A face at every place of the grid. */
const onGrid = (face: (angle: Degrees) => Micrometres): Micrometres[] => TURN.map(face);

/** Orders of a curve round the turn, one value at each place of the grid. */
const ordersOf = (curve: readonly Micrometres[]): TrueOrder[] =>
  describeOrders(fitHarmonics(TURN, curve, 1, { orders: WORN_ORDERS })).map(
    ({ order: k, amplitude, highSpotDeg }) => order(k, amplitude, highSpotDeg),
  );

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
  const worn = wave > AS_MADE ? wornIn(onGrid(face), wave) : null;
  if (!worn || worn.km < SHORTEST_KM) {
    const plain = order(1, wave / 2, highOf(face) + (isThinAtHigh ? 180 : 90));
    return { virtual: { ...bare, thickness: [plain] }, faults, wornKm: null };
  }
  const thickness = ordersOf(worn.thickness);
  // A few orders of a thin place make a little more or less of it.
  const scale = wave / thicknessOf({ ...bare, thickness }).variation;
  const asWorn = thickness.map((each) => ({ ...each, amplitude: scale * each.amplitude }));
  const wornKm = Math.round(worn.km / 100) * 100;
  return { virtual: { ...bare, thickness: asWorn }, faults, wornKm };
}

/** Where a face comes out most. */
function highOf(face: (angle: Degrees) => Micrometres): Degrees {
  const turn = onGrid(face);
  return TURN[turn.indexOf(Math.max(...turn))]!;
}

/** What tilts the rotor where it sits: as much as hub and rotor leave of the runout, the way they lean. */
function tiltOf(
  bare: VirtualCorner,
  wanted: Micrometres,
  tilt: 'dirt' | 'nuts',
  random: RandomSource,
) {
  const first = trueRunout(bare, 0).find((each) => each.order === 1)?.z ?? ZERO;
  const at = toDegrees(argument(first)) + ASKEW * (random.uniform() - 0.5);
  const amplitude = Math.max(0, wanted - modulus(first));
  return { ...(tilt === 'dirt' && { shift: 0 }), amplitude, at: wrapDegrees(at) };
}

/** What a corner shows to who reads it well in a mounting, as shares of the limits. */
export function truthShares(
  { virtual, faults }: CarCorner,
  seat = 0,
): Pick<CornerShares, 'runout' | 'hub' | 'rotor' | 'variation'> {
  const [hub, rotor] = [virtual.hub[0]!, virtual.rotor[0]!];
  return {
    runout: swingOf(faceOf(virtual, faults, seat)) / RUNOUT_LIMIT,
    hub: (2 * hub.amplitude) / RUNOUT_LIMIT,
    rotor: (2 * rotor.amplitude) / RUNOUT_LIMIT,
    variation: thicknessOf(virtual).variation / VARIATION_LIMIT,
  };
}

/** A corner as it runs where it sits: what tilts the rotor there is part of it. */
export function asItSits({ virtual, faults }: CarCorner): VirtualCorner {
  const tilts = [faults.dirt, faults.nuts].flatMap((tilt) =>
    tilt ? [{ order: 1, amplitude: tilt.amplitude, highSpotDeg: tilt.at }] : [],
  );
  return { ...virtual, hub: [...virtual.hub, ...tilts] };
}
