import { asc, eq, getTableColumns } from 'drizzle-orm';
import type { Database } from '../client';
import { roadTests } from '../schema';

export type RoadTestRow = typeof roadTests.$inferSelect;
/** A road test without the recording itself. */
export type RoadTestLine = Omit<RoadTestRow, 'raw'>;

const { raw: _raw, ...LINE } = getTableColumns(roadTests);

/** The road tests of a job, oldest first, without their recordings. */
export const roadTestsOf = (db: Database, jobId: string): Promise<RoadTestLine[]> =>
  db.select(LINE).from(roadTests).where(eq(roadTests.jobId, jobId)).orderBy(asc(roadTests.takenAt));

/** Writes a road test; returns its id. */
export async function insertRoadTest(
  db: Database,
  test: typeof roadTests.$inferInsert,
): Promise<string> {
  const [row] = await db.insert(roadTests).values(test).returning({ id: roadTests.id });
  if (!row) throw new Error('The road test was not written');
  return row.id;
}

/** The recording that was kept with a road test, or null. */
export async function findRecording(
  db: Database,
  id: string,
): Promise<Pick<RoadTestRow, 'jobId' | 'raw'> | null> {
  const [row] = await db
    .select({ jobId: roadTests.jobId, raw: roadTests.raw })
    .from(roadTests)
    .where(eq(roadTests.id, id));
  return row ?? null;
}

/** Keeps the recording of a road test. */
export async function saveRecording(
  db: Database,
  id: string,
  raw: Uint8Array,
  rawBytes: number,
): Promise<void> {
  await db.update(roadTests).set({ raw, rawBytes }).where(eq(roadTests.id, id));
}

/** Takes a road test back. */
export async function deleteRoadTest(db: Database, id: string): Promise<void> {
  await db.delete(roadTests).where(eq(roadTests.id, id));
}
