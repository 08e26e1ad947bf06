import { isToday } from 'date-fns/isToday';
import { lightFormat } from 'date-fns/lightFormat';

const month = new Intl.DateTimeFormat('en-US', { month: 'short' });

/** The time of a moment, as a clock on the wall shows it. */
export const sayClock = (at: Date | number): string => lightFormat(at, 'HH:mm');

/** A moment with its day. */
export const sayMoment = (at: Date | number): string =>
  `${lightFormat(at, 'd')} ${month.format(at)}, ${sayClock(at)}`;

/** A moment as people say it: the time today, with its day before that. */
export const sayTime = (at: Date | number): string => (isToday(at) ? sayClock(at) : sayMoment(at));
