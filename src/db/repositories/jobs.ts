import {
  asc,
  and,
  count,
  desc,
  eq,
  exists,
  inArray,
  isNull,
  lt,
  not,
  notInArray,
  sql,
} from 'drizzle-orm';
import type { Database } from '../client';
import {
  checks,
  decisions,
  jobCorners,
  jobs,
  readings,
  readingSets,
  trayParts,
  vehicles,
} from '../schema';
import type { SetRow } from './sets';
import { WAITS_BY, waitsOf, waitsOfJob, type Wait, pressingJobs } from './waits';

export type JobRow = typeof jobs.$inferSelect;
export type CornerName = (typeof jobCorners.$inferSelect)['corner'];
export type DecisionRow = typeof decisions.$inferSelect;

/** One line of the list of jobs. */
export interface JobLine {
  readonly id: string;
  readonly number: number;
  readonly plate: string;
  readonly make: string;
  readonly model: string;
  readonly complaint: string;
  readonly createdAt: Date;
  readonly corners: readonly CornerName[];
  readonly sets: number;
  /** Corner and kind pairs of which a set is read to its end. */
  readonly measured: number;
  readonly decided: number;
  /** What it waits for, most pressing first. */
  readonly waits: readonly Wait[];
  /** Something that is not here keeps it where it is. */
  readonly isWaiting: boolean;
}

export const PAGE_SIZE = 25;

/** The sets of these jobs, before a correction, whose every position of a lap is read, or that are swept. */
const wholeSets = (
  db: Database,
  jobIds: string[],
): Promise<{ jobId: string; corner: CornerName; kind: SetRow['kind'] }[]> =>
  db
    .select({ jobId: readingSets.jobId, corner: readingSets.corner, kind: readingSets.kind })
    .from(readingSets)
    .leftJoin(
      readings,
      and(
        eq(readings.setId, readingSets.id),
        lt(readings.position, readingSets.positions),
        eq(readings.lap, 0),
      ),
    )
    .where(
      and(
        inArray(readingSets.jobId, jobIds),
        isNull(readingSets.setAsideAt),
        eq(readingSets.phase, 'before'),
      ),
    )
    .groupBy(readingSets.id)
    .having(
      sql`count(${readings.setId}) >= ${readingSets.positions} or jsonb_array_length(${readingSets.sweeps}) > 0`,
    );

/** Whether a job is a quick check that has no vehicle yet: few are, and a small index knows them. */
const isOfCheck = sql`${jobs.vehicleId} in (select own.id from vehicles own where own.is_check)`;

/** How far each of some jobs is: its corners, what was measured and decided, what it waits for. */
async function farOf(db: Database, ids: readonly string[]) {
  const jobIds = [...ids];
  const cornerRows = await db.select().from(jobCorners).where(inArray(jobCorners.jobId, jobIds));
  const setRows = await db
    .select({ jobId: readingSets.jobId, sets: count() })
    .from(readingSets)
    .where(and(inArray(readingSets.jobId, jobIds), isNull(readingSets.setAsideAt)))
    .groupBy(readingSets.jobId);
  const whole = await wholeSets(db, jobIds);
  const decided = await db
    .select({ jobId: decisions.jobId, decided: count() })
    .from(decisions)
    .where(inArray(decisions.jobId, jobIds))
    .groupBy(decisions.jobId);
  const waiting = await waitsOf(db, jobIds);
  return (id: string) => ({
    corners: cornerRows
      .filter(({ jobId }) => jobId === id)
      .map(({ corner }) => corner)
      .sort(),
    sets: setRows.find(({ jobId }) => jobId === id)?.sets ?? 0,
    measured: new Set(
      whole.filter(({ jobId }) => jobId === id).map(({ corner, kind }) => `${corner} ${kind}`),
    ).size,
    decided: decided.find(({ jobId }) => jobId === id)?.decided ?? 0,
    ...waitsOfJob(waiting, id),
  });
}

/** One page of the open jobs, or of the quick checks, newest first, with how far each is. */
export async function listOpenJobs(
  db: Database,
  page: number,
  { isChecks = false, waits = null }: { isChecks?: boolean; waits?: Wait | null } = {},
): Promise<{ lines: JobLine[]; total: number }> {
  const open = and(
    isNull(jobs.closedAt),
    isChecks ? isOfCheck : not(isOfCheck),
    waits === null
      ? undefined
      : exists(
          db
            .select({ one: sql`1` })
            .from(checks)
            .where(and(eq(checks.jobId, jobs.id), WAITS_BY[waits])),
        ),
  );
  const [{ total } = { total: 0 }] = await db.select({ total: count() }).from(jobs).where(open);
  const pressing = pressingJobs(db);
  const rows = await db
    .select({
      id: jobs.id,
      number: jobs.number,
      plate: vehicles.plate,
      make: vehicles.make,
      model: vehicles.model,
      complaint: jobs.complaint,
      createdAt: jobs.createdAt,
    })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .leftJoin(pressing, eq(pressing.jobId, jobs.id))
    .where(open)
    .orderBy(sql`${pressing.rank} asc nulls last`, desc(jobs.createdAt), desc(jobs.number))
    .limit(PAGE_SIZE)
    .offset((page - 1) * PAGE_SIZE);
  const ids = rows.map(({ id }) => id);
  if (ids.length === 0) return { lines: [], total };
  const far = await farOf(db, ids);
  return { lines: rows.map((row) => ({ ...row, ...far(row.id) })), total };
}

/** Jobs that were closed last. */
export const listClosedJobs = (
  db: Database,
  limit: number,
): Promise<{ id: string; number: number; plate: string; complaint: string }[]> =>
  db
    .select({
      id: jobs.id,
      number: jobs.number,
      plate: vehicles.plate,
      complaint: jobs.complaint,
    })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(sql`${jobs.closedAt} is not null`)
    .orderBy(desc(jobs.closedAt))
    .limit(limit);

/** The jobs of a vehicle, newest first. */
export const listJobsOfVehicle = (db: Database, vehicleId: string): Promise<JobRow[]> =>
  db.select().from(jobs).where(eq(jobs.vehicleId, vehicleId)).orderBy(desc(jobs.createdAt));

/** A job by the number that people know it by; null where there is no such id. */
export async function numberOfJob(db: Database, id: string): Promise<number | null> {
  const [row] = await db.select({ number: jobs.number }).from(jobs).where(eq(jobs.id, id));
  return row?.number ?? null;
}

/** Locks a job for the transaction, so that its writers go one after the other; null without it. */
export async function lockJob(
  db: Database,
  id: string,
): Promise<Pick<JobRow, 'id' | 'closedAt'> | null> {
  const [row] = await db
    .select({ id: jobs.id, closedAt: jobs.closedAt })
    .from(jobs)
    .where(eq(jobs.id, id))
    .for('update');
  return row ?? null;
}

/** Locks the job of a set, as `lockJob` does; null where the set is not on file. */
export async function lockJobOfSet(
  db: Database,
  setId: string,
): Promise<Pick<JobRow, 'id' | 'closedAt'> | null> {
  const [row] = await db
    .select({ id: jobs.id, closedAt: jobs.closedAt })
    .from(jobs)
    .innerJoin(readingSets, eq(readingSets.jobId, jobs.id))
    .where(eq(readingSets.id, setId))
    .for('update', { of: jobs });
  return row ?? null;
}

/** Locks the open jobs of a vehicle, which are judged by its figures; answers with their ids. */
export async function lockOpenJobsOf(db: Database, vehicleId: string): Promise<string[]> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(eq(jobs.vehicleId, vehicleId), isNull(jobs.closedAt)))
    .orderBy(asc(jobs.id))
    .for('update');
  return rows.map(({ id }) => id);
}

export interface NewJob {
  readonly id?: string | undefined;
  readonly vehicleId: string;
  readonly complaint: string;
  readonly odometerKm: number | null;
  readonly corners: readonly CornerName[];
  readonly comebackOf?: string | null;
}

/** Writes a new job with its corners; returns its id. */
export const insertJob = (db: Database, job: NewJob): Promise<string> =>
  db.transaction(async (tx) => {
    const { corners, ...own } = job;
    const [row] = await tx
      .insert(jobs)
      .values(own)
      .onConflictDoNothing({ target: jobs.id })
      .returning({ id: jobs.id });
    // One that was opened already under its id stands as it is.
    if (!row && own.id !== undefined) return own.id;
    if (!row) throw new Error('The job was not written');
    await tx.insert(jobCorners).values(corners.map((corner) => ({ jobId: row.id, corner })));
    return row.id;
  });

/** Corners of a job at which something was read, seen or taken off. */
async function workedCorners(db: Database, jobId: string): Promise<CornerName[]> {
  const read = await db
    .selectDistinct({ corner: readingSets.corner })
    .from(readingSets)
    .where(eq(readingSets.jobId, jobId));
  const seen = await db
    .selectDistinct({ place: checks.place })
    .from(checks)
    .where(eq(checks.jobId, jobId));
  const off = await db
    .selectDistinct({ corner: trayParts.corner })
    .from(trayParts)
    .where(eq(trayParts.jobId, jobId));
  const places = [...read, ...off].map(({ corner }) => corner);
  const all: readonly CornerName[] = ['FL', 'FR', 'RL', 'RR'];
  return all.filter(
    (corner) => places.includes(corner) || seen.some(({ place }) => place === corner),
  );
}

/** Writes over complaint and corners; a corner at which work was done stays. */
export const updateComplaint = (
  db: Database,
  id: string,
  change: Omit<NewJob, 'vehicleId'>,
): Promise<void> =>
  db.transaction(async (tx) => {
    const { corners, ...own } = change;
    await tx.update(jobs).set(own).where(eq(jobs.id, id));
    const keep = [...new Set([...corners, ...(await workedCorners(tx, id))])];
    await tx
      .delete(jobCorners)
      .where(and(eq(jobCorners.jobId, id), notInArray(jobCorners.corner, keep)));
    await tx
      .insert(jobCorners)
      .values(keep.map((corner) => ({ jobId: id, corner })))
      .onConflictDoNothing();
  });

export type NewDecision = Omit<DecisionRow, 'decidedAt'>;

/** Writes decisions over earlier ones, all of them or none. */
export const saveDecisions = (db: Database, list: readonly NewDecision[]): Promise<void> =>
  db.transaction(async (tx) => {
    for (const decision of list) {
      const { jobId: _job, corner: _corner, ...own } = decision;
      await tx
        .insert(decisions)
        .values(decision)
        .onConflictDoUpdate({
          target: [decisions.jobId, decisions.corner],
          set: { ...own, decidedAt: new Date() },
        });
    }
  });

/** Takes a corner's decision back. */
export async function deleteDecision(
  db: Database,
  jobId: string,
  corner: CornerName,
): Promise<void> {
  await db.delete(decisions).where(and(eq(decisions.jobId, jobId), eq(decisions.corner, corner)));
}

/** Gives a job to another vehicle. */
export async function moveJob(db: Database, id: string, vehicleId: string): Promise<void> {
  await db.update(jobs).set({ vehicleId }).where(eq(jobs.id, id));
}
