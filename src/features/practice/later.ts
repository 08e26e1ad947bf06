import { FORWARD, type ComesBack } from '@/core/bench';
import { formatIn, type UnitSystem } from '@/core/units';

const sayKm = (km: number): string => `${km.toLocaleString('en')} km`;

/** Further than this nothing is said. */
export const FURTHEST = `${sayKm(FORWARD.furthest)} and more`;

/** What happens next in this car, in a few words; null where it does not come back within what can be said. */
export function sayLater(comesBack: ComesBack | null): string {
  if (comesBack === null) return FURTHEST;
  const why = comesBack.why === 'discard' ? 'below discard' : 'a thin place';
  return comesBack.km === 0 ? `at once: ${why}` : `${sayKm(comesBack.km)}: ${why}`;
}

/** What happens next in this car, driven on as it is then, in a sentence. */
export function sayNext(comesBack: ComesBack | null, units: UnitSystem): string {
  if (comesBack === null) return `Driven on as it is then, it stays within for ${FURTHEST}.`;
  const { km, why, variation } = comesBack;
  const when = km === 0 ? 'It comes back at once' : `It comes back after ${sayKm(km)}`;
  return why === 'discard'
    ? `${when}: worn below its discard thickness.`
    : `${when}: its runout has worn a thin place into it by then, ${formatIn(units, 'deviation', variation)} of variation.`;
}
