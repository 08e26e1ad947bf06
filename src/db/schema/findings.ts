import {
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';
import { bytes } from './bytes';
import { jobs } from './jobs';
import { setPhase } from './readings';

/** What was answered or found: one value of one finding, of the vehicle or at a corner. */
export const findings = pgTable(
  'findings',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    code: text().notNull(),
    /** A corner's name, or empty for the whole vehicle. */
    corner: text().notNull(),
    value: text().notNull(),
    foundAt: timestamp('found_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.code, table.corner] })],
);

/** Findings that were set aside: they stay on record and do not weigh. */
export const findingsAside = pgTable(
  'findings_aside',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    code: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.code] })],
);

/** A road test: what its recording says, and the recording itself where it was to be kept. */
export const roadTests = pgTable(
  'road_tests',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    phase: setPhase().notNull(),
    /** Rolling diameter in metres. */
    diameter: doublePrecision().notNull(),
    /** The solver's answer with its spectra. */
    summary: jsonb().notNull(),
    /** The recording as it came, gzip-compressed; null when it was not kept. */
    raw: bytes(),
    rawBytes: integer('raw_bytes'),
    takenAt: timestamp('taken_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('road_tests_job').on(table.jobId)],
);
