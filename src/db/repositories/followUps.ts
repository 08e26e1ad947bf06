import { and, asc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { additions, jobs, rechecks, vehicles } from '../schema';
import type { SignedAs, SignedWith } from '../schema/jobs';

export type AdditionRow = typeof additions.$inferSelect;
export type RecheckRow = typeof rechecks.$inferSelect;

/** What was added to a job after it was signed off, in order. */
export const additionsOf = (db: Database, jobId: string): Promise<AdditionRow[]> =>
  db.select().from(additions).where(eq(additions.jobId, jobId)).orderBy(asc(additions.at));

export async function insertAddition(
  db: Database,
  addition: Pick<AdditionRow, 'jobId' | 'text' | 'by'>,
): Promise<void> {
  await db.insert(additions).values(addition);
}

/** What of a job is to be looked at again. */
export const rechecksOf = (db: Database, jobId: string): Promise<RecheckRow[]> =>
  db.select().from(rechecks).where(eq(rechecks.jobId, jobId)).orderBy(asc(rechecks.at));

/** Writes a recheck over the open one of the same kind. */
export const saveRecheck = (
  db: Database,
  recheck: Pick<RecheckRow, 'jobId' | 'what' | 'dueKm' | 'dueOn' | 'by'>,
): Promise<void> =>
  db.transaction(async (tx) => {
    await tx
      .delete(rechecks)
      .where(
        and(
          eq(rechecks.jobId, recheck.jobId),
          eq(rechecks.what, recheck.what),
          isNull(rechecks.doneAt),
        ),
      );
    await tx.insert(rechecks).values(recheck);
  });

/** Marks a recheck as done, or takes it away; null where it is not there. */
export async function settleRecheck(
  db: Database,
  id: string,
  done: { readonly by: string } | null,
): Promise<RecheckRow | null> {
  const open = and(eq(rechecks.id, id), isNull(rechecks.doneAt));
  const [row] = done
    ? await db.update(rechecks).set({ doneAt: new Date(), doneBy: done.by }).where(open).returning()
    : await db.delete(rechecks).where(open).returning();
  return row ?? null;
}

/** Closes the record of a job that is still open; false where it was closed already. */
export async function signJob(
  db: Database,
  id: string,
  sign: {
    readonly closedAt: Date;
    readonly confirmedCause: string | null;
    readonly signedBy: string;
    readonly signedWith: SignedWith;
    readonly signedAs: SignedAs;
  },
): Promise<boolean> {
  const rows = await db
    .update(jobs)
    .set(sign)
    .where(and(eq(jobs.id, id), isNull(jobs.closedAt)))
    .returning({ id: jobs.id });
  return rows.length > 0;
}

/** Whether the record of a job is closed. */
export async function isJobSigned(db: Database, id: string): Promise<boolean> {
  const [row] = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(eq(jobs.id, id), isNotNull(jobs.closedAt)));
  return row !== undefined;
}

/** Something that is due, with its job and vehicle. */
export interface DueRow {
  readonly id: string;
  readonly jobId: string;
  readonly number: number;
  readonly vehicleId: string;
  readonly plate: string;
  /** Whom to tell and how; null where nobody is on file. */
  readonly owner: string | null;
  readonly what: RecheckRow['what'];
  readonly dueKm: number | null;
  readonly dueOn: string | null;
  /** Farthest distance that any job of the vehicle noted, in km. */
  readonly lastKm: number | null;
}

/** Everything that is to be looked at again, what is due first by day at the top. */
export const openRechecks = (db: Database, limit: number): Promise<DueRow[]> =>
  db
    .select({
      id: rechecks.id,
      jobId: rechecks.jobId,
      number: jobs.number,
      vehicleId: jobs.vehicleId,
      plate: vehicles.plate,
      owner: sql<string | null>`(select concat_ws(', ', nullif(own.name, ''), nullif(own.reach, ''))
        from owners own where own.vehicle_id = ${jobs.vehicleId})`,
      what: rechecks.what,
      dueKm: rechecks.dueKm,
      dueOn: rechecks.dueOn,
      lastKm: sql<number | null>`(select max(others.odometer_km) from jobs others
        where others.vehicle_id = ${jobs.vehicleId})`,
    })
    .from(rechecks)
    .innerJoin(jobs, eq(jobs.id, rechecks.jobId))
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(isNull(rechecks.doneAt))
    .orderBy(sql`${rechecks.dueOn} asc nulls last`, asc(rechecks.at))
    .limit(limit);
