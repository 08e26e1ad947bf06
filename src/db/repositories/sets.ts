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
    for (const change of changes) {
      const { lap, position } = change;
      const place = and(
        eq(readings.setId, setId),
        eq(readings.lap, lap),
        eq(readings.position, position),
      );
      const [before] = await tx.select().from(readings).where(place).for('update');
      const isSame = before?.text === ('text' in change ? change.text : undefined);
      // A reading that is sent twice, as after a lost answer, is no change.
      if (before && isSame && before.valueUm === change.valueUm) continue;
      if (before) await tx.insert(readingChanges).values(before);
      if (change.valueUm === null) {
        await tx.delete(readings).where(place);
      } else {
        const { valueUm, text, unit } = change;
        const value = { valueUm, text, unit, takenAt: new Date() };
        await tx
          .insert(readings)
          .values({ setId, lap, position, ...value })
          .onConflictDoUpdate({
            target: [readings.setId, readings.lap, readings.position],
            set: value,
          });
      }
    }
  });
