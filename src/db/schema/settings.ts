import { jsonb, pgTable, text } from 'drizzle-orm/pg-core';

/** The shop's choices, a row each. */
export const settings = pgTable('settings', {
  key: text().primaryKey(),
  value: jsonb().notNull(),
});
