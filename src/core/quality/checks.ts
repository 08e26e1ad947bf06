import type { Gauge } from '../readings';
import type { RunoutResult } from '../runout';
import type { Celsius, Micrometres } from '../units';
import type { Reason } from '../verdict';

/** How many sigmas the readings may scatter round the fitted curve, and what share of the limit. */
const ROUGH_SIGMAS = 3;
const ROUGH_SHARE = 0.05;
const FEWEST_FREE = 2;

/**
 * Readings that scatter round the smooth curve by more than gauge and limit explain: play in
 * the bearing, a loose base or a dirty face. A place that was pointed out already is not told
 * twice. Null where too few readings are left to tell.
 */
export function roughness(
  { fit, sigma, outliers }: Pick<RunoutResult, 'fit' | 'sigma' | 'outliers'>,
  limit: Micrometres,
): Reason | null {
  if (fit.degreesOfFreedom < FEWEST_FREE || outliers.length > 0) return null;
  const squares = fit.residuals.reduce((sum, residual) => sum + residual ** 2, 0);
  const value = Math.sqrt(squares / fit.degreesOfFreedom);
  const allowed = Math.max(ROUGH_SIGMAS * sigma, ROUGH_SHARE * limit);
  return value > allowed ? { code: 'rough', value, allowed } : null;
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
