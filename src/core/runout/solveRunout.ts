import {
  describeOrders,
  findOutliers,
  fitHarmonics,
  foldedOrder,
  phasorsOf,
  waveTir,
  type HarmonicFit,
  type OrderReport,
  type Outlier,
} from '../harmonics';
import { extremeIndex, maximum, minimum } from '../numeric';
import {
  averageLaps,
  checkClosure,
  evenAngles,
  pooledRepeatability,
  readingUncertainty,
  removeDrift,
  TRUSTED_POSITIONS,
  type Closure,
  type Gauge,
  type Laps,
} from '../readings';
import type { Degrees, Micrometres } from '../units';
import { judge, type Reason, type Verdict } from '../verdict';

export type Face = 'outboard' | 'inboard';

/** A runout set, lengths in micrometres, angles in degrees in the theta sense. */
export interface RunoutInput {
  readonly face: Face;
  readonly laps: Laps;
  /** The closing reading of each lap. */
  readonly closing?: readonly Micrometres[] | undefined;
  /** Evenly spaced from 0° when left out. */
  readonly angles?: readonly Degrees[] | undefined;
  readonly studs?: number | undefined;
  readonly gauge: Gauge;
  readonly limit: Micrometres;
  readonly endPlay?: { readonly value: Micrometres; readonly limit: Micrometres } | undefined;
}

/** One place on the rotor: position from 0, angle in degrees, reading in micrometres. */
export interface Place {
  readonly position: number;
  readonly angleDeg: Degrees;
  readonly value: Micrometres;
}

export interface RunoutResult {
  readonly n: number;
  readonly laps: number;
  readonly sigma: Micrometres;
  readonly repeatability: Micrometres | null;
  readonly tirAsRead: Micrometres;
  readonly tirFitted: Micrometres;
  readonly high: Place;
  readonly low: Place;
  readonly orders: readonly OrderReport[];
  readonly closure: Closure | null;
  readonly outliers: readonly Outlier[];
  readonly verdict: Verdict;
  /** Outboard-positive lap averages, drift taken out. */
  readonly averaged: readonly Micrometres[];
  readonly angles: readonly Degrees[];
  readonly fit: HarmonicFit;
}

/** Laps made outboard-positive, with drift removed, and their scatter. */
export interface PreparedLaps {
  readonly angles: readonly Degrees[];
  readonly laps: Laps;
  readonly averaged: readonly Micrometres[];
  readonly closure: Closure | null;
  readonly repeatability: Micrometres | null;
  readonly sigma: Micrometres;
}

/** Sign, closure, drift, averaging and scatter of a runout set. Source: handbook 2, 3. */
export function prepareRunout(
  input: Pick<RunoutInput, 'face' | 'laps' | 'closing' | 'angles' | 'gauge' | 'limit'>,
): PreparedLaps {
  const sign = input.face === 'inboard' ? -1 : 1;
  const outboard = input.laps.map((lap) => lap.map((value) => sign * value));
  const angles = input.angles ?? evenAngles(outboard[0]?.length ?? 0);
  const closure = input.closing
    ? checkClosure(
        outboard,
        input.closing.map((value) => sign * value),
        input.gauge.resolution,
        input.limit,
      )
    : null;
  const laps = closure ? removeDrift(outboard, closure, angles) : outboard;
  const repeatability = pooledRepeatability(laps);
  return {
    angles,
    laps,
    averaged: averageLaps(laps),
    closure,
    repeatability,
    sigma: readingUncertainty(input.gauge, laps.length, repeatability),
  };
}

/** The closure findings of a set, one a lap that did not close. */
export function closureReasons(closure: Closure | null): Reason[] {
  if (!closure) return [];
  return closure.errors.flatMap((error, lap) =>
    Math.abs(error) <= closure.allowed
      ? []
      : [{ code: 'closure' as const, lap, error, allowed: closure.allowed }],
  );
}

function qualityReasons(
  input: RunoutInput,
  prepared: PreparedLaps,
  outliers: readonly Outlier[],
): Reason[] {
  const n = prepared.averaged.length;
  const reasons: Reason[] = closureReasons(prepared.closure);
  const allowed = 0.1 * input.limit;
  if (input.endPlay && input.endPlay.value > input.endPlay.limit) {
    reasons.push({ code: 'end-play', ...input.endPlay });
  }
  if (prepared.repeatability !== null && prepared.repeatability > allowed) {
    reasons.push({ code: 'repeatability', value: prepared.repeatability, allowed });
  }
  if (n < TRUSTED_POSITIONS) reasons.push({ code: 'few-positions', n });
  const folded = input.studs === undefined ? null : foldedOrder(n, input.studs);
  if (folded !== null && input.studs !== undefined) {
    reasons.push({ code: 'folded-order', order: input.studs, folded, n });
  }
  return [...reasons, ...outliers.map((outlier): Reason => ({ code: 'outlier', ...outlier }))];
}

/** The place of an extreme of the averaged readings. */
export function extremeAt(
  values: readonly Micrometres[],
  angles: readonly Degrees[],
  sign: 1 | -1,
): Place {
  const position = extremeIndex(values, sign);
  return { position, angleDeg: angles[position] ?? NaN, value: values[position] ?? NaN };
}

/**
 * Lateral runout of one set: size, direction, quality and verdict.
 *
 * Runout is judged on the larger of the TIR as read and the TIR of the fit, with
 * u = sigma sqrt(2). Not valid when a lap did not close or end play is over its limit.
 * The angles must be fittable (`fittableOrders`). Source: handbook 3 to 5.
 */
export function solveRunout(input: RunoutInput): RunoutResult {
  const prepared = prepareRunout(input);
  const { angles, averaged, sigma, closure } = prepared;
  const fit = fitHarmonics(angles, averaged, sigma, { studs: input.studs });
  const outliers = findOutliers(angles, averaged, sigma, input.gauge, input.studs);
  const tirAsRead = maximum(averaged) - minimum(averaged);
  const tirFitted = waveTir(phasorsOf(fit));
  const s = Math.max(prepared.repeatability ?? 0, input.gauge.repeatability);
  const endPlayBad = input.endPlay !== undefined && input.endPlay.value > input.endPlay.limit;
  return {
    n: averaged.length,
    laps: input.laps.length,
    sigma,
    repeatability: prepared.repeatability,
    tirAsRead,
    tirFitted,
    high: extremeAt(averaged, angles, 1),
    low: extremeAt(averaged, angles, -1),
    orders: describeOrders(fit),
    closure,
    outliers,
    verdict: judge({
      value: Math.max(tirAsRead, tirFitted),
      limit: input.limit,
      side: 'upper',
      variance: { perLap: 2 * s * s, constant: input.gauge.resolution ** 2 / 6 },
      laps: input.laps.length,
      reasons: qualityReasons(input, prepared, outliers),
      invalid: endPlayBad || closure?.ok === false,
    }),
    averaged,
    angles,
    fit,
  };
}
