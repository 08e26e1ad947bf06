import {
  doublePrecision,
  foreignKey,
  index,
  integer,
  pgEnum,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';
import { corner, jobCorners } from './jobs';

export const setKind = pgEnum('set_kind', ['runout', 'thickness', 'hub']);
export const setPhase = pgEnum('set_phase', ['before', 'after', 'as-found']);
export const face = pgEnum('face', ['outboard', 'inboard']);

export const readingSets = pgTable(
  'reading_sets',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id').notNull(),
    corner: corner().notNull(),
    kind: setKind().notNull(),
    /** As found, before (cleaned) or after the correction. */
    phase: setPhase().notNull(),
    face: face().notNull(),
    positions: integer().notNull(),
    laps: integer().notNull().default(1),
    /** Radius of the circle that a hub face was read on. */
    radiusUm: doublePrecision('radius_um'),
    /** Index shift of the mounting, stud spacings in the theta sense. */
    shift: integer().notNull(),
    resolutionUm: doublePrecision('resolution_um').notNull(),
    repeatabilityUm: doublePrecision('repeatability_um').notNull(),
    mpeUm: doublePrecision('mpe_um'),
    zeroErrorUm: doublePrecision('zero_error_um'),
    rotorCelsius: doublePrecision('rotor_celsius'),
    endPlayUm: doublePrecision('end_play_um'),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
    setAsideAt: timestamp('set_aside_at', { withTimezone: true }),
    setAsideReason: text('set_aside_reason'),
  },
  (table) => [
    foreignKey({
      columns: [table.jobId, table.corner],
      foreignColumns: [jobCorners.jobId, jobCorners.corner],
    }).onDelete('cascade'),
    index('reading_sets_job').on(table.jobId),
  ],
);

/** One reading as typed, beside its value in micrometres; the closing reading is at `positions`. */
export const readings = pgTable(
  'readings',
  {
    setId: uuid('set_id')
      .notNull()
      .references(() => readingSets.id, { onDelete: 'cascade' }),
    lap: integer().notNull(),
    position: integer().notNull(),
    valueUm: doublePrecision('value_um').notNull(),
    text: text().notNull(),
    unit: text().notNull(),
    takenAt: timestamp('taken_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.setId, table.lap, table.position] })],
);
