import 'server-only';
import { ICalCalendar, ICalCalendarMethod } from 'ical-generator';
import { openRechecks, type DueRow } from '../../db/repositories';
import { database } from '../database';
import { sayDue } from '../report/words';
import { DAY_MS } from '../../core/calendar';

/** Whether something is overdue by day, by distance, or not yet. */
export type Dueness = 'overdue' | 'soon' | 'later';

/** One line of what is due. */
export interface DueLine extends DueRow {
  readonly say: string;
  readonly state: Dueness;
}

const SOON_DAYS = 14;
const SOON_KM = 100;
const MOST_DUE = 500;

/** How due something is on a day, by what the vehicle's last job had on its clock. */
export function duenessOf(
  { dueOn, dueKm, lastKm }: Pick<DueRow, 'dueOn' | 'dueKm' | 'lastKm'>,
  today: Date,
): Dueness {
  const days =
    dueOn === null
      ? Infinity
      : (new Date(`${dueOn}T23:59:59`).getTime() - today.getTime()) / DAY_MS;
  const km = dueKm === null || lastKm === null ? Infinity : dueKm - lastKm;
  if (days < 0 || km <= 0) return 'overdue';
  return days <= SOON_DAYS || km <= SOON_KM ? 'soon' : 'later';
}

const RANK = { overdue: 0, soon: 1, later: 2 } as const;

/** Everything that is to be looked at again, overdue first. */
export async function dueList(today = new Date()): Promise<DueLine[]> {
  const rows = await openRechecks(await database(), MOST_DUE);
  return rows
    .map((row) => ({ ...row, say: sayDue(row), state: duenessOf(row, today) }))
    .sort((p, q) => RANK[p.state] - RANK[q.state]);
}

/** The rechecks that have a day as an iCalendar file: an all-day event each. */
export async function dueCalendar(): Promise<string> {
  const calendar = new ICalCalendar({
    name: 'Zesty Hound: to be looked at again',
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Zesty Hound', product: 'Rechecks', language: 'EN' },
  });
  for (const { id, plate, number, say, dueOn } of await dueList()) {
    if (dueOn === null) continue;
    calendar.createEvent({
      id: `${id}@zesty-hound`,
      start: new Date(`${dueOn}T00:00:00Z`),
      allDay: true,
      summary: `${plate}: ${say}`,
      description: `Job ${number}`,
    });
  }
  return calendar.toString();
}
