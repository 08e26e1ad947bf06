import { sql } from 'drizzle-orm';
import {
  boolean,
  doublePrecision,
  index,
  integer,
  pgEnum,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';

export const axlePosition = pgEnum('axle_position', ['front', 'rear']);
export const fastening = pgEnum('fastening', ['studs', 'bolts']);
export const limitKind = pgEnum('limit_kind', [
  'nominal',
  'machineTo',
  'discard',
  'runout',
  'dtv',
  'radius',
  'piston',
  'drumNominal',
  'drumMachineTo',
  'drumDiscard',
  'drumRound',
]);
/** What brakes a wheel: a caliper over a rotor, or shoes in a drum. */
export const caliper = pgEnum('caliper', ['floating', 'fixed', 'drum']);
export const wheelKind = pgEnum('wheel_kind', ['steel', 'alloy']);
export const limitSource = pgEnum('limit_source', ['maker', 'stamped', 'workshop', 'other']);

export const drive = pgEnum('drive', ['front', 'rear', 'all']);

export const vehicles = pgTable(
  'vehicles',
  {
    id: uuid().primaryKey().defaultRandom(),
    plate: text().notNull().unique(),
    make: text().notNull(),
    model: text().notNull(),
    /** Model year, driven wheels and brake variant: torque figures are kept by them. */
    year: integer(),
    drive: drive(),
    variant: text().notNull().default(''),
    /** Mass as driven in kg, for the bedding-in estimate. */
    massKg: doublePrecision('mass_kg'),
    /** Order of corners that the maker bleeds in, and where it is from. */
    bleedOrder: text('bleed_order').array(),
    bleedSource: limitSource('bleed_source'),
    /** Tyre code like 215/65R16, where it is known. */
    tyre: text(),
    /** Final drive ratio: turns of the propshaft in one turn of the wheels. */
    finalDrive: doublePrecision('final_drive'),
    /** What its wheels are made of, where it is known: their torque goes by it. */
    wheel: wheelKind(),
    /** Whether its brakes can apply by themselves, by wire. */
    brakeByWire: boolean('brake_by_wire').notNull().default(false),
    /** No vehicle yet: what stands behind a quick check until its plate is typed. */
    isCheck: boolean('is_check').notNull().default(false),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    index('vehicles_model').on(table.make, table.model),
    index('vehicles_check')
      .on(table.id)
      .where(sql`${table.isCheck}`),
  ],
);

export const axles = pgTable(
  'axles',
  {
    id: uuid().primaryKey().defaultRandom(),
    vehicleId: uuid('vehicle_id')
      .notNull()
      .references(() => vehicles.id, { onDelete: 'cascade' }),
    position: axlePosition().notNull(),
    fastening: fastening().notNull(),
    studs: integer().notNull(),
    /** Index shifts that the rotor's screw or pin allows; all when null. */
    allowedShifts: integer('allowed_shifts').array(),
    caliper: caliper().notNull().default('floating'),
    /** Pistons of one caliper, where it is known. */
    pistons: integer(),
    /** Thread of its wheel nuts or bolts like M12x1.5, where it is known. */
    thread: text(),
    /** Mass of one rotor in kg, for the bedding-in estimate. */
    rotorKg: doublePrecision('rotor_kg'),
    /** What else its strip-down depends on, by the codes of the procedure. */
    traits: text().array().notNull().default([]),
    /** Whether somebody said how the wheel is held on; else the bench asks before its first set. */
    isFasteningSaid: boolean('is_fastening_said').notNull().default(true),
  },
  (table) => [unique().on(table.vehicleId, table.position)],
);

/** A figure of an axle as typed, beside its value in micrometres. */
export const axleLimits = pgTable(
  'axle_limits',
  {
    id: uuid().primaryKey().defaultRandom(),
    axleId: uuid('axle_id')
      .notNull()
      .references(() => axles.id, { onDelete: 'cascade' }),
    kind: limitKind().notNull(),
    valueUm: doublePrecision('value_um').notNull(),
    text: text().notNull(),
    unit: text().notNull(),
    source: limitSource().notNull(),
    /** Who entered it and when; null for one that was entered before this was kept. */
    by: text(),
    at: timestamp({ withTimezone: true }),
  },
  (table) => [unique().on(table.axleId, table.kind)],
);

/**
 * Who brings a vehicle, and how they are reached: never needed, and erased on demand. It stands
 * here alone: the ledger says only that it changed, and no archive holds it.
 */
export const owners = pgTable('owners', {
  vehicleId: uuid('vehicle_id')
    .primaryKey()
    .references(() => vehicles.id, { onDelete: 'cascade' }),
  name: text().notNull(),
  reach: text().notNull(),
});
