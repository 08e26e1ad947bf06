import { index, integer, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { people } from './people';

/** What another program may do. */
export type ProgramRole = 'monitor' | 'apprentice' | 'technician';

const moment = (name: string) => timestamp(name, { withTimezone: true });

/**
 * What people sign in with, hashed. Apart from the people themselves: no archive, no export and no
 * page reads this table.
 */
export const personSecrets = pgTable('person_secrets', {
  personId: uuid('person_id')
    .primaryKey()
    .references(() => people.id),
  pinHash: text('pin_hash'),
  /** A lead’s alone. */
  passwordHash: text('password_hash'),
  changedAt: moment('changed_at').notNull().defaultNow(),
});

/** Screens that may ask this server for anything: each with a key of its own, hashed. */
export const devices = pgTable('devices', {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull(),
  keyHash: text('key_hash').notNull(),
  pairedAt: moment('paired_at').notNull().defaultNow(),
  pairedBy: text('paired_by').notNull(),
  seenAt: moment('seen_at').notNull().defaultNow(),
  revokedAt: moment('revoked_at'),
  revokedBy: text('revoked_by'),
});

/** Codes by which a screen is paired, hashed; each once, and for two minutes. */
export const pairingCodes = pgTable('pairing_codes', {
  hash: text().primaryKey(),
  madeAt: moment('made_at').notNull().defaultNow(),
  madeBy: text('made_by').notNull(),
  usedAt: moment('used_at'),
});

/** Who is signed in where: the id is random, and stands here hashed. */
export const sessions = pgTable(
  'sessions',
  {
    hash: text().primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id),
    deviceId: uuid('device_id')
      .notNull()
      .references(() => devices.id),
    beganAt: moment('began_at').notNull().defaultNow(),
    usedAt: moment('used_at').notNull().defaultNow(),
    /** What is grave is done until then without another password. */
    sureUntil: moment('sure_until'),
    endedAt: moment('ended_at'),
  },
  (table) => [
    index('sessions_device').on(table.deviceId, table.personId),
    index('sessions_person').on(table.personId),
  ],
);

/** Wrong tries in a row, by person, device and address. */
export const signInTries = pgTable('sign_in_tries', {
  key: text().primaryKey(),
  failed: integer().notNull().default(0),
  lastAt: moment('last_at').notNull().defaultNow(),
});

/** Other programs of the shop that may ask for something, each with a key of its own, hashed. */
export const programs = pgTable('programs', {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull(),
  keyHash: text('key_hash').notNull().unique(),
  /** What it may do: a person’s role up to a technician’s, or to look whether all is well. */
  role: text().notNull().$type<ProgramRole>(),
  madeAt: moment('made_at').notNull().defaultNow(),
  madeBy: text('made_by').notNull(),
  expiresAt: moment('expires_at').notNull(),
  usedAt: moment('used_at'),
  revokedAt: moment('revoked_at'),
  revokedBy: text('revoked_by'),
});
