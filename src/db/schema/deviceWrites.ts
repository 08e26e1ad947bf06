import {
  bigint,
  index,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';

/**
 * The newest write of each device at each place: a write that arrives late or twice is known by
 * its number. Rows are of use for as long as a request can be on its way, and are swept then.
 */
export const deviceWrites = pgTable(
  'device_writes',
  {
    device: uuid().notNull(),
    /** What is written: a reading of a set, a check of a job, a form. */
    place: text().notNull(),
    /** Rises with every write of the device. */
    number: bigint({ mode: 'number' }).notNull(),
    /** What it was answered with, for the same write sent again. */
    answer: jsonb(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.device, table.place] }),
    index('device_writes_at').on(table.at),
  ],
);
