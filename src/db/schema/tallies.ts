import {
  doublePrecision,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core';
import { jobs } from './jobs';

/** What one closed job adds to what the shop has learnt: a figure of a measure under a key. */
export const jobTallies = pgTable(
  'job_tallies',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    measure: text().notNull(),
    key: text().notNull(),
    /** Tells tallies of one key in one job apart: a corner, or empty. */
    item: text().notNull(),
    value: doublePrecision().notNull(),
    /** Year in which the job was closed. */
    year: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.measure, table.key, table.item] })],
);

/** The tallies of a year summed up; kept by triggers, so that nothing is counted by reading all jobs. */
export const tallyCells = pgTable(
  'tally_cells',
  {
    measure: text().notNull(),
    key: text().notNull(),
    year: integer().notNull(),
    count: integer().notNull(),
    sum: doublePrecision().notNull(),
    squares: doublePrecision().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.measure, table.key, table.year] }),
    index('tally_cells_year').on(table.year),
  ],
);
