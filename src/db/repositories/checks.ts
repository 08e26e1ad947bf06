import { isDeepStrictEqual } from 'node:util';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { checks } from '../schema';

export type CheckRow = typeof checks.$inferSelect;
export type CheckKey = Pick<CheckRow, 'jobId' | 'kind' | 'place' | 'item'>;
export type CheckChange = Pick<CheckRow, 'note' | 'by'> & { readonly value: unknown };

/** What became of a write: done, or in the way of what another wrote meanwhile. */
export type Written =
  | { readonly done: true; readonly stamp: string | null }
  | { readonly done: false; readonly theirs: CheckRow | null };

/** The checks of a job, in the order they were written. */
export const checksOf = (db: Database, jobId: string): Promise<CheckRow[]> =>
  db.select().from(checks).where(eq(checks.jobId, jobId)).orderBy(asc(checks.at));

const at = (key: CheckKey) =>
  and(
    eq(checks.jobId, key.jobId),
    eq(checks.kind, key.kind),
    eq(checks.place, key.place),
    eq(checks.item, key.item),
  );

const findCheck = async (db: Database, key: CheckKey): Promise<CheckRow | null> => {
  const [row] = await db.select().from(checks).where(at(key));
  return row ?? null;
};

const isSame = (row: CheckRow | null, change: CheckChange | null): boolean =>
  row === null || change === null
    ? row === null && change === null
    : // The database keeps a document's keys in an order of its own.
      isDeepStrictEqual(row.value, change.value) && row.note === change.note;

interface Stamped extends CheckChange {
  readonly at: Date;
  readonly stamp: string;
}

/** Writes over a row only as it was seen; a writer that saw none only where there is none. */
const put = (db: Database, key: CheckKey, own: Stamped, seen: string | null) =>
  seen === null
    ? db
        .insert(checks)
        .values({ ...key, ...own })
        .onConflictDoNothing()
        .returning({ stamp: checks.stamp })
    : db
        .update(checks)
        .set(own)
        .where(and(at(key), eq(checks.stamp, seen)))
        .returning({ stamp: checks.stamp });

/** Takes a row away only as it was seen. */
const take = async (db: Database, key: CheckKey, seen: string | null) =>
  seen === null
    ? []
    : db
        .delete(checks)
        .where(and(at(key), eq(checks.stamp, seen)))
        .returning({ stamp: checks.stamp });

/**
 * Writes a check where nothing else was written since the writer saw it; `seen` is the stamp
 * that the writer saw, null for none. A null change takes the check back. The same said
 * twice is no conflict.
 */
export async function writeCheck(
  db: Database,
  key: CheckKey,
  change: CheckChange | null,
  seen: string | null,
): Promise<Written> {
  const own = change && { ...change, at: new Date(), stamp: crypto.randomUUID() };
  const rows = own ? await put(db, key, own, seen) : await take(db, key, seen);
  if (rows.length > 0) return { done: true, stamp: own?.stamp ?? null };
  const theirs = await findCheck(db, key);
  return isSame(theirs, change)
    ? { done: true, stamp: theirs?.stamp ?? null }
    : { done: false, theirs };
}

/** Takes back looks that were sound, as they were written; one changed since stays. Returns how many. */
export async function takeSoundLooksBack(
  db: Database,
  jobId: string,
  stamps: readonly string[],
): Promise<number> {
  if (stamps.length === 0) return 0;
  const taken = await db
    .delete(checks)
    .where(
      and(
        eq(checks.jobId, jobId),
        inArray(checks.stamp, [...stamps]),
        eq(checks.kind, 'look'),
        sql`${checks.value} = '[]'::jsonb`,
      ),
    )
    .returning({ item: checks.item });
  return taken.length;
}

/** Takes a check away, whoever wrote it. */
export async function deleteCheck(db: Database, key: CheckKey): Promise<void> {
  await db.delete(checks).where(at(key));
}

/** A check that was written, with its stamp: enough to take it back as it stands. */
export type WrittenCheck = Pick<CheckRow, 'item' | 'stamp'>;

/** Writes checks where nothing stands yet; what is there stays. Returns those written. */
export async function fillChecks(
  db: Database,
  rows: readonly (CheckKey & CheckChange)[],
): Promise<WrittenCheck[]> {
  if (rows.length === 0) return [];
  return db
    .insert(checks)
    .values([...rows])
    .onConflictDoNothing()
    .returning({ item: checks.item, stamp: checks.stamp });
}

/**
 * Takes away what was ticked of a corner's correction and rebuild, and writes what was done
 * before in its place; the pedal is pumped anew too.
 */
export const forgetCorrection = (
  db: Database,
  jobId: string,
  corner: string,
  earlier: readonly unknown[],
): Promise<void> =>
  db.transaction(async (tx) => {
    await tx
      .delete(checks)
      .where(
        and(
          eq(checks.jobId, jobId),
          eq(checks.place, corner),
          inArray(checks.kind, ['correct', 'rebuild', 'torque', 'pedal']),
        ),
      );
    const key = { jobId, kind: 'decide' as const, place: corner, item: 'earlier' };
    const own = { value: [...earlier], at: new Date(), stamp: crypto.randomUUID() };
    await tx
      .insert(checks)
      .values({ ...key, ...own })
      .onConflictDoUpdate({
        target: [checks.jobId, checks.kind, checks.place, checks.item],
        set: own,
      });
  });
