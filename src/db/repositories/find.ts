import {
  and,
  asc,
  desc,
  eq,
  exists,
  gte,
  inArray,
  isNotNull,
  isNull,
  lt,
  lte,
  ne,
  or,
  sql,
  type SQL,
} from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import type { Database } from '../client';
import {
  checks,
  decisions,
  jobCorners,
  jobs,
  jobSearch,
  readingSets,
  rechecks,
  vehicles,
} from '../schema';
import type { FindState } from '../../core/contracts';
import type { CornerName } from './jobs';

/** What is looked for. */
export interface JobQuery {
  /** Beginnings of words, all of which a job must have. */
  readonly words: readonly string[];
  readonly state: FindState;
  readonly cause: string | null;
  readonly corner: CornerName | null;
  /** Days, inclusive, as yyyy-mm-dd. */
  readonly from: string | null;
  readonly to: string | null;
  readonly comeback: boolean;
  readonly due: boolean;
  readonly sort: 'newest' | 'oldest' | 'closed';
}

/** A job that was found. */
export interface FoundJob {
  readonly id: string;
  readonly number: number;
  readonly plate: string;
  readonly make: string;
  readonly model: string;
  readonly complaint: string;
  readonly cause: string | null;
  readonly createdAt: Date;
  readonly closedAt: Date | null;
  /** Signed off in other records, from which it was brought in. */
  readonly isSignedElsewhere: boolean;
  readonly isComeback: boolean;
}

/** Whether a table has a row of the job, of those that a condition is about. */
const hasRow = (
  db: Database,
  table: PgTable & { readonly jobId: PgColumn },
  condition?: SQL,
): SQL =>
  exists(
    db
      .select({ one: sql`1` })
      .from(table as PgTable)
      .where(and(eq(table.jobId, jobs.id), condition)),
  );

/** A corner was decided on, and its correction is not ticked as done. */
const isToCorrect = (db: Database): SQL =>
  hasRow(
    db,
    decisions,
    and(
      ne(decisions.correction, 'leave'),
      sql`not exists (select 1 from checks done where done.job_id = ${jobs.id} and done.kind = 'correct'
        and done.place = ${decisions.corner}::text and done.item = 'done')`,
    ),
  );

/** The condition of a state; none for any. */
function inState(db: Database, state: JobQuery['state']): SQL | undefined {
  const isOpen = isNull(jobs.closedAt);
  switch (state) {
    case 'any':
      return undefined;
    case 'open':
      return isOpen;
    case 'closed':
      return isNotNull(jobs.closedAt);
    case 'waiting':
      return and(
        isOpen,
        hasRow(
          db,
          checks,
          or(eq(checks.kind, 'waiting'), and(eq(checks.kind, 'correct'), eq(checks.item, 'sent'))),
        ),
      );
    case 'to-measure':
      return and(isOpen, sql`not ${hasRow(db, readingSets)}`, sql`not ${hasRow(db, decisions)}`);
    case 'to-decide':
      return and(isOpen, hasRow(db, readingSets), sql`not ${hasRow(db, decisions)}`);
    case 'to-correct':
      return and(isOpen, isToCorrect(db));
    case 'to-prove':
      return and(isOpen, hasRow(db, decisions), sql`not ${isToCorrect(db)}`);
  }
}

/** A query of full-text words: each the beginning of a word. Words hold letters and digits only. */
const textQuery = (words: readonly string[]): string =>
  words.map((word) => `${word.replace(/[^\p{L}\p{N}]/gu, '')}:*`).join(' & ');

/** The words that a job must have: those asked for, and those of what else is asked for it. */
const allWords = ({ words, cause, corner }: JobQuery): string =>
  [textQuery(words), ...(cause?.split(/[^\p{L}\p{N}]+/u) ?? []), ...(corner ? [corner] : [])]
    .filter((word) => word !== '')
    .join(' & ');

function conditionOf(db: Database, query: JobQuery): SQL | undefined {
  const { words, cause, corner, from, to } = query;
  return and(
    words.length > 0
      ? hasRow(
          db,
          jobSearch,
          sql`${jobSearch.document} @@ to_tsquery('simple', ${allWords(query)})`,
        )
      : undefined,
    inState(db, query.state),
    cause === null ? undefined : eq(jobs.confirmedCause, cause),
    corner === null ? undefined : hasRow(db, jobCorners, eq(jobCorners.corner, corner)),
    from === null ? undefined : gte(jobs.createdAt, new Date(`${from}T00:00:00`)),
    to === null
      ? undefined
      : lt(jobs.createdAt, new Date(new Date(`${to}T00:00:00`).getTime() + 86_400_000)),
    query.comeback ? isNotNull(jobs.comebackOf) : undefined,
    query.due
      ? hasRow(db, rechecks, and(isNull(rechecks.doneAt), lte(rechecks.dueOn, sql`current_date`)))
      : undefined,
  );
}

const ORDER = {
  newest: [desc(jobs.createdAt), desc(jobs.number)],
  oldest: [asc(jobs.createdAt), asc(jobs.number)],
  // As the index has them, so that nothing is sorted.
  closed: [sql`${jobs.closedAt} desc nulls last`, sql`${jobs.number} desc nulls last`],
} as const;

/** Jobs are counted up to here: beyond, there are "more". */
export const MOST_COUNTED = 500;

/** The ids of the jobs that a query finds, in its order, at most so many. */
async function idsFound(db: Database, query: JobQuery, most: number, from: number) {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(conditionOf(db, query))
    .orderBy(...ORDER[query.sort])
    .limit(most)
    .offset(from);
  return rows.map(({ id }) => id);
}

/** One page of the jobs that a query finds, and how many there are, counted up to a limit. */
export async function searchJobs(
  db: Database,
  query: JobQuery,
  page: { readonly size: number; readonly number: number },
  mostCounted = MOST_COUNTED,
): Promise<{ readonly jobs: FoundJob[]; readonly counted: number }> {
  const first = await idsFound(db, query, mostCounted + 1, 0);
  const from = (page.number - 1) * page.size;
  const isBeyond = from + page.size > first.length && first.length > mostCounted;
  const ids = isBeyond
    ? await idsFound(db, query, page.size, from)
    : first.slice(from, from + page.size);
  if (ids.length === 0) return { jobs: [], counted: first.length };
  const rows = await db
    .select({
      id: jobs.id,
      number: jobs.number,
      plate: vehicles.plate,
      make: vehicles.make,
      model: vehicles.model,
      complaint: jobs.complaint,
      cause: jobs.confirmedCause,
      createdAt: jobs.createdAt,
      closedAt: jobs.closedAt,
      isComeback: sql<boolean>`${jobs.comebackOf} is not null`,
      isSignedElsewhere: sql<boolean>`coalesce(${jobs.origin} ->> 'isSignedThere', 'false') = 'true'`,
    })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(inArray(jobs.id, ids));
  const byId = new Map(rows.map((row) => [row.id, row]));
  return { jobs: ids.flatMap((id) => byId.get(id) ?? []), counted: first.length };
}

/** A vehicle as a list has it. */
export type VehicleLine = Pick<typeof vehicles.$inferSelect, 'id' | 'plate' | 'make' | 'model'>;

/** A page of vehicles with words that begin so, by plate; all without words. One more where there are more. */
export const searchVehicles = (
  db: Database,
  words: readonly string[],
  page: { readonly size: number; readonly number: number },
): Promise<VehicleLine[]> =>
  db
    .select({
      id: vehicles.id,
      plate: vehicles.plate,
      make: vehicles.make,
      model: vehicles.model,
    })
    .from(vehicles)
    .where(
      words.length === 0
        ? sql`not ${vehicles.isCheck}`
        : sql`not ${vehicles.isCheck} and zh_vehicle_words(${vehicles.plate}, ${vehicles.make}, ${vehicles.model}) @@ to_tsquery('simple', ${textQuery(words)})`,
    )
    .orderBy(asc(vehicles.plate))
    .limit(page.size + 1)
    .offset((page.number - 1) * page.size);

/** One job as a table of all jobs has it. */
export interface JobTableLine {
  readonly number: number;
  readonly plate: string;
  readonly make: string;
  readonly model: string;
  readonly createdAt: Date;
  readonly closedAt: Date | null;
  readonly signedBy: string | null;
  readonly odometerKm: number | null;
  /** Its corners with spaces between. */
  readonly corners: string | null;
  readonly complaint: string;
  readonly confirmedCause: string | null;
  /** Number of the earlier job that it came back from. */
  readonly comebackOf: number | null;
}

/** All jobs, oldest first. */
export const allJobLines = (db: Database): Promise<JobTableLine[]> =>
  db
    .select({
      number: jobs.number,
      plate: vehicles.plate,
      make: vehicles.make,
      model: vehicles.model,
      createdAt: jobs.createdAt,
      closedAt: jobs.closedAt,
      signedBy: jobs.signedBy,
      odometerKm: jobs.odometerKm,
      corners: sql<string | null>`(select string_agg(own.corner::text, ' ' order by own.corner)
        from job_corners own where own.job_id = ${jobs.id})`,
      complaint: jobs.complaint,
      confirmedCause: jobs.confirmedCause,
      comebackOf: sql<number | null>`(select earlier.number from jobs earlier
        where earlier.id = ${jobs.comebackOf})`,
    })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(eq(vehicles.isCheck, false))
    .orderBy(asc(jobs.number));
