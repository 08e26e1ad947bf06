import { outlasts, ROTOR_WEAR, type DistanceLeft, type PadFamily, type WearRate } from './wear';

/** Kilometres rounded to what they are worth: hundreds below 10,000, else thousands. */
export function sayKm(km: number): string {
  const step = km < 10_000 ? 100 : 1000;
  return `${(Math.round(km / step) * step).toLocaleString('en')} km`;
}

/** A distance with its band, or with what is missing of it. */
export function sayDistance(distance: DistanceLeft | null): string {
  if (distance === null) return '\u2013';
  const { km, low, high } = distance;
  if (low === null) return `about ${sayKm(km)}`;
  return `${sayKm(km)} (${sayKm(low)} to ${high === null ? 'not known' : sayKm(high)})`;
}

/** The 95 % band of a distance, in words. */
export function sayBand({ low, high }: DistanceLeft): string {
  if (low === null) return 'how sure that is, is not known yet';
  return `95 % sure by these readings: ${sayKm(low)} to ${high === null ? 'not known' : sayKm(high)}`;
}

/** Where a rate of wear comes from, in words. */
export function sayRate(rate: WearRate, family: PadFamily): string {
  const per = `${Math.round(rate.perKm * 10_000)} \u00b5m in 10,000 km`;
  switch (rate.source) {
    case 'history':
      return `${per}, from ${rate.count} readings of this rotor.`;
    case 'model':
      return `${per}, the median of ${rate.count} rotor${rate.count === 1 ? '' : 's'} of this model in the shop.`;
    case 'default':
      return `${per}: workshop default for ${family} pads (${ROTOR_WEAR[family]} \u00b5m). It has no band; a second reading of this rotor at another distance gives its own.`;
  }
}

/** Whether the rotor outlasts its pads, in a sentence. */
export function sayOutlasts(rotor: DistanceLeft | null, pads: DistanceLeft | null): string | null {
  const answer = outlasts(rotor, pads);
  if (answer === null) return null;
  return answer
    ? 'The rotor outlasts these pads.'
    : 'The pads outlast the rotor: it is worn out first.';
}
