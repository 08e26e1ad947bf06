import {
  index,
  integer,
  pgEnum,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import { bytes } from './bytes';
import { corner, jobs } from './jobs';

export const fate = pgEnum('fate', ['reuse', 'renew', 'exchange']);

/** A part that was taken off, and how it sat. */
export const trayParts = pgTable(
  'tray_parts',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    corner: corner().notNull(),
    /** Its code in the procedure, or null for a part of another kind. */
    kind: text(),
    name: text().notNull(),
    place: text().notNull(),
    orientation: text().notNull(),
    /** Which bolt is longer, which pin has the sleeve. */
    mark: text().notNull(),
    fate: fate().notNull(),
    by: text(),
    takenAt: timestamp('taken_at', { withTimezone: true }).notNull().defaultNow(),
    /** When it, or what replaces it, went back on; it is out of the tray then. */
    backAt: timestamp('back_at', { withTimezone: true }),
    backBy: text('back_by'),
  },
  (table) => [index('tray_parts_job').on(table.jobId)],
);

/** The pictures themselves, each stored once by its hash. */
export const photoBlobs = pgTable('photo_blobs', {
  sha256: text().primaryKey(),
  mime: text().notNull(),
  width: integer().notNull(),
  height: integer().notNull(),
  picture: bytes().notNull(),
  thumb: bytes().notNull(),
});

/** A picture of a job: of a part in the tray, or of a corner. */
export const photos = pgTable(
  'photos',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    corner: corner().notNull(),
    partId: uuid('part_id').references(() => trayParts.id, { onDelete: 'set null' }),
    sha256: text()
      .notNull()
      .references(() => photoBlobs.sha256),
    caption: text().notNull(),
    by: text(),
    takenAt: timestamp('taken_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    unique().on(table.jobId, table.corner, table.partId, table.sha256),
    index('photos_blob').on(table.sha256),
  ],
);
