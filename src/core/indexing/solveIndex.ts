import {
  firstHighSpot,
  phasorsOf,
  waveTir,
  type HarmonicFit,
  type OrderPhasor,
} from '../harmonics';
import { add, modulus, multiply, scale, subtract, type Complex } from '../numeric';
import type { Gauge, Laps } from '../readings';
import { closureReasons, prepareRunout, type PreparedLaps, type RunoutInput } from '../runout';
import type { Degrees, Micrometres } from '../units';
import { WORKSHOP_DEFAULTS, type Reason, type Verdict, type VerdictState } from '../verdict';
import { drawBands } from './monteCarlo';
import {
  mountedWave,
  separate,
  turnOf,
  type HubPhasor,
  type MountPhasors,
  type SeparatedOrder,
} from './separate';
import { movement, nextMountShift } from './shifts';

/** One mounting's runout readings, outboard-positive, in micrometres. */
export interface Mounting {
  /** Index shift in stud spacings in the theta sense. */
  readonly shift: number;
  readonly laps: Laps;
  readonly closing?: readonly Micrometres[] | undefined;
  readonly endPlay?: RunoutInput['endPlay'];
  readonly pressed?: boolean | undefined;
}

/** Readings of the hub face, outboard-positive, in micrometres. */
export interface HubFace {
  readonly laps: Laps;
  readonly closing?: readonly Micrometres[] | undefined;
  readonly angles?: readonly Degrees[] | undefined;
  readonly radius: Micrometres;
  readonly rotorRadius: Micrometres;
}

export interface IndexInput {
  readonly studs: number;
  readonly mounts: readonly Mounting[];
  readonly angles?: readonly Degrees[] | undefined;
  readonly hub?: HubFace | undefined;
  readonly gauge: Gauge;
  readonly limit: Micrometres;
  readonly allowedShifts?: readonly number[] | undefined;
  readonly seed?: number | undefined;
  /** Draws of the prediction; fewer only where many corners are simulated. */
  readonly draws?: number | undefined;
}

export interface PartReport {
  readonly amplitude: Micrometres;
  readonly highSpotDeg: Degrees;
}

export interface Prediction {
  readonly shift: number;
  readonly tir: Micrometres;
  readonly low: Micrometres;
  readonly high: Micrometres;
  readonly probabilityWithin: number;
}

export interface IndexResult {
  readonly separation: readonly {
    readonly order: number;
    readonly separable: boolean;
    readonly hub: PartReport;
    readonly rotor: PartReport;
  }[];
  readonly predictions: readonly (Prediction & { readonly measured: boolean })[];
  readonly best: Prediction;
  readonly consistent: boolean | null;
  readonly nextMount: number | null;
  readonly verdict: Verdict;
  /** The parts themselves, for drawing and further prediction. */
  readonly orders: readonly SeparatedOrder[];
}

/** Unknowns of order 1: the hub's part and the rotor's. */
const UNKNOWNS = 2;
/** A mounting that misses what the others predict by more is not the same seat. */
export const SEAT_SIGMAS = 3;
/** Shifts this close to the best are as good; the smaller movement is taken. */
const AS_GOOD: Micrometres = 1;
const SURE = 0.95;

const componentVariances = (fit: HarmonicFit): number[] =>
  fit.orders.map(({ covariance }) => (covariance.aa + covariance.bb) / 2);

/** The phasors of one prepared mounting with their variances. */
export const mountPhasors = (shift: number, { fit }: Pick<PreparedLaps, 'fit'>): MountPhasors => ({
  shift,
  orders: phasorsOf(fit),
  variances: componentVariances(fit),
});

/** Everything that the mountings of one solution are read with. */
type MountingContext = Pick<IndexInput, 'studs' | 'angles' | 'gauge' | 'limit'>;

/** One mounting's laps, fitted with their drift. */
export const prepareMounting = (
  mount: Mounting,
  { studs, angles, gauge, limit }: MountingContext,
): PreparedLaps =>
  prepareRunout({
    face: 'outboard',
    laps: mount.laps,
    closing: mount.closing,
    endPlay: mount.endPlay,
    pressed: mount.pressed,
    studs,
    angles,
    gauge,
    limit,
  });

/** The hub face's laps, fitted as a mounting's are. */
export const prepareHubFace = (
  { laps, closing, angles }: HubFace,
  { studs, gauge, limit }: MountingContext,
): PreparedLaps => prepareRunout({ face: 'outboard', laps, closing, angles, studs, gauge, limit });

/**
 * The hub face's order 1 brought to the rotor's circle, with what the seat between them adds.
 * Throws RangeError where its places carry no order. Source: handbook 6.
 */
export function hubPhasor(hub: HubFace, context: MountingContext): HubPhasor {
  const { fit } = prepareHubFace(hub, context);
  const lever = hub.rotorRadius / hub.radius;
  const first = phasorsOf(fit)[0]?.z;
  if (!first) throw new RangeError('The hub face carries no order 1');
  const variance = (componentVariances(fit)[0] ?? 0) * lever ** 2;
  return { z: scale(first, lever), variance: variance + WORKSHOP_DEFAULTS.seatOnHub ** 2 };
}

/** The phasor of order 1. */
export const firstOrder = (orders: readonly OrderPhasor[]): Complex =>
  orders[0]?.z ?? { re: 0, im: 0 };

/** Variance per component of a predicted order-1 phasor at a shift. */
export function predictedVariance(order: SeparatedOrder, shift: number, studs: number): number {
  const turn = turnOf(order.order, shift, studs);
  const viaHub = modulus(add({ re: order.factor.hub, im: 0 }, multiply(order.factor.cross, turn)));
  return viaHub ** 2 + order.factor.rotor ** 2;
}

/** Whether every mounting, left out in turn, is where the others predict it. */
export function checkSeating(
  mounts: readonly MountPhasors[],
  studs: number,
  hub: HubPhasor | null,
): boolean | null {
  if (mounts.length <= UNKNOWNS) return null;
  return mounts.every((mount, i) => {
    const others = mounts.filter((_, j) => j !== i);
    const order = separate(others, studs, hub)[0];
    if (!order?.separable) return true;
    const predicted = firstOrder(mountedWave([order], mount.shift, studs));
    const variance = (mount.variances[0] ?? 0) + predictedVariance(order, mount.shift, studs);
    const miss = modulus(subtract(firstOrder(mount.orders), predicted));
    return miss <= SEAT_SIGMAS * Math.sqrt(variance);
  });
}

/**
 * Where the rotor is best: where it was last measured, allowed or not, unless an allowed shift is
 * predicted at least 1 µm better; then of those within 1 µm of the least the smallest movement,
 * the lower TIR, the lower number. Source: handbook 6.
 */
export function bestOf(
  allowed: readonly Prediction[],
  last: Prediction,
  studs: number,
): Prediction {
  const least = Math.min(...allowed.map(({ tir }) => tir));
  if (!(least <= last.tir - AS_GOOD)) return last;
  const [best = last] = allowed
    .filter(({ tir }) => tir <= least + AS_GOOD)
    .sort(
      (p, q) =>
        movement(last.shift, p.shift, studs) - movement(last.shift, q.shift, studs) ||
        p.tir - q.tir ||
        p.shift - q.shift,
    );
  return best;
}

function predictedState(probability: number): VerdictState {
  if (probability >= SURE) return 'within';
  return probability <= 1 - SURE ? 'beyond' : 'too-close';
}

function judgePrediction(
  best: Prediction,
  limit: Micrometres,
  invalid: boolean,
  reasons: readonly Reason[],
): Verdict {
  return {
    state: invalid ? 'not-valid' : predictedState(best.probabilityWithin),
    value: best.tir,
    limit,
    guardBand: best.high - best.tir,
    margin: limit - best.tir,
    lapsToSettle: null,
    reasons: [...reasons, { code: 'predicted', probability: best.probabilityWithin }],
  };
}

const reportPart = (order: number, z: Complex): PartReport => ({
  amplitude: modulus(z),
  highSpotDeg: firstHighSpot(order, z.re, z.im),
});

/** Predicted TIR and band at each of the shifts, in micrometres. Source: handbook 6. */
export function predictShifts(
  orders: readonly SeparatedOrder[],
  studs: number,
  shifts: readonly number[],
  limit: Micrometres,
  seed: number,
  draws?: number,
): Prediction[] {
  const bands = drawBands(orders, studs, shifts, limit, seed, draws);
  return shifts.map((shift, i) => {
    const tir = waveTir(mountedWave(orders, shift, studs));
    const band = bands[i] ?? { low: tir, high: tir, probabilityWithin: tir <= limit ? 1 : 0 };
    return {
      shift,
      tir,
      low: Math.min(band.low, tir),
      high: Math.max(band.high, tir),
      probabilityWithin: band.probabilityWithin,
    };
  });
}

function gatherReasons(
  prepared: readonly PreparedLaps[],
  orders: readonly SeparatedOrder[],
  consistent: boolean | null,
  nextMount: number | null,
): Reason[] {
  const reasons: Reason[] = prepared.flatMap(({ closure }) => closureReasons(closure));
  if (consistent === false) reasons.push({ code: 'inconsistent' });
  if (nextMount !== null) reasons.push({ code: 'measure-next', shift: nextMount });
  if (orders[0]?.separable) {
    for (const { order, separable } of orders) {
      if (!separable && order === 2) reasons.push({ code: 'order-not-separated', order });
    }
  }
  return reasons;
}

/**
 * Tells hub from rotor and predicts the runout at every allowed index shift.
 *
 * With one mounting and no hub set nothing is separable: `best` is the measured mounting
 * and `nextMount` says which to measure. Shifts count stud spacings in the theta sense.
 * Source: handbook 6.
 */
export function solveIndex(input: IndexInput): IndexResult {
  const { studs, limit, mounts } = input;
  const prepared = mounts.map((mount) => prepareMounting(mount, input));
  const phasors = prepared.map((set, i) => mountPhasors(mounts[i]?.shift ?? 0, set));
  const hub = input.hub ? hubPhasor(input.hub, input) : null;
  const orders = separate(phasors, studs, hub);
  const separated = orders[0]?.separable === true;
  const measured = mounts.map(({ shift }) => shift);
  const first = measured[0] ?? 0;
  const last = measured[measured.length - 1] ?? 0;
  const allowed = [
    ...new Set(input.allowedShifts ?? Array.from({ length: studs }, (_, m) => m)),
  ].sort((p, q) => p - q);
  const shifts = [...new Set([...allowed, last])];
  const predicted = predictShifts(orders, studs, shifts, limit, input.seed ?? 1, input.draws);
  const predictions = predicted.slice(0, allowed.length);
  const asMeasured = predicted.find(({ shift }) => shift === last)!;
  const best = separated ? bestOf(predictions, asMeasured, studs) : asMeasured;
  const consistent = checkSeating(phasors, studs, hub);
  const nextMount = separated ? null : nextMountShift(studs, first, measured, allowed);
  const invalid = prepared.some(({ closure }) => closure?.ok === false);
  return {
    separation: orders.map(({ order, separable, hub: h, rotor }) => ({
      order,
      separable,
      hub: reportPart(order, h),
      rotor: reportPart(order, rotor),
    })),
    predictions: predictions.map((p) => ({ ...p, measured: measured.includes(p.shift) })),
    best,
    consistent,
    nextMount,
    verdict: judgePrediction(
      best,
      limit,
      invalid,
      gatherReasons(prepared, orders, consistent, nextMount),
    ),
    orders,
  };
}
