import { and, asc, desc, eq, gte, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { Database } from '../client';
import { jobs, jobTallies, tallyCells, vehicles } from '../schema';

export type TallyRow = Omit<typeof jobTallies.$inferSelect, 'jobId' | 'year'>;

/** Writes what a closed job adds over what it added before. */
export const saveTallies = (
  db: Database,
  jobId: string,
  year: number,
  tallies: readonly TallyRow[],
): Promise<void> =>
  db.transaction(async (tx) => {
    await tx.delete(jobTallies).where(eq(jobTallies.jobId, jobId));
    if (tallies.length === 0) return;
    await tx.insert(jobTallies).values(tallies.map((tally) => ({ ...tally, jobId, year })));
  });

/** Closed jobs that nothing was learnt from yet, or whose figures were not kept; at most `limit`. */
export async function jobsToLearnFrom(db: Database, limit: number): Promise<string[]> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(
      and(
        isNotNull(jobs.closedAt),
        sql`coalesce(${jobs.origin} ->> 'isSignedThere', 'false') = 'false'`,
        sql`(${jobs.signedAs} is null or not exists (
          select 1 from job_tallies own where own.job_id = ${jobs.id} and own.measure = 'cause'))`,
      ),
    )
    .limit(limit);
  return rows.map(({ id }) => id);
}

/** Whether a later job came back from this one. */
export async function hasComeback(db: Database, jobId: string): Promise<boolean> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(eq(jobs.comebackOf, jobId))
    .limit(1);
  return rows.length > 0;
}

/** Tallies of one measure and key, summed up. */
export type CellRow = Omit<typeof tallyCells.$inferSelect, 'year'>;

/** The tallies of one year, or of all years together. */
export const cellsOf = (db: Database, year: number | null): Promise<CellRow[]> =>
  db
    .select({
      measure: tallyCells.measure,
      key: tallyCells.key,
      count: sql<number>`sum(${tallyCells.count})`.mapWith(Number),
      sum: sql<number>`sum(${tallyCells.sum})`.mapWith(Number),
      squares: sql<number>`sum(${tallyCells.squares})`.mapWith(Number),
    })
    .from(tallyCells)
    .where(year === null ? undefined : eq(tallyCells.year, year))
    .groupBy(tallyCells.measure, tallyCells.key);

/** Years in which jobs were closed, the latest first. */
export async function talliedYears(db: Database): Promise<number[]> {
  const rows = await db
    .selectDistinct({ year: tallyCells.year })
    .from(tallyCells)
    .where(and(eq(tallyCells.measure, 'cause'), sql`${tallyCells.count} > 0`))
    .orderBy(desc(tallyCells.year));
  return rows.map(({ year }) => year);
}

/** How often each cause was confirmed in a closed job. */
export async function countConfirmedCauses(db: Database): Promise<Record<string, number>> {
  const rows = await db
    .select({ cause: tallyCells.key, jobs: sql<number>`sum(${tallyCells.count})`.mapWith(Number) })
    .from(tallyCells)
    .where(and(eq(tallyCells.measure, 'cause'), sql`${tallyCells.key} <> ''`))
    .groupBy(tallyCells.key);
  return Object.fromEntries(rows.map(({ cause, jobs: times }) => [cause, times]));
}

/** One corner whose runout was predicted and measured, in µm TIR. */
export interface ProofPoint {
  readonly jobId: string;
  readonly number: number;
  readonly plate: string;
  readonly corner: string;
  readonly correction: string;
  readonly predicted: number;
  readonly miss: number;
}

/**
 * The corners of the jobs closed last, of one year or of all, of which runout was predicted and
 * measured.
 */
export function latestProofs(
  db: Database,
  year: number | null,
  most: number,
): Promise<ProofPoint[]> {
  const latest = db
    .select({
      id: jobs.id,
      number: jobs.number,
      vehicleId: jobs.vehicleId,
    })
    .from(jobs)
    .where(
      and(
        isNotNull(jobs.closedAt),
        year === null
          ? undefined
          : and(
              gte(jobs.closedAt, new Date(year, 0, 1)),
              lt(jobs.closedAt, new Date(year + 1, 0, 1)),
            ),
      ),
    )
    .orderBy(desc(jobs.closedAt))
    .limit(most)
    .as('latest');
  const miss = alias(jobTallies, 'miss');
  return db
    .select({
      jobId: latest.id,
      number: latest.number,
      plate: vehicles.plate,
      correction: jobTallies.key,
      corner: jobTallies.item,
      predicted: jobTallies.value,
      miss: miss.value,
    })
    .from(latest)
    .innerJoin(vehicles, eq(vehicles.id, latest.vehicleId))
    .innerJoin(
      jobTallies,
      and(eq(jobTallies.jobId, latest.id), eq(jobTallies.measure, 'predicted')),
    )
    .innerJoin(
      miss,
      and(
        eq(miss.jobId, latest.id),
        eq(miss.measure, 'miss'),
        eq(miss.key, jobTallies.key),
        eq(miss.item, jobTallies.item),
      ),
    )
    .orderBy(asc(latest.number));
}

/** Keeps what the verdicts of a closed job rest on; once only. */
export async function keepSignedAs(
  db: Database,
  jobId: string,
  signedAs: NonNullable<(typeof jobs.$inferSelect)['signedAs']>,
): Promise<void> {
  await db
    .update(jobs)
    .set({ signedAs })
    .where(and(eq(jobs.id, jobId), isNotNull(jobs.closedAt), isNull(jobs.signedAs)));
}
