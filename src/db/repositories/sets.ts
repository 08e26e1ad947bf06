import { and, asc, eq } from 'drizzle-orm';
import type { Database } from '../client';
import { readings, readingSets } from '../schema';
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

/** Writes readings over what stood there, or takes them back; all or none. */
export const writeReadings = (
  db: Database,
  setId: string,
  changes: readonly ReadingChange[],
): Promise<void> =>
  db.transaction(async (tx) => {
    for (const change of changes) {
      const { lap, position } = change;
      if (change.valueUm === null) {
        await tx
          .delete(readings)
          .where(
            and(eq(readings.setId, setId), eq(readings.lap, lap), eq(readings.position, position)),
          );
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
