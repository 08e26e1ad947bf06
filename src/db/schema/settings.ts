import { jsonb, pgTable, text } from 'drizzle-orm/pg-core';

/** The shop's choices, a row each. */
export const settings = pgTable('settings', {
  key: text().primaryKey(),
  value: jsonb().notNull(),
});

/** Where the shop's house rules are kept. */
export const RULES_SETTING = 'house-rules';

/** Where the shop's prices and equipment are kept. */
export const SHOP_SETTING = 'shop';
