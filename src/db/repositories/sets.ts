import { and, asc, desc, eq } from 'drizzle-orm';
import type { Database } from '../client';
import { readingChanges, readings, readingSets } from '../schema';
import type { ReadingRow, SetFile, SetRow } from './jobs';

export type NewSetRow = typeof readingSets.$inferInsert;

/** Begins a reading set; returns it. */
export async function insertSet(db: Database, set: NewSetRow): Promise<SetRow> {
  const [row] = await db.insert(readingSets).values(set).returning();
  if (!row) throw new Error('The set was not written');
  return row;
}

/** One set without its readings, or null. */
export async function findSet(db: Database, id: string): Promise<SetRow | null> {
  const [row] = await db.select().from(readingSets).where(eq(readingSets.id, id));
  return row ?? null;
}

/** One set with its readings, or null. */
export async function findSetFile(db: Database, id: string): Promise<SetFile | null> {
  const set = await findSet(db, id);
  if (!set) return null;
  const rows = await db
    .select()
    .from(readings)
    .where(eq(readings.setId, id))
    .orderBy(asc(readings.lap), asc(readings.position));
  return { ...set, readings: rows };
}

/** Changes a set's circumstances or its number of laps. */
export async function updateSet(
  db: Database,
  id: string,
  change: Partial<
    Pick<
      SetRow,
      | 'laps'
      | 'zeroErrorUm'
      | 'rotorCelsius'
      | 'endPlayUm'
      | 'radiusUm'
      | 'torqueNm'
      | 'setAsideAt'
      | 'setAsideReason'
    >
  >,
): Promise<void> {
  await db.update(readingSets).set(change).where(eq(readingSets.id, id));
}

export type ReadingChange =
  | Pick<ReadingRow, 'lap' | 'position' | 'valueUm' | 'text' | 'unit'>
  | { readonly lap: number; readonly position: number; readonly valueUm: null };

export type ReadingChangeRow = typeof readingChanges.$inferSelect;

/** What stood at the places of a set before, the latest first. */
export const listReadingChanges = (db: Database, setId: string): Promise<ReadingChangeRow[]> =>
  db
    .select()
    .from(readingChanges)
    .where(eq(readingChanges.setId, setId))
    .orderBy(desc(readingChanges.replacedAt));

/** Writes readings, or takes them back; what stood there goes to the history. All or none. */
export const writeReadings = (
  db: Database,
  setId: string,
  changes: readonly ReadingChange[],
): Promise<void> =>
  db.transaction(async (tx) => {
    const rows = await tx.select().from(readings).where(eq(readings.setId, setId)).for('update');
    const standing = new Map(rows.map((row) => [`${row.lap}.${row.position}`, row]));
    for (const change of changes) {
      const { lap, position } = change;
      const place = `${lap}.${position}`;
      const before = standing.get(place);
      const after = change.valueUm === null ? undefined : { setId, ...change, takenAt: new Date() };
      // A reading that is sent twice, as after a lost answer, is no change.
      if (before?.text === after?.text && before?.valueUm === after?.valueUm) continue;
      if (before) await tx.insert(readingChanges).values(before);
      if (!after) {
        const at = [eq(readings.lap, lap), eq(readings.position, position)];
        await tx.delete(readings).where(and(eq(readings.setId, setId), ...at));
        standing.delete(place);
        continue;
      }
      await tx
        .insert(readings)
        .values(after)
        .onConflictDoUpdate({
          target: [readings.setId, readings.lap, readings.position],
          set: after,
        });
      standing.set(place, after);
    }
  });
