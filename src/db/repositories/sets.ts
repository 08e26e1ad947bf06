import { ascending, group } from 'd3-array';
import { and, asc, desc, eq, gt, inArray, isNotNull, or, sql } from 'drizzle-orm';
import { sweptReadings } from '../../core/assessment';
import { asPart } from '../asPart';
import type { Database } from '../client';
import { jobs, readingChanges, readings, readingSets, vehicles } from '../schema';

export type SetRow = typeof readingSets.$inferSelect;
export type ReadingRow = typeof readings.$inferSelect;
export type SetFile = SetRow & { readonly readings: readonly ReadingRow[] };
export type NewSetRow = typeof readingSets.$inferInsert;

/** Sets with their readings, in the order of laps and positions. */
export async function withReadings(db: Database, sets: readonly SetRow[]): Promise<SetFile[]> {
  if (sets.length === 0) return [];
  const ids = sets.map(({ id }) => id);
  const rows = await db
    .select()
    .from(readings)
    .where(inArray(readings.setId, ids))
    .orderBy(asc(readings.lap), asc(readings.position));
  const bySet = group(rows, ({ setId }) => setId);
  return sets.map((set) => asRead(set, bySet.get(set.id) ?? []));
}

/** A set with its readings: those of its rows, or those that its sweeps give. */
export const asRead = (set: SetRow, rows: readonly ReadingRow[]): SetFile => ({
  ...set,
  readings: set.sweeps
    ? sweptReadings(set.sweeps, set.positions).map((swept) => ({
        ...swept,
        setId: set.id,
        takenAt: set.createdAt,
      }))
    : rows,
});

/** Begins a reading set; one that was begun already under its id is returned as it stands. */
export async function insertSet(db: Database, set: NewSetRow): Promise<SetRow> {
  const [row] = await db.insert(readingSets).values(set).onConflictDoNothing().returning();
  const begun = row ?? (set.id === undefined ? null : await findSet(db, set.id));
  if (!begun) throw new Error('The set was not written');
  return begun;
}

/** One set without its readings, or null. */
export async function findSet(db: Database, id: string): Promise<SetRow | null> {
  const [row] = await db.select().from(readingSets).where(eq(readingSets.id, id));
  return row ?? null;
}

/** One set with its readings, or null. */
export async function findSetFile(db: Database, id: string): Promise<SetFile | null> {
  const set = await findSet(db, id);
  const [file = null] = set ? await withReadings(db, [set]) : [];
  return file;
}

/** Changes a set's circumstances or its number of laps. */
export async function updateSet(
  db: Database,
  id: string,
  change: Partial<
    Pick<
      SetRow,
      | 'laps'
      | 'positions'
      | 'sweeps'
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
  // Nothing to change is no statement.
  if (Object.values(change).every((value) => value === undefined)) return;
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

/** What stands at places of a set, held until the transaction ends. */
const lockPlaces = (
  tx: Database,
  setId: string,
  places: readonly Pick<ReadingRow, 'lap' | 'position'>[],
): Promise<ReadingRow[]> => {
  // Only the places that are written: a set has hundreds.
  const at = places.map(
    ({ lap, position }) => sql`(${readings.lap} = ${lap} and ${readings.position} = ${position})`,
  );
  if (at.length === 0) return Promise.resolve([]);
  return tx
    .select()
    .from(readings)
    .where(and(eq(readings.setId, setId), or(...at)))
    .for('update');
};

/** What stands at one place of a set, held until the transaction ends; null where nothing does. */
export async function lockReading(
  tx: Database,
  setId: string,
  place: Pick<ReadingRow, 'lap' | 'position'>,
): Promise<ReadingRow | null> {
  const [row] = await lockPlaces(tx, setId, [place]);
  return row ?? null;
}

/**
 * Writes readings, or takes them back; what stood there goes to the history. All or none. Who has asked already what
 * stands at all of the places, and holds the set's job, says so.
 */
export const writeReadings = (
  db: Database,
  setId: string,
  changes: readonly ReadingChange[],
  held?: readonly ReadingRow[],
): Promise<void> =>
  asPart(db, async (tx) => {
    // One writer of a set at a time: where nothing stands yet there is no row to hold.
    if (!held) {
      await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`set ${setId}`}, 0))`);
    }
    const rows = held ?? (await lockPlaces(tx, setId, changes));
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

/** One reading as a table of all readings has it. */
export interface ReadingLine {
  readonly plate: string;
  readonly number: number;
  readonly corner: SetRow['corner'];
  readonly kind: SetRow['kind'];
  readonly phase: SetRow['phase'];
  readonly face: SetRow['face'];
  readonly circle: SetRow['circle'];
  readonly shift: number;
  readonly setAsideAt: Date | null;
  readonly lap: number;
  readonly position: number;
  readonly valueUm: number;
  readonly takenAt: Date;
}

/** Lines in the order of jobs, sets, laps and places. */
const inOrder = (
  p: ReadingLine & { readonly createdAt: Date; readonly setId: string },
  q: typeof p,
): number =>
  p.number - q.number ||
  p.createdAt.getTime() - q.createdAt.getTime() ||
  ascending(p.setId, q.setId) ||
  p.lap - q.lap ||
  p.position - q.position;

/** The readings of the next so many jobs after a number, in order; none after the last job. */
export async function readingLines(
  db: Database,
  after: number,
  most: number,
): Promise<{ readonly lines: ReadingLine[]; readonly last: number | null }> {
  const numbers = await db
    .select({ id: jobs.id, number: jobs.number })
    .from(jobs)
    .where(gt(jobs.number, after))
    .orderBy(asc(jobs.number))
    .limit(most);
  const last = numbers.at(-1)?.number ?? null;
  if (last === null) return { lines: [], last };
  const isTheirs = inArray(
    readingSets.jobId,
    numbers.map(({ id }) => id),
  );
  const common = {
    plate: vehicles.plate,
    number: jobs.number,
    corner: readingSets.corner,
    kind: readingSets.kind,
    phase: readingSets.phase,
    face: readingSets.face,
    circle: readingSets.circle,
    shift: readingSets.shift,
    setAsideAt: readingSets.setAsideAt,
    createdAt: readingSets.createdAt,
    setId: readingSets.id,
  };
  const { lap, position, valueUm, takenAt } = readings;
  const typed = await db
    .select({ ...common, lap, position, valueUm, takenAt })
    .from(readingSets)
    .innerJoin(readings, eq(readings.setId, readingSets.id))
    .innerJoin(jobs, eq(jobs.id, readingSets.jobId))
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(isTheirs);
  const swept = await db
    .select({ ...common, sweeps: readingSets.sweeps, positions: readingSets.positions })
    .from(readingSets)
    .innerJoin(jobs, eq(jobs.id, readingSets.jobId))
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(and(isTheirs, isNotNull(readingSets.sweeps)));
  const made = swept.flatMap(({ sweeps, positions, ...set }) =>
    sweptReadings(sweeps ?? [], positions).map((own) => ({
      ...set,
      ...own,
      takenAt: set.createdAt,
    })),
  );
  const lines = [...typed, ...made].sort(inOrder);
  return { lines, last };
}
