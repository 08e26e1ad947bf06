import type { Gauge } from '../readings';
import type { Celsius, Micrometres } from '../units';
import type { Reason } from '../verdict';

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
export const thickerThanNew = (min: Micrometres, nominal: Micrometres | undefined): Reason | null =>
  nominal !== undefined && min > nominal + OVER_NEW
    ? { code: 'thicker-than-new', value: min, nominal }
    : null;

/** A thickness read without the rotor\u2019s temperature, or a temperature that changes it. */
export const temperatureReason = (
  temperature: Celsius | undefined,
  correction: Micrometres,
): Reason | null =>
  temperature === undefined ? null : { code: 'temperature', temperature, correction };
