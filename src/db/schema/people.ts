import { boolean, pgEnum, pgTable, text, uuid } from 'drizzle-orm/pg-core';

export const role = pgEnum('role', ['lead', 'technician', 'apprentice']);

/** Who works here; a name stays on what was written under it. */
export const people = pgTable('people', {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull().unique(),
  role: role().notNull(),
  /** Short for the name where there is little room; empty until given. */
  initials: text().notNull().default(''),
  /** False once someone has left: not offered any more. */
  isHere: boolean('is_here').notNull().default(true),
});
