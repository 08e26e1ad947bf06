import {
  doublePrecision,
  integer,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import { axlePosition, limitSource } from './vehicles';

/** What figures of a model are kept by: an axle of it, its years, its brakes and its wheels. */
export const modelSheets = pgTable(
  'model_sheets',
  {
    id: uuid().primaryKey().defaultRandom(),
    make: text().notNull(),
    model: text().notNull(),
    /** First and last model year; 0 where it is open. */
    yearFrom: integer('year_from').notNull().default(0),
    yearTo: integer('year_to').notNull().default(0),
    axle: axlePosition().notNull(),
    variant: text().notNull().default(''),
    wheel: text().notNull().default(''),
    /** The key in small letters and single spaces: a model stands once, however it is spelled. */
    key: text().notNull(),
  },
  (table) => [unique('model_sheets_key').on(table.key)],
);

/** A figure of a sheet as typed, with where it is from, who entered it and when. */
export const sheetFigures = pgTable(
  'sheet_figures',
  {
    id: uuid().primaryKey().defaultRandom(),
    sheetId: uuid('sheet_id')
      .notNull()
      .references(() => modelSheets.id, { onDelete: 'cascade' }),
    code: text().notNull(),
    text: text().notNull(),
    unit: text().notNull(),
    /** In micrometres, newton metres or kilograms; null for words. */
    value: doublePrecision(),
    source: limitSource().notNull(),
    by: text(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [unique('sheet_figures_code').on(table.sheetId, table.code)],
);
