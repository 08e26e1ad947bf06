import type { Guarantee } from '../contracts';
import { findCheck } from './checks';
import type { Job } from './types';

/** A guarantee in words. */
export const sayGuarantee = ({ months, km }: Guarantee): string =>
  [
    months === null ? null : `${months} month${months === 1 ? '' : 's'}`,
    km === null ? null : `${km.toLocaleString('en')} km`,
  ]
    .filter((part) => part !== null)
    .join(' or ') + (months !== null && km !== null ? ', whichever comes first' : '');

/** What the shop promised on its work in a job, in a sentence; null where nothing was. */
export function sayPromise(job: Job): string | null {
  const value = findCheck(job, 'promise', '', 'guarantee')?.value;
  return value ? `We stand for this work for ${sayGuarantee(value)}.` : null;
}

/**
 * Whether work that was signed on a day is still within its guarantee on another; by distance it is
 * asked with what the clock shows then, and counts as within while that is not known.
 */
export function isWithinGuarantee(
  { months, km }: Guarantee,
  signed: { readonly at: Date; readonly km: number | null },
  now: { readonly at: Date; readonly km: number | null },
): boolean {
  if (months !== null) {
    const end = new Date(signed.at);
    end.setMonth(end.getMonth() + months);
    if (now.at > end) return false;
  }
  return km === null || signed.km === null || now.km === null || now.km - signed.km <= km;
}
