import { sql } from 'drizzle-orm';
import {
  bigint,
  jsonb,
  pgEnum,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';
import { jobs } from './jobs';

export const checkKind = pgEnum('check_kind', [
  'lifting',
  'step',
  'parts',
  'look',
  'figure',
  'method',
  'rule',
  'waiting',
  'fixed',
  'decide',
  'correct',
  'rebuild',
  'torque',
  'hydraulics',
  'pedal',
  'bedding',
  'prove',
  'repair',
  'repaired',
  'estimate',
  'part',
  'promise',
  'drum',
]);

/** One item of the procedure as it was gone through in a job: what, where, who and when. */
export const checks = pgTable(
  'checks',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    kind: checkKind().notNull(),
    /** A corner, an axle, or empty for the whole job. */
    place: text().notNull(),
    item: text().notNull(),
    value: jsonb().notNull(),
    note: text(),
    /** The name of who wrote it, where it is known. */
    by: text(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    /** New with every write, so that a later writer is told of an earlier one. */
    stamp: uuid().notNull().defaultRandom(),
    /** Rises with every write: what came after what, whatever the clock said. */
    seq: bigint({ mode: 'number' })
      .notNull()
      .default(sql`nextval('checks_seq')`),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.kind, table.place, table.item] })],
);
