import {
  boolean,
  doublePrecision,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import { axlePosition, limitSource } from './vehicles';

/** Torque figures, kept by model, year, drive and brake variant, so that one serves its like. */
export const torqueFigures = pgTable(
  'torque_figures',
  {
    id: uuid().primaryKey().defaultRandom(),
    make: text().notNull(),
    model: text().notNull(),
    /** Model year; 0 where it is not known. */
    year: integer().notNull(),
    /** Driven wheels; empty where they are not known. */
    drive: text().notNull(),
    variant: text().notNull(),
    /** The wheels whose nuts it is for; empty for any, and for every other fastener. */
    wheel: text().notNull().default(''),
    axle: axlePosition().notNull(),
    fastener: text().notNull(),
    valueNm: doublePrecision('value_nm').notNull(),
    text: text().notNull(),
    unit: text().notNull(),
    /** Shares of the figure at which it is drawn up. */
    stages: jsonb().$type<readonly number[]>().notNull(),
    /** Degrees that it is turned on after the last stage; 0 for none. */
    angle: integer().notNull().default(0),
    /** What goes on the thread, where the maker says otherwise than the house. */
    treatment: text().notNull().default(''),
    /** Renewed each time. */
    oneUse: boolean('one_use').notNull().default(false),
    source: limitSource().notNull(),
    by: text(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    unique('torque_figures_key').on(
      table.make,
      table.model,
      table.year,
      table.drive,
      table.variant,
      table.axle,
      table.fastener,
      table.wheel,
    ),
  ],
);
