import { sql } from 'drizzle-orm';
import {
  bigint,
  boolean,
  index,
  jsonb,
  pgEnum,
  pgTable,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';

export const ledgerOp = pgEnum('ledger_op', [
  'write',
  'change',
  'take-back',
  'sign',
  'answer',
  'import',
]);

/**
 * What became of every record, line by line, written by the database itself. Nothing of it is
 * changed or deleted; order is the sequence's, never the clock's.
 */
export const ledger = pgTable(
  'ledger',
  {
    seq: bigint({ mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
    jobId: uuid('job_id'),
    /** The vehicle, for what belongs to it and not to one job. */
    vehicleId: uuid('vehicle_id'),
    at: timestamp({ withTimezone: true })
      .notNull()
      .default(sql`clock_timestamp()`),
    /** Who wrote it and what they are here, as was said at the screen; null where nobody was. */
    who: text(),
    role: text(),
    /** The device that it was written on, by the name that it gave itself. */
    device: text().default(sql`nullif(current_setting('zh.device', true), '')`),
    /** What it is about: a check, a reading, a set, a limit … */
    what: text().notNull(),
    op: ledgerOp().notNull(),
    /** Where it stands, in words of the record: corner, kind and item. */
    place: text().notNull(),
    before: jsonb(),
    after: jsonb(),
    reason: text(),
    /** Something that may have kept a vehicle off the road stands differently since. */
    isGrave: boolean('is_grave').notNull().default(false),
  },
  (table) => [
    index('ledger_job').on(table.jobId, table.seq),
    index('ledger_vehicle').on(table.vehicleId, table.seq),
    index('ledger_grave')
      .on(table.jobId, table.seq)
      .where(sql`is_grave`),
    index('ledger_grave_vehicle')
      .on(table.vehicleId, table.seq)
      .where(sql`is_grave`),
    index('ledger_shop')
      .on(table.seq)
      .where(sql`job_id is null and vehicle_id is null`),
  ],
);
