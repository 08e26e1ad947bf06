import { and, asc, desc, eq, gt, isNull, lt, ne, sql, type SQL } from 'drizzle-orm';
import type { Database } from '../client';
import { devices, pairingCodes, people, personSecrets, sessions, signInTries } from '../schema';
import type { PersonRow } from './people';

export type DeviceRow = Omit<typeof devices.$inferSelect, 'keyHash'>;
export type SessionRow = typeof sessions.$inferSelect;

/** What is told of a screen: everything but its key. */
const deviceColumns = {
  id: devices.id,
  name: devices.name,
  pairedAt: devices.pairedAt,
  pairedBy: devices.pairedBy,
  seenAt: devices.seenAt,
  revokedAt: devices.revokedAt,
  revokedBy: devices.revokedBy,
};

/** Screens that are paired, and those that were: the latest first. */
export const listDevices = (db: Database): Promise<DeviceRow[]> =>
  db.select(deviceColumns).from(devices).orderBy(desc(devices.pairedAt));

/** How many screens are paired now. */
export async function countPaired(db: Database): Promise<number> {
  return db.$count(devices, isNull(devices.revokedAt));
}

/** Puts a screen on file under the hash of its key; returns its id. */
export async function saveDevice(
  db: Database,
  device: { readonly name: string; readonly keyHash: string; readonly pairedBy: string },
): Promise<string> {
  const [row] = await db.insert(devices).values(device).returning({ id: devices.id });
  if (!row) throw new Error('The device was not written');
  return row.id;
}

/** Takes a screen’s key away for good and ends who is signed in there; false where there is none. */
export async function revokeDevice(db: Database, id: string, by: string): Promise<boolean> {
  const rows = await db
    .update(devices)
    .set({ revokedAt: sql`now()`, revokedBy: by })
    .where(and(eq(devices.id, id), isNull(devices.revokedAt)))
    .returning({ id: devices.id });
  await db
    .update(sessions)
    .set({ endedAt: sql`now()` })
    .where(and(eq(sessions.deviceId, id), isNull(sessions.endedAt)));
  return rows.length > 0;
}

/** What a screen with a key is, and who is signed in there by a session: asked with every request. */
export interface Found {
  readonly device: { readonly id: string; readonly name: string; readonly seenAt: Date };
  readonly session: SessionRow | null;
  readonly person: PersonRow | null;
}

/** Who stands at the door, by the hashes of what was shown; null where the screen is not paired. */
export async function findAtDoor(
  db: Database,
  shown: { readonly device: string; readonly key: string; readonly session: string | null },
): Promise<Found | null> {
  const [row] = await db
    .select({
      device: { id: devices.id, name: devices.name, seenAt: devices.seenAt },
      session: sessions,
      person: people,
    })
    .from(devices)
    .leftJoin(
      sessions,
      and(eq(sessions.deviceId, devices.id), eq(sessions.hash, shown.session ?? '')),
    )
    .leftJoin(people, and(eq(people.id, sessions.personId), eq(people.isHere, true)))
    .where(
      and(eq(devices.id, shown.device), eq(devices.keyHash, shown.key), isNull(devices.revokedAt)),
    );
  return row ?? null;
}

/** Takes down that a screen was seen, and that somebody does something there. */
export async function touch(
  db: Database,
  { device, session }: { readonly device: string; readonly session: string | null },
): Promise<void> {
  await db
    .update(devices)
    .set({ seenAt: sql`now()` })
    .where(eq(devices.id, device));
  if (session === null) return;
  await db
    .update(sessions)
    .set({ usedAt: sql`now()` })
    .where(eq(sessions.hash, session));
}

/** Keeps a pairing code by its hash, and forgets those of days before. */
export async function saveCode(
  db: Database,
  code: { readonly hash: string; readonly madeBy: string },
  forgetBefore: Date,
): Promise<void> {
  await db.delete(pairingCodes).where(lt(pairingCodes.madeAt, forgetBefore));
  await db.insert(pairingCodes).values(code);
}

/** Uses a code up: who made it, or null where it is none, was used, or is older than `since`. */
export async function takeCode(db: Database, hash: string, since: Date): Promise<string | null> {
  const [row] = await db
    .update(pairingCodes)
    .set({ usedAt: sql`now()` })
    .where(
      and(eq(pairingCodes.hash, hash), isNull(pairingCodes.usedAt), gt(pairingCodes.madeAt, since)),
    )
    .returning({ madeBy: pairingCodes.madeBy });
  return row?.madeBy ?? null;
}

export interface Secrets {
  readonly pinHash: string | null;
  readonly passwordHash: string | null;
}

/** What somebody signs in with, hashed; null where nothing was given yet. */
export async function findSecrets(db: Database, personId: string): Promise<Secrets | null> {
  const [row] = await db
    .select({ pinHash: personSecrets.pinHash, passwordHash: personSecrets.passwordHash })
    .from(personSecrets)
    .where(eq(personSecrets.personId, personId));
  return row ?? null;
}

/** Writes what somebody signs in with; what is left out stays. */
export async function saveSecrets(
  db: Database,
  personId: string,
  change: Partial<Secrets>,
): Promise<void> {
  await db
    .insert(personSecrets)
    .values({ personId, ...change })
    .onConflictDoUpdate({
      target: personSecrets.personId,
      set: { ...change, changedAt: sql`now()` },
    });
}

/** Takes away what somebody signed in with, where there is anything. */
export async function dropSecrets(db: Database, personId: string): Promise<void> {
  await db
    .update(personSecrets)
    .set({ pinHash: null, passwordHash: null, changedAt: sql`now()` })
    .where(eq(personSecrets.personId, personId));
}

/** Who can sign in, and by what: by name. */
export const listSecrets = (
  db: Database,
): Promise<
  { readonly personId: string; readonly hasPin: boolean; readonly hasPassword: boolean }[]
> =>
  db
    .select({
      personId: personSecrets.personId,
      hasPin: sql<boolean>`${personSecrets.pinHash} is not null`,
      hasPassword: sql<boolean>`${personSecrets.passwordHash} is not null`,
    })
    .from(personSecrets);

/** How many leads who are here have a password. */
export async function countLeadsWithPassword(db: Database): Promise<number> {
  const rows = await db
    .select({ id: people.id })
    .from(people)
    .innerJoin(personSecrets, eq(personSecrets.personId, people.id))
    .where(
      and(
        eq(people.isHere, true),
        eq(people.role, 'lead'),
        sql`${personSecrets.passwordHash} is not null`,
      ),
    );
  return rows.length;
}

/** Begins a session at a screen, and ends the one that was there. */
export async function beginSession(
  db: Database,
  session: Pick<SessionRow, 'hash' | 'personId' | 'deviceId' | 'sureUntil'>,
): Promise<void> {
  await endSessions(db, eq(sessions.deviceId, session.deviceId));
  await db.insert(sessions).values(session);
}

const endSessions = async (db: Database, which: SQL | undefined): Promise<void> => {
  await db
    .update(sessions)
    .set({ endedAt: sql`now()` })
    .where(and(which, isNull(sessions.endedAt)));
};

/** Ends what is open at a screen. */
export const endSessionsAt = (db: Database, deviceId: string): Promise<void> =>
  endSessions(db, eq(sessions.deviceId, deviceId));

/** Ends what somebody has open anywhere, but for one session where that is said. */
export async function endSessionsOf(
  db: Database,
  personId: string,
  but: string | null,
): Promise<void> {
  const own = eq(sessions.personId, personId);
  await endSessions(db, but === null ? own : and(own, ne(sessions.hash, but)));
}

/** Takes down until when a session may do what is grave. */
export async function saySure(db: Database, hash: string, until: Date): Promise<void> {
  await db.update(sessions).set({ sureUntil: until }).where(eq(sessions.hash, hash));
}

/** Who is signed in by a session that was not ended; null where nobody is any more. */
export async function findSignedIn(db: Database, hash: string): Promise<PersonRow | null> {
  const [row] = await db
    .select({ person: people })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(and(eq(sessions.hash, hash), isNull(sessions.endedAt), eq(people.isHere, true)));
  return row?.person ?? null;
}

/** Whether somebody was ever signed in at a screen. */
export async function wasAt(db: Database, personId: string, deviceId: string): Promise<boolean> {
  const [row] = await db
    .select({ hash: sessions.hash })
    .from(sessions)
    .where(and(eq(sessions.personId, personId), eq(sessions.deviceId, deviceId)))
    .limit(1);
  return row !== undefined;
}

/** Wrong tries under a key, locked for the transaction. */
export async function lockTries(
  db: Database,
  key: string,
): Promise<{ readonly failed: number; readonly sinceS: number }> {
  await db.insert(signInTries).values({ key }).onConflictDoNothing();
  const [row] = await db
    .select({
      failed: signInTries.failed,
      sinceS: sql<number>`extract(epoch from clock_timestamp() - ${signInTries.lastAt})::float8`,
    })
    .from(signInTries)
    .where(eq(signInTries.key, key))
    .for('update');
  return row ?? { failed: 0, sinceS: 0 };
}

/** Counts a try under a key as a wrong one, until it is known to be right. */
export async function countTry(db: Database, key: string): Promise<void> {
  await db
    .update(signInTries)
    .set({ failed: sql`${signInTries.failed} + 1`, lastAt: sql`clock_timestamp()` })
    .where(eq(signInTries.key, key));
}

/** Forgets the wrong tries under a key. */
export async function forgetTries(db: Database, key: string): Promise<void> {
  await db.delete(signInTries).where(eq(signInTries.key, key));
}

/** Forgets wrong tries from before a moment: whoever made them waits no more. */
export async function sweepTries(db: Database, before: Date): Promise<void> {
  await db.delete(signInTries).where(lt(signInTries.lastAt, before));
}

/** Keys with at least so many wrong tries in a row. */
export const listTries = (
  db: Database,
  most: number,
): Promise<{ readonly key: string; readonly failed: number; readonly lastAt: Date }[]> =>
  db.select().from(signInTries).where(gt(signInTries.failed, most)).orderBy(asc(signInTries.key));
