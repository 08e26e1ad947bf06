import { fitHarmonics, phasorsOf, waveTir, type HarmonicFit, type OrderPhasor } from '../harmonics';
import { firstHighSpot } from '../harmonics';
import { add, modulus, multiply, scale, subtract, type Complex } from '../numeric';
import {
  averageLaps,
  evenAngles,
  pooledRepeatability,
  readingUncertainty,
  type Gauge,
  type Laps,
} from '../readings';
import { closureReasons, prepareRunout, type PreparedLaps } from '../runout';
import type { Degrees, Micrometres } from '../units';
import type { Reason, Verdict, VerdictState } from '../verdict';
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
}

/** Readings of the hub face, outboard-positive, in micrometres. */
export interface HubFace {
  readonly laps: Laps;
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

/**
 * Variance that taking out drift adds to order k: the ramp carries the noise of the two
 * readings that closed the lap, 2 sigma², and a ramp of height 1 has a wave of 1/(pi k). It
 * lies across one component only; both are given it, as the rotor may turn either way.
 */
const driftVariance = ({ closure, sigma }: PreparedLaps, order: number): number =>
  closure?.ok === true ? 2 * (sigma / (Math.PI * order)) ** 2 : 0;

/** The phasors of one prepared mounting with their variances. */
export function mountPhasors(shift: number, prepared: PreparedLaps, studs: number): MountPhasors {
  const fit = fitHarmonics(prepared.angles, prepared.averaged, prepared.sigma, { studs });
  const orders = phasorsOf(fit);
  const variances = componentVariances(fit).map(
    (variance, i) => variance + driftVariance(prepared, orders[i]?.order ?? 1),
  );
  return { shift, orders, variances };
}

/** The hub face’s order 1 brought to the rotor’s circle. */
export function hubPhasor(hub: HubFace, gauge: Gauge): HubPhasor {
  const averaged = averageLaps(hub.laps);
  const sigma = readingUncertainty(gauge, hub.laps.length, pooledRepeatability(hub.laps));
  const fit = fitHarmonics(hub.angles ?? evenAngles(averaged.length), averaged, sigma);
  const lever = hub.rotorRadius / hub.radius;
  const first = phasorsOf(fit)[0]?.z;
  if (!first) throw new RangeError('The hub face carries no order 1');
  return { z: scale(first, lever), variance: (componentVariances(fit)[0] ?? 0) * lever ** 2 };
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

/** Smallest TIR; within 1 µm of it the smallest movement, then TIR, then number. */
export function bestOf<P extends Prediction>(
  predictions: readonly P[],
  last: number,
  studs: number,
): P {
  const least = Math.min(...predictions.map(({ tir }) => tir));
  const asGood = predictions.filter(({ tir }) => tir <= least + AS_GOOD);
  asGood.sort(
    (p, q) =>
      movement(last, p.shift, studs) - movement(last, q.shift, studs) ||
      p.tir - q.tir ||
      p.shift - q.shift,
  );
  const best = asGood[0];
  if (!best) throw new RangeError('No shift is allowed');
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
  const { studs, gauge, limit, mounts } = input;
  const prepared = mounts.map((mount) =>
    prepareRunout({ ...mount, face: 'outboard', angles: input.angles, gauge, limit }),
  );
  const phasors = prepared.map((set, i) => mountPhasors(mounts[i]?.shift ?? 0, set, studs));
  const hub = input.hub ? hubPhasor(input.hub, gauge) : null;
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
  const asMeasured = predicted.find(({ shift }) => shift === last);
  const best = separated || !asMeasured ? bestOf(predictions, last, studs) : asMeasured;
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
