import { index, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { people } from './people';

/**
 * Cases of practice that somebody ended, apart from everything that is on record: no archive, table, figure or history
 * holds them.
 */
export const practiceCases = pgTable(
  'practice_cases',
  {
    id: uuid().primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    code: text().notNull(),
    /** When it was ended, by the clock of the screen. */
    endedAt: timestamp('ended_at', { withTimezone: true }).notNull(),
    keptAt: timestamp('kept_at', { withTimezone: true }).notNull().defaultNow(),
    outcome: jsonb().notNull(),
    steps: jsonb().notNull(),
  },
  (table) => [index('practice_cases_person').on(table.personId, table.endedAt)],
);

/** Cases that a lead set for somebody; done once one of that code was ended after it. */
export const practiceTasks = pgTable(
  'practice_tasks',
  {
    id: uuid().primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    code: text().notNull(),
    /** The name of who set it. */
    by: text().notNull(),
    note: text().notNull().default(''),
    setAt: timestamp('set_at', { withTimezone: true }).notNull().defaultNow(),
    /** Who took it back, and when; null while it stands. */
    takenBackBy: text('taken_back_by'),
    takenBackAt: timestamp('taken_back_at', { withTimezone: true }),
  },
  (table) => [index('practice_tasks_person').on(table.personId)],
);
