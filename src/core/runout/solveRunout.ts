import {
  describeOrders,
  findOutliers,
  fitHarmonics,
  foldedOrder,
  phasorsOf,
  waveExtremes,
  type Drift,
  type HarmonicFit,
  type OrderReport,
  type Outlier,
} from '../harmonics';
import { extremeIndex, maximum, meanOf, minimum } from '../numeric';
import {
  averageLaps,
  checkClosure,
  evenAngles,
  isPlay,
  lapScatter,
  lapTimes,
  playVariance,
  readingUncertainty,
  roundingVariance,
  spreadOf,
  TRUSTED_POSITIONS,
  type Closure,
  type Gauge,
  type Laps,
} from '../readings';
import type { Degrees, Micrometres } from '../units';
import { judge, judgeSettled, WORKSHOP_DEFAULTS, type Reason, type Verdict } from '../verdict';
import { findScatter, type Scatter } from './scatter';
import { turnsThatCount } from './shortTurn';
import { sweptRunout, type SweptRunout } from './swept';
import {
  judgeSwept,
  markVariance,
  MOST_SWEEPS,
  placeGauge,
  slopeAtMark,
  sweepReasons,
  sweptDrift,
  withSweptDrift,
} from './sweptLaps';
import { joinTurns, mostTurns, type SlowTurn, type Turned, type TurnedRunout } from './turns';

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
  /** Push and pull at the wheel. */
  readonly endPlay?: { readonly value: Micrometres; readonly limit: Micrometres } | undefined;
  /** The wheel was pressed inboard at each reading. */
  readonly pressed?: boolean | undefined;
  /** Slow turns taken after the places, as the dial of that face shows them. */
  readonly turns?: readonly SlowTurn[] | undefined;
  /**
   * The laps are sweeps: slow turns read without a stop, made of so many readings in all. Each is
   * its own slow turn, and no others are given.
   */
  readonly sweep?: { readonly readings: number } | undefined;
}

/** What to take next before the verdict may be trusted: another lap, a slow turn, the wheel pressed. */
export type NextReading = 'lap' | 'turn' | 'press';

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
  /** Drift of the laps, outboard-positive; null without closing readings or where a lap did not close. */
  readonly drift: Drift | null;
  readonly tirAsRead: Micrometres;
  readonly tirFitted: Micrometres;
  /** Runout as the slow turns show it; null where none was taken. */
  readonly turned: Turned | null;
  /** Runout as the curve of the sweeps shows it; null where places were read one by one. */
  readonly swept: SweptRunout | null;
  readonly high: Place;
  readonly low: Place;
  readonly orders: readonly OrderReport[];
  readonly closure: Closure | null;
  readonly slipSuspected: boolean;
  readonly outliers: readonly Outlier[];
  readonly next: NextReading | null;
  readonly verdict: Verdict;
  /** Outboard-positive lap averages, drift taken out. */
  readonly averaged: readonly Micrometres[];
  readonly angles: readonly Degrees[];
  readonly fit: HarmonicFit;
}

/** Laps made outboard-positive, fitted with their drift, and their scatter. */
export interface PreparedLaps {
  readonly angles: readonly Degrees[];
  readonly laps: Laps;
  /** Lap averages with the estimated drift taken out. */
  readonly averaged: readonly Micrometres[];
  readonly closure: Closure | null;
  readonly repeatability: Micrometres | null;
  /** The larger of the laps' scatter and the gauge's. */
  readonly spread: Micrometres;
  /** Variance that play adds to every reading. */
  readonly play: number;
  readonly sigma: Micrometres;
  readonly scatter: Scatter;
  readonly fit: HarmonicFit;
}

/** Sign, closure, averaging, drift and scatter of a runout set. Source: handbook 2 to 4. */
export function prepareRunout(input: Omit<RunoutInput, 'turns'>): PreparedLaps {
  const { gauge, limit, endPlay, pressed = false } = input;
  const sign = input.face === 'inboard' ? -1 : 1;
  const laps = input.laps.map((lap) => lap.map((value) => sign * value));
  const angles = input.angles ?? evenAngles(laps[0]?.length ?? 0);
  const closing = input.closing?.map((value) => sign * value);
  const closure = closing ? checkClosure(laps, closing, gauge.resolution, limit) : null;
  const lapsScatter = lapScatter(laps, angles);
  const repeatability = lapsScatter && Math.sqrt(lapsScatter.squares / lapsScatter.freedom);
  const play = playVariance(gauge, endPlay?.value, pressed);
  const sigma = readingUncertainty(placeGauge(input), laps.length, repeatability, play);
  const asRead = averageLaps(laps);
  const t = lapTimes(angles);
  const fitOf = (values: readonly Micrometres[], closes: typeof closing): HarmonicFit =>
    fitHarmonics(angles, values, sigma, {
      studs: input.studs,
      closing:
        closes && closure?.ok
          ? { mean: meanOf(closes), laps: laps.length, expected: WORKSHOP_DEFAULTS.drift }
          : undefined,
    });
  const swept = input.sweep
    ? sweptDrift(closure, input, slopeAtMark(fitOf(asRead, undefined)))
    : null;
  const fit = input.sweep
    ? withSweptDrift(fitOf(withoutDrift(asRead, t, swept), undefined), swept)
    : fitOf(asRead, closing);
  return {
    angles,
    laps,
    averaged: withoutDrift(asRead, t, fit.drift),
    closure,
    repeatability,
    spread: spreadOf(gauge, repeatability),
    play,
    sigma,
    // A sweep’s scatter is told by its own curve.
    scatter: input.sweep
      ? { alarm: null, asksLap: false }
      : findScatter(lapsScatter, fit, { gauge, sigma, endPlay: endPlay?.value }),
    fit,
  };
}

const withoutDrift = (
  values: readonly Micrometres[],
  t: readonly number[],
  drift: Drift | null,
): Micrometres[] => values.map((value, j) => value - (drift?.perLap ?? 0) * t[j]!);

/** A closing error of so many of its own standard deviations is no noise of the gauge. Source: handbook 3. */
const CLEAR_SLIP = 2.5;

/** Closing errors beyond this, of laps that closed, may be a slip of the base. */
const slipFrom = ({ spread, fit }: PreparedLaps, { gauge, sweep }: RunoutInput): Micrometres =>
  CLEAR_SLIP *
  Math.sqrt(
    2 * (spread ** 2 + roundingVariance(gauge)) + (sweep ? markVariance(slopeAtMark(fit)) : 0),
  );

/** Laps that closed, and yet by more than the gauge explains. */
function slipsOf(prepared: PreparedLaps, input: RunoutInput): Reason[] {
  const { closure } = prepared;
  if (!closure) return [];
  const noise = slipFrom(prepared, input);
  return closure.errors.flatMap((error, lap) => {
    const size = Math.abs(error);
    return size <= closure.allowed && size > noise
      ? [{ code: 'slip' as const, lap, error, noise }]
      : [];
  });
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
  slips: readonly Reason[],
  outliers: readonly Outlier[],
): Reason[] {
  const n = prepared.averaged.length;
  const reasons: Reason[] = [...closureReasons(prepared.closure), ...slips];
  const allowed = 0.1 * input.limit;
  if (input.endPlay && input.endPlay.value > input.endPlay.limit) {
    reasons.push({ code: 'end-play', ...input.endPlay });
  } else if (input.endPlay && asksPress(input)) {
    reasons.push({ code: 'press', value: input.endPlay.value });
  }
  const { alarm } = prepared.scatter;
  // A place that is pointed out as an outlier is not told twice.
  if (alarm && (alarm.of === 'laps' || outliers.length === 0)) {
    reasons.push({
      code: alarm.of === 'laps' ? 'laps-scatter' : 'misfit',
      value: alarm.value,
      allowed: alarm.allowed,
    });
  } else if (prepared.repeatability !== null && prepared.repeatability > allowed) {
    reasons.push({ code: 'repeatability', value: prepared.repeatability, allowed });
  }
  if (n < TRUSTED_POSITIONS) reasons.push({ code: 'few-positions', n });
  const folded = input.studs === undefined ? null : foldedOrder(n, input.studs);
  if (folded !== null && input.studs !== undefined) {
    reasons.push({ code: 'folded-order', order: input.studs, folded, n });
  }
  return reasons;
}

/** Push and pull is felt, and the wheel was not said to be pressed inboard at each reading. */
const asksPress = ({ gauge, endPlay, pressed }: RunoutInput): boolean =>
  pressed !== true && isPlay(gauge, endPlay?.value);

/** Whether one more turn may be asked for: too close to call, and turns are left. */
const asksTurn = (verdict: Verdict, taken: number, prepared: PreparedLaps): boolean =>
  taken === 0 || (verdict.state === 'too-close' && taken < mostTurns(prepared.spread));

/** What to take next, the first of what is asked. Source: handbook 3, 5. */
function nextReading(
  input: RunoutInput,
  prepared: PreparedLaps,
  hasSlip: boolean,
  verdict: Verdict,
): NextReading | null {
  if (verdict.state === 'not-valid') return prepared.closure?.ok === false ? 'lap' : null;
  if (asksPress(input)) return 'press';
  if (hasSlip || prepared.scatter.asksLap) return 'lap';
  if (input.sweep) {
    return verdict.state === 'too-close' && input.laps.length < MOST_SWEEPS ? 'lap' : null;
  }
  return asksTurn(verdict, input.turns?.length ?? 0, prepared) ? 'turn' : null;
}

/** Runout as the turns and the curve show it, judged. */
function judgeTurned(
  input: RunoutInput,
  prepared: PreparedLaps,
  joined: TurnedRunout,
  common: { readonly reasons: readonly Reason[]; readonly invalid: boolean },
): Verdict {
  const taken = input.turns?.length ?? 0;
  const verdict = judgeSettled({ ...joined, limit: input.limit, ...common });
  if (verdict.state !== 'too-close') return verdict;
  const hint: Reason = asksTurn(verdict, taken, prepared)
    ? { code: 'turn-again' }
    : {
        code: 'gauge-too-coarse',
        needs: verdict.margin === null ? undefined : Math.abs(verdict.margin),
      };
  return { ...verdict, reasons: [...verdict.reasons, hint] };
}

/** Runout at the places read, judged: what lies between them nobody has seen. */
const judgePlaces = (
  { limit, laps, gauge }: RunoutInput,
  { spread, play }: PreparedLaps,
  value: Micrometres,
  { reasons, invalid }: { readonly reasons: readonly Reason[]; readonly invalid: boolean },
): Verdict =>
  judge({
    ...{ value, limit, side: 'upper', laps: laps.length, invalid },
    variance: { perLap: 2 * spread ** 2, constant: 2 * (roundingVariance(gauge) + play) },
    reasons: invalid ? reasons : [...reasons, { code: 'at-places' }],
  });

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
 * Lateral runout of one set: size, direction, quality, verdict, and what to take next.
 *
 * With slow turns runout is judged on them, joined with the curve where that is believed; without
 * on the larger of the TIR as read and the TIR of the fit, with u = sigma sqrt(2), at the places
 * read; a turn that shows less than the places does not count, and says so. Sweeps are judged on
 * their own curve (`sweptRunout`). Not valid when a lap did not
 * close or end play is over its limit. The angles must be
 * fittable (`fittableOrders`). Source: handbook 3 to 5.
 */
export function solveRunout(input: RunoutInput): RunoutResult {
  const prepared = prepareRunout(input);
  const { angles, averaged, sigma, closure, fit, spread, play } = prepared;
  const { gauge } = input;
  // A sweep’s places are too close together to be left out one by one: its spots are told as such.
  const outliers = input.sweep ? [] : findOutliers(angles, averaged, sigma, gauge, input.studs);
  const tirAsRead = maximum(averaged) - minimum(averaged);
  const extremes = waveExtremes(phasorsOf(fit));
  const tirFitted = extremes.tir;
  const endPlayBad = input.endPlay !== undefined && input.endPlay.value > input.endPlay.limit;
  const invalid = endPlayBad || closure?.ok === false;
  const slips = slipsOf(prepared, input);
  // Only the swing counts, which is the same on either face.
  const join = (turns: readonly SlowTurn[]): TurnedRunout =>
    joinTurns(turns, fit, extremes, { gauge, spread, sigma, play });
  // Noise makes the readings swing more than the face, and a wrong reading the fit: the smallest is surely there.
  const sound = averaged.filter((_, j) => !outliers.some(({ position }) => position === j));
  const surely = Math.min(tirFitted, maximum(sound) - minimum(sound));
  const taken = input.sweep ? [] : (input.turns ?? []);
  const { turns, short } = turnsThatCount(taken, prepared, join, surely);
  const swept = input.sweep ? sweptRunout(averaged, sigma, fit.drift?.uncertainty) : null;
  const own = swept
    ? sweepReasons(input, prepared, swept)
    : outliers.map((outlier): Reason => ({ code: 'outlier', ...outlier }));
  const reasons = [...short, ...qualityReasons(input, prepared, slips, outliers), ...own];
  const counted = { ...input, turns };
  const joined = turns.length > 0 ? join(turns) : null;
  const verdict = swept
    ? judgeSwept(input, swept, { reasons, invalid })
    : joined
      ? judgeTurned(counted, prepared, joined, { reasons, invalid })
      : judgePlaces(input, prepared, Math.max(tirAsRead, tirFitted), { reasons, invalid });
  return {
    n: averaged.length,
    laps: input.laps.length,
    sigma,
    repeatability: prepared.repeatability,
    drift: fit.drift,
    tirAsRead,
    tirFitted,
    turned: joined && joined.turned,
    swept,
    high: extremeAt(averaged, angles, 1),
    low: extremeAt(averaged, angles, -1),
    orders: describeOrders(fit),
    closure,
    slipSuspected: slips.length > 0,
    outliers,
    next: nextReading(counted, prepared, slips.length > 0, verdict),
    verdict,
    averaged,
    angles,
    fit,
  };
}
