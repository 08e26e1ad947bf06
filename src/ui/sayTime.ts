// The platform's own words: this is part of every page's first script.
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const month = new Intl.DateTimeFormat('en-US', { month: 'short' });

/** The time of a moment, as a clock on the wall shows it. */
export const sayClock = (at: Date | number): string => clock.format(at);

/** A moment with its day. */
export const sayMoment = (at: Date | number): string =>
  `${new Date(at).getDate()} ${month.format(at)}, ${sayClock(at)}`;

const isToday = (at: Date | number): boolean =>
  new Date(at).toDateString() === new Date().toDateString();

/** A moment as people say it: the time today, with its day before that. */
export const sayTime = (at: Date | number): string => (isToday(at) ? sayClock(at) : sayMoment(at));
