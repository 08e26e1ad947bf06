import {
  boolean,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgEnum,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';
import type { SweepRecord } from '../../core/assessment';
import type { LineFormat } from '../../core/gauges';
import { corner, jobCorners } from './jobs';

export const setKind = pgEnum('set_kind', ['runout', 'thickness', 'hub']);
export const setPhase = pgEnum('set_phase', ['before', 'after', 'as-found']);
export const face = pgEnum('face', ['outboard', 'inboard']);

export const setCircle = pgEnum('set_circle', ['outer', 'inner']);
export const gaugeKind = pgEnum('gauge_kind', ['dial', 'micrometer']);

/** The workshop's gauges; one that is retired stays, as sets were read with it. */
export const gauges = pgTable('gauges', {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull(),
  kind: gaugeKind().notNull(),
  resolutionUm: doublePrecision('resolution_um').notNull(),
  repeatabilityUm: doublePrecision('repeatability_um').notNull(),
  mpeUm: doublePrecision('mpe_um'),
  /** Day on which its calibration runs out. */
  due: date(),
  /** Unit of a bare figure that it sends or shows; null: the field's. */
  unit: text(),
  /** Counts the other way round: its sign is turned. */
  turned: boolean().notNull().default(false),
  /** How lines on its data cable are read. */
  lineFormat: jsonb('line_format').$type<LineFormat>(),
  /** The one taken for a new set of its kind. */
  isUsual: boolean('is_usual').notNull().default(false),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  retiredAt: timestamp('retired_at', { withTimezone: true }),
});

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
    /** Angles of the positions in degrees; evenly spaced when null. */
    angles: jsonb().$type<readonly number[]>(),
    circle: setCircle().notNull().default('outer'),
    /** What of the preparation was left out, in words; null when it was never asked. */
    leftOut: jsonb('left_out').$type<readonly string[]>(),
    /** Torque of the fastenings in the mounting, in newton metres. */
    torqueNm: doublePrecision('torque_nm'),
    gaugeId: uuid('gauge_id').references(() => gauges.id),
    /** Name and calibration of the gauge as they were when the set was begun. */
    gaugeName: text('gauge_name'),
    gaugeDue: date('gauge_due'),
    /** The dial counted the other way round: its readings stand as typed and are turned when measured. */
    turned: boolean().notNull().default(false),
    /** Somebody has confirmed the seat, which its readings had called in question. */
    seatSaid: boolean('seat_said').notNull().default(false),
    /** The wheel was pressed inboard at each reading, as play asks for. */
    pressed: boolean().notNull().default(false),
    /** Thickness read until it is settled: more places are named while it is too close. */
    settle: boolean().notNull().default(false),
    /** What a gauge sent in each lap’s slow turn, as it came; null where places are read one by one. */
    sweeps: jsonb().$type<readonly SweepRecord[]>(),
    isVirtual: boolean('is_virtual').notNull().default(false),
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

/**
 * One reading as typed, beside its value in micrometres; the closing reading is at `positions`,
 * slow turns and single places of thickness beyond it.
 */
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

/** What stood at a place before it was read again or taken back. */
export const readingChanges = pgTable(
  'reading_changes',
  {
    id: uuid().primaryKey().defaultRandom(),
    setId: uuid('set_id')
      .notNull()
      .references(() => readingSets.id, { onDelete: 'cascade' }),
    lap: integer().notNull(),
    position: integer().notNull(),
    valueUm: doublePrecision('value_um').notNull(),
    text: text().notNull(),
    unit: text().notNull(),
    takenAt: timestamp('taken_at', { withTimezone: true }).notNull(),
    replacedAt: timestamp('replaced_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('reading_changes_set').on(table.setId)],
);
