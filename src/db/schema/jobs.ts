import {
  index,
  integer,
  jsonb,
  pgEnum,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core';
import type { JobOrigin } from '../../core/job';
import type { DecisionDetail } from '../../core/options';
import type { torqueFigures } from './torque';
import { vehicles, type axleLimits, type axles } from './vehicles';

export const corner = pgEnum('corner', ['FL', 'FR', 'RL', 'RR']);
export const correction = pgEnum('correction', [
  'leave',
  'index',
  'hub',
  'machine-on-vehicle',
  'machine-bench',
  'replace',
  'clean',
  'plate',
  'hub-replace',
]);

/** What was open when a job was signed off, and why it was signed all the same. */
export interface SignedWith {
  readonly open: readonly string[];
  readonly reason: string | null;
}

/** A row as a document holds it: times as text. */
type Kept<Row> = {
  readonly [Key in keyof Row]: Row[Key] extends Date | null
    ? string | Extract<Row[Key], null>
    : Row[Key];
};

/** The figures that a job was signed off with: what is changed on file later bears on it no more. */
export interface SignedAs {
  /** The vehicle as its papers named it; missing in what was signed before this was kept. */
  readonly vehicle?: Pick<
    typeof vehicles.$inferSelect,
    'plate' | 'make' | 'model' | 'year' | 'drive' | 'variant'
  >;
  readonly axles: readonly (typeof axles.$inferSelect & {
    readonly limits: readonly Kept<typeof axleLimits.$inferSelect>[];
  })[];
  readonly torque: readonly Kept<typeof torqueFigures.$inferSelect>[];
  /** House rules and prices, as stored. */
  readonly rules: unknown;
  readonly shop: unknown;
}

export const jobs = pgTable(
  'jobs',
  {
    id: uuid().primaryKey().defaultRandom(),
    number: integer().generatedAlwaysAsIdentity({ startWith: 101 }).notNull().unique(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicles.id),
    complaint: text().notNull(),
    /** Distance on the clock in km, when it was written down. */
    odometerKm: integer('odometer_km'),
    /** The cause that the work confirmed, by its code in the knowledge. */
    confirmedCause: text('confirmed_cause'),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
    closedAt: timestamp('closed_at', { withTimezone: true }),
    /** Who signed it off; null for a job closed before there was a sign-off. */
    signedBy: text('signed_by'),
    /** Open items that the lead signed with, and why. */
    signedWith: jsonb('signed_with').$type<SignedWith>(),
    /** What its verdicts rest on, as it stood when it was signed off. */
    signedAs: jsonb('signed_as').$type<SignedAs>(),
    /** Where it came from; null for a job of this shop. */
    origin: jsonb().$type<JobOrigin>(),
    /** The earlier job of the same axle that this one came back from. */
    comebackOf: uuid('comeback_of').references((): AnyPgColumn => jobs.id),
  },
  (table) => [
    index('jobs_open').on(table.closedAt, table.createdAt),
    index('jobs_closed').on(table.closedAt.desc().nullsLast(), table.number.desc()),
    index('jobs_vehicle').on(table.vehicleId),
    index('jobs_comeback').on(table.comebackOf),
    index('jobs_created').on(table.createdAt, table.number),
    index('jobs_cause').on(table.confirmedCause, table.createdAt),
  ],
);

export const jobCorners = pgTable(
  'job_corners',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    corner: corner().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.corner] })],
);

/** What was decided for a corner, in the words that were on the screen. */
export const decisions = pgTable(
  'decisions',
  {
    jobId: uuid('job_id').notNull(),
    corner: corner().notNull(),
    correction: correction().notNull(),
    /** Index shift moved to, for an index correction. */
    shift: integer(),
    words: text().notNull(),
    /** The option that was taken, by its code. */
    action: text(),
    /** What was predicted and what it was to cost, as it stood when it was decided. */
    detail: jsonb().$type<DecisionDetail>(),
    decidedAt: timestamp('decided_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.corner] })],
);
