import { weekOf } from '../../../core/calendar';

/** How many of the nightly copies are kept: the last days, then one a week, then one a month. */
const KEPT = { days: 7, weeks: 4, months: 12 } as const;

/** The newest day of each group, of so many groups, the newest first. */
function newestOfEach<Key>(
  days: readonly string[],
  groupOf: (day: string) => Key,
  groups: number,
): string[] {
  const newest = new Map<Key, string>();
  for (const day of days) if (!newest.has(groupOf(day))) newest.set(groupOf(day), day);
  return [...newest.values()].slice(0, groups);
}

/**
 * The days whose copies are kept, of those there are (yyyy-mm-dd): the last seven, the newest of
 * each of the last four weeks and of the last twelve months.
 */
export function daysToKeep(days: readonly string[]): Set<string> {
  const newestFirst = [...new Set(days)].sort().reverse();
  return new Set([
    ...newestFirst.slice(0, KEPT.days),
    ...newestOfEach(newestFirst, weekOf, KEPT.weeks),
    ...newestOfEach(newestFirst, (day) => day.slice(0, 7), KEPT.months),
  ]);
}
