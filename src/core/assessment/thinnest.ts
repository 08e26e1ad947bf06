import type { Micrometres } from '../units';
import type { RawReading, RawSet } from './rawSet';

/** No micrometer in order reads thinner by more, in µm: no larger zero error makes a rotor safe. */
const MOST_LIFT = 50;

/** Readings below this share of discard thickness are slips of the hand or of the unit. */
const NO_ROTOR = 0.5;

/** A thickness as read, in µm, its zero error taken out as far as one can lift it. */
export const withoutZero = (
  um: Micrometres,
  { zeroErrorUm }: Pick<RawSet, 'zeroErrorUm'>,
): Micrometres => um - Math.max(zeroErrorUm ?? 0, -MOST_LIFT);

/** Whether a thickness in µm is below discard thickness, and not a slip that no rotor could be. */
export const isThinnerThan = (discard: Micrometres, um: Micrometres): boolean =>
  um < discard && um > NO_ROTOR * discard;

/** The thinnest reading of a set, whole or begun; null without any. */
export const thinnestReading = (set: Pick<RawSet, 'kind' | 'readings'>): RawReading | null =>
  set.kind === 'thickness'
    ? set.readings.reduce<RawReading | null>(
        (least, each) => (least === null || each.valueUm < least.valueUm ? each : least),
        null,
      )
    : null;
