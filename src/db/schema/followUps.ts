import { date, index, integer, pgEnum, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { jobs } from './jobs';

/** What was added to the record of a job after it was signed off. */
export const additions = pgTable(
  'additions',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    text: text().notNull(),
    by: text().notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('additions_job').on(table.jobId)],
);

export const recheckWhat = pgEnum('recheck_what', ['wheel-nuts', 'thickness', 'runout']);

/** Something to be looked at again after a distance or by a day, whichever is first. */
export const rechecks = pgTable(
  'rechecks',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    what: recheckWhat().notNull(),
    /** Distance on the clock at which it is due, in km. */
    dueKm: integer('due_km'),
    dueOn: date('due_on'),
    by: text(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    doneAt: timestamp('done_at', { withTimezone: true }),
    doneBy: text('done_by'),
  },
  (table) => [
    index('rechecks_job').on(table.jobId),
    index('rechecks_due').on(table.doneAt, table.dueOn, table.jobId),
  ],
);
