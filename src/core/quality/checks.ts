import { readingUncertainty, type Gauge } from '../readings';
import type { RunoutResult } from '../runout';
import type { Celsius, Micrometres } from '../units';
import type { Reason } from '../verdict';

/** Readings may scatter round the curve by so much of the limit, whatever the gauge. */
const ROUGH_SHARE = 0.04;
const FEWEST_FREE = 2;
/** Normal quantile that a clean set passes once in two hundred times. */
const ONCE_IN_200 = 2.576;

/**
 * The spread, in sigmas, that clean residuals of so many degrees of freedom pass once in two
 * hundred times: the chi-square quantile by Wilson and Hilferty.
 */
function clearSpread(freedom: number): number {
  const ninth = 2 / (9 * freedom);
  return (1 - ninth + ONCE_IN_200 * Math.sqrt(ninth)) ** 1.5;
}

/**
 * Readings that scatter round the smooth curve by more than gauge and limit explain: play in
 * the bearing, a loose base or a dirty face. A place that was pointed out already is not told
 * twice. Null where too few readings are left to tell.
 */
export function roughness(
  { fit, sigma, outliers }: Pick<RunoutResult, 'fit' | 'sigma' | 'outliers'>,
  limit: Micrometres,
): Reason | null {
  const freedom = fit.degreesOfFreedom;
  if (freedom < FEWEST_FREE || outliers.length > 0) return null;
  const squares = fit.residuals.reduce((sum, residual) => sum + residual ** 2, 0);
  const value = Math.sqrt(squares / freedom);
  const allowed = Math.max(clearSpread(freedom) * sigma, ROUGH_SHARE * limit);
  return value > allowed ? { code: 'rough', value, allowed } : null;
}

/** A closing error of so many of its own standard deviations is no noise of the gauge. */
const CLEAR_DRIFT = 2.7;

/**
 * The largest closing error that is allowed and yet more than the gauge explains: its drift
 * was taken out, and base and bearing are worth a look. Null where there is none.
 */
export function driftReason(
  { closure }: Pick<RunoutResult, 'closure'>,
  gauge: Gauge,
): Reason | null {
  if (!closure?.ok) return null;
  const noise = Math.SQRT2 * readingUncertainty(gauge, 1, null);
  const error = Math.max(...closure.errors.map(Math.abs));
  return error > CLEAR_DRIFT * noise ? { code: 'drift', error, noise: CLEAR_DRIFT * noise } : null;
}

/** Below this a micrometer\u2019s zero error is as good as none, unless its mpe says otherwise. */
const ZERO_UNSEEN: Micrometres = 2;

/** A micrometer that does not show zero when closed: taken out, and said. */
export function zeroErrorReason(zeroError: Micrometres | null, gauge: Gauge): Reason | null {
  const seen = Math.max(gauge.mpe ?? ZERO_UNSEEN, gauge.resolution);
  return zeroError !== null && Math.abs(zeroError) > seen
    ? { code: 'zero-error', value: zeroError }
    : null;
}

/** What is known of the gauge of a set on the day it was begun. */
export interface GaugeOnTheDay {
  readonly gaugeName: string | null;
  /** Day on which its calibration runs out, like 2031-04-30. */
  readonly gaugeDue: string | null;
  readonly day: string;
}

/** A gauge whose calibration had run out when the set was begun. */
export const overdueReason = ({ gaugeName, gaugeDue, day }: GaugeOnTheDay): Reason | null =>
  gaugeDue !== null && gaugeDue < day
    ? { code: 'overdue', gauge: gaugeName ?? 'The gauge', due: gaugeDue }
    : null;

/** Thicker than a new rotor by more than this nobody makes one: unit, zero or part is wrong. */
const OVER_NEW: Micrometres = 150;

/** A rotor that measures thicker than it was when new. */
export const thickerThanNew = (
  min: Micrometres,
  nominal: Micrometres | undefined,
): Reason | null =>
  nominal !== undefined && min > nominal + OVER_NEW
    ? { code: 'thicker-than-new', value: min, nominal }
    : null;

/** A thickness read without the rotor\u2019s temperature, or a temperature that changes it. */
export const temperatureReason = (
  temperature: Celsius | undefined,
  correction: Micrometres,
): Reason | null =>
  temperature === undefined ? null : { code: 'temperature', temperature, correction };
