import dayjs from 'dayjs';
import isoWeek from 'dayjs/plugin/isoWeek';
import relativeTime from 'dayjs/plugin/relativeTime';

dayjs.extend(isoWeek);
dayjs.extend(relativeTime);

/** A day, in milliseconds, where the hour does not matter. */
export const DAY_MS = 86_400_000;

/**
 * A moment in the time zone of this machine, after a pattern of day.js (`D MMM YYYY, HH:mm`).
 * Throws a RangeError for a date that is none: a paper never says “Invalid Date”.
 */
export function formatDate(at: Date | number, pattern: string): string {
  const moment = dayjs(at);
  if (!moment.isValid()) throw new RangeError('This is no moment in time');
  return moment.format(pattern);
}

/** Whether a moment lies within the day that it is now. */
export const isToday = (at: Date | number): boolean => dayjs(at).isSame(dayjs(), 'day');

/** How long ago a moment was, in words: “3 hours ago”. */
export const ago = (at: Date | number): string => dayjs(at).fromNow();

/** The week of a day (yyyy-mm-dd), which begins on its Monday: its year and number. */
export function weekOf(day: string): string {
  const date = dayjs(`${day}T12:00:00`);
  return `${date.isoWeekYear()}-${date.isoWeek()}`;
}
