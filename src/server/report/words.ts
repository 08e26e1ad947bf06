import { formatDate } from '../../core/calendar';
import type { RecheckRow } from '../../db/repositories';

const WHAT = {
  'wheel-nuts': 'Wheel nuts checked with the torque wrench',
  thickness: 'Brake disc thickness measured',
  runout: 'Sideways movement measured',
} as const;

/** A day as stored, in words. */
export const sayDay = (day: string): string =>
  formatDate(new Date(`${day}T12:00:00`), 'D MMM YYYY');

/** When something is due: by distance, by a day, or both. */
export const sayWhen = ({ dueKm, dueOn }: Pick<RecheckRow, 'dueKm' | 'dueOn'>): string =>
  [
    ...(dueKm === null ? [] : [`at ${dueKm} km`]),
    ...(dueOn === null ? [] : [`by ${sayDay(dueOn)}`]),
  ].join(' or ');

/** What is due, and when. */
export const sayDue = ({ what, ...when }: Pick<RecheckRow, 'what' | 'dueKm' | 'dueOn'>): string =>
  `${WHAT[what]} ${sayWhen(when)}`;
