import { and, inArray, isNull, or, sql, type SQL } from 'drizzle-orm';
import type { Database } from '../client';
import { checks, jobs } from '../schema';

/** A rotor that was sent out and of which mark and thickness on return are not both written. */
const isSentOut = sql`(${checks.kind} = 'correct' and ${checks.item} = 'sent' and (
  select count(*) from checks back where back.job_id = ${checks.jobId} and back.place = ${checks.place}
  and back.kind = 'correct' and back.item in ('returned', 'identity')) < 2)`;

/** A part that was asked for and is not here, or came wrong. */
const isPartAwaited = sql`(${checks.kind} = 'part' and ${checks.value} ->> 'state' <> 'here')`;

/** What an open job can wait for, most pressing first. */
export const WAITS = ['lead', 'owner', 'parts', 'lathe'] as const;
export type Wait = (typeof WAITS)[number];

/** Which checks say that a job waits for something. */
export const WAITS_BY: Readonly<Record<Wait, SQL>> = {
  // Driven again after the work, and not signed off yet.
  lead: sql`(${checks.kind} = 'prove' and ${checks.item} = 'feel-after')`,
  owner: sql`(${checks.kind} = 'estimate' and ${checks.item} = 'asked' and not exists (
    select 1 from checks said where said.job_id = ${checks.jobId} and said.kind = 'estimate'
    and said.item = 'approval' and said.seq > ${checks.seq}))`,
  parts: sql`(${checks.kind} = 'waiting' or ${isPartAwaited})`,
  lathe: isSentOut,
};

/** Kinds of checks that say what a job waits for. */
const SAYING = ['prove', 'estimate', 'waiting', 'part', 'correct'] as const;

/** Open jobs that wait for something, with how pressing it is: 0 for the most. */
export const pressingJobs = (db: Database) =>
  db
    .select({
      jobId: checks.jobId,
      rank: sql<number>`min(case ${sql.join(
        WAITS.map((wait, i) => sql`when ${WAITS_BY[wait]} then ${sql.raw(String(i))}`),
        sql` `,
      )} end)`.as('rank'),
    })
    .from(checks)
    .where(
      and(
        inArray(checks.kind, SAYING),
        inArray(checks.jobId, db.select({ id: jobs.id }).from(jobs).where(isNull(jobs.closedAt))),
      ),
    )
    .groupBy(checks.jobId)
    .as('pressing');

/** How many open jobs wait for each. */
export async function countWaits(db: Database): Promise<Readonly<Record<Wait, number>>> {
  const jobsBy = (wait: Wait) =>
    sql<number>`count(distinct ${checks.jobId}) filter (where ${WAITS_BY[wait]})`.mapWith(Number);
  const [row] = await db
    .select({
      lead: jobsBy('lead'),
      owner: jobsBy('owner'),
      parts: jobsBy('parts'),
      lathe: jobsBy('lathe'),
    })
    .from(checks)
    .where(
      and(
        inArray(checks.kind, SAYING),
        inArray(checks.jobId, db.select({ id: jobs.id }).from(jobs).where(isNull(jobs.closedAt))),
      ),
    );
  return row ?? { lead: 0, owner: 0, parts: 0, lathe: 0 };
}

/** Checks that say what each of some jobs waits for. */
export const waitsOf = (
  db: Database,
  ids: readonly string[],
): Promise<({ readonly jobId: string } & Record<Wait, boolean>)[]> =>
  db
    .selectDistinct({
      jobId: checks.jobId,
      lead: sql<boolean>`${WAITS_BY.lead}`,
      owner: sql<boolean>`${WAITS_BY.owner}`,
      parts: sql<boolean>`${WAITS_BY.parts}`,
      lathe: sql<boolean>`${WAITS_BY.lathe}`,
    })
    .from(checks)
    .where(and(inArray(checks.jobId, [...ids]), or(...WAITS.map((wait) => WAITS_BY[wait]))));

/** What one of these jobs waits for, most pressing first, and whether something is not here. */
export function waitsOfJob(
  rows: Awaited<ReturnType<typeof waitsOf>>,
  jobId: string,
): { readonly waits: readonly Wait[]; readonly isWaiting: boolean } {
  const own = rows.filter((row) => row.jobId === jobId);
  const waits = WAITS.filter((wait) => own.some((row) => row[wait]));
  return { waits, isWaiting: waits.includes('parts') || waits.includes('lathe') };
}
