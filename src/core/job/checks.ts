import type { CheckKind } from '../contracts';
import type { Corner } from '../readings';
import type { Micrometres } from '../units';
import type { Check, CheckOf, CheckOfKind, Job } from './types';

/** Everything that was written down of one kind. */
export const checksOfKind = <Kind extends CheckKind>(
  job: Job,
  kind: Kind,
): readonly CheckOfKind<Kind>[] =>
  job.checks.filter((check): check is CheckOfKind<Kind> => check.kind === kind);

/** One check by its kind, place and item, or undefined where it was not written down. */
export const findCheck = <Kind extends CheckKind, const Item extends string>(
  job: Job,
  kind: Kind,
  place: string,
  item: Item,
): CheckOf<Kind, Item> | undefined =>
  job.checks.find(
    (check): check is CheckOf<Kind, Item> =>
      check.kind === kind && check.place === place && check.item === item,
  );

/** A length that was measured at a corner; null where it was not. */
export function lengthAt(job: Job, corner: Corner, item: string): Micrometres | null {
  const value = findCheck(job, 'figure', corner, item)?.value;
  return value && 'um' in value ? value.um : null;
}

/** Whether something was written down, whatever it says. */
export const isWritten = (job: Job, kind: CheckKind, place: string, item: string): boolean =>
  findCheck(job, kind, place, item) !== undefined;

export const isDone = (check: Check | undefined): boolean => check?.value === 'done';

/** Where the last of these stands in the order of writing; 0 for none. */
export const latest = (checks: readonly (Pick<Check, 'seq'> | undefined)[]): number =>
  Math.max(0, ...checks.map((check) => check?.seq ?? 0));
