import type { Micrometres } from '../units';
import type { Measured } from './lives';
import { SIDES, type WearRate } from './wear';

/** Thickness at the end of a forecast, by the rate of wear and at the ends of its 95 % band. */
export interface Forecast {
  readonly toKm: number;
  readonly thickness: Micrometres;
  /** At the fastest and at the slowest wear; null where the rate has no band. */
  readonly fastest: Micrometres | null;
  readonly slowest: Micrometres | null;
}

/**
 * The thickness that a rotor will have at a distance, T − rate · km from the last measurement;
 * wear never adds metal. Lengths in µm. Source: handbook 10.
 */
export function forecastAt(
  { km, thickness }: Measured,
  toKm: number,
  { perKm, u }: Pick<WearRate, 'perKm' | 'u'>,
): Forecast {
  const at = (rate: number): Micrometres => thickness - Math.max(0, rate) * (toKm - km);
  return {
    toKm,
    thickness: at(perKm),
    fastest: u === null ? null : at(perKm + SIDES * u),
    slowest: u === null ? null : at(perKm - SIDES * u),
  };
}

/** A forecast far beyond what was measured would press the measured part flat. */
const REACH = 2;
const LEAST_SPAN_KM = 20_000;
/** A chart begins and ends at whole steps of the odometer. */
const STEP_KM = 5000;

/** Span of the odometer for a chart of what was measured and, up to twice as far, of what is left. */
export function odometerSpan(
  measuredKm: readonly number[],
  left: { readonly fromKm: number; readonly km: number } | null,
): readonly [number, number] {
  const first = Math.min(...measuredKm);
  const last = Math.max(...measuredKm);
  const reach = Math.max(last - first, LEAST_SPAN_KM) * REACH;
  const end = left === null ? last : Math.max(last, left.fromKm + Math.min(left.km, reach));
  return [Math.floor(first / STEP_KM) * STEP_KM, (Math.floor(end / STEP_KM) + 1) * STEP_KM];
}
