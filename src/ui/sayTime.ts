import { format, isToday } from 'date-fns';

/** A moment as people say it: the time today, with its day before that. */
export const sayTime = (at: Date | number): string =>
  format(at, isToday(at) ? 'HH:mm' : 'd MMM, HH:mm');
