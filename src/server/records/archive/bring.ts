import 'server-only';
import { eq, sql } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import type { JobOrigin } from '../../../core/job';
import type { Database } from '../../../db/client';
import { sayToLedger, type Who } from '../../../db/repositories';
import { jobs, ledger } from '../../../db/schema';
import { accept, refuse, type Answer } from '../../answer';
import { database, inTransaction } from '../../database';
import { learnFrom, learnPending } from '../insights';
import { isSealedHere } from '../shopKey';
import { complaint } from './complaint';
import type { ArchiveDocument } from './document';
import {
  CHUNK,
  chunked,
  compareKept,
  planAll,
  refuseLost,
  type ImportPlan,
  type TablePlan,
} from './plan';
import {
  BROUGHT,
  fromArchive,
  fromHistory,
  TABLES,
  type ArchiveRow,
  type TableName,
} from './tables';

/** Jobs go in open, with their ends and their earlier jobs written once everything hangs on them. */
const asOpen = (row: ArchiveRow): ArchiveRow => ({ ...row, closedAt: null, comebackOf: null });

async function insertRows(
  db: Database,
  name: TableName,
  rows: readonly ArchiveRow[],
): Promise<void> {
  // What came after what is not the order of an archive’s rows: checks go in as they were written.
  const inOrder =
    name === 'checks' ? rows.toSorted((p, q) => String(p.at).localeCompare(String(q.at))) : rows;
  for (const part of chunked(inOrder)) {
    const values = part.map((row) => fromArchive(name, row));
    const insert = db.insert(TABLES[name] as PgTable);
    await (name === 'jobs' ? insert.overridingSystemValue() : insert).values(values);
  }
}

async function endJobs(db: Database, rows: readonly ArchiveRow[]): Promise<void> {
  for (const row of rows) {
    const { closedAt, comebackOf } = fromArchive('jobs', row);
    if (closedAt === null && comebackOf === null) continue;
    await db
      .update(jobs)
      .set({ closedAt: closedAt as Date | null, comebackOf: comebackOf as string | null })
      .where(eq(jobs.id, String(row.id)));
  }
}

/** Numbers of new jobs go on after the highest on file. */
const goOnNumbering = (db: Database) =>
  db.execute(
    sql`select setval(pg_get_serial_sequence('jobs', 'number'), greatest((select max(number) from jobs), 100))`,
  );

/** What is brought in, by whom. */
interface Bringing {
  readonly archive: ArchiveDocument;
  readonly isOwn: boolean;
  readonly who: Who | null;
}

/** Jobs of other records say where they came from, and are no comeback of a job of this shop. */
function asForeign({ archive, who }: Bringing, rows: readonly ArchiveRow[]): ArchiveRow[] {
  const at = new Date().toISOString();
  const ids = new Set(rows.map(({ id }) => id));
  return rows.map((row): ArchiveRow => {
    const isSignedThere = row.closedAt !== null;
    const origin: JobOrigin = { made: archive.made, by: who?.name ?? null, at, isSignedThere };
    return { ...row, origin, comebackOf: ids.has(row.comebackOf) ? row.comebackOf : null };
  });
}

/**
 * The history of what comes in, as it was written where it comes from: of this shop with its
 * names and answers, of other records with names that are not from here, and answers that do
 * not count here.
 */
const asElsewhere = (line: ArchiveRow): ArchiveRow => ({
  ...line,
  // Nothing is signed or answered by what comes in: from a sign-off on, changes would count no more.
  op: line.op === 'sign' || line.op === 'answer' ? 'import' : line.op,
  who: `${typeof line.who === 'string' ? line.who : 'nobody named'} (elsewhere)`,
  role: null,
  what: line.what === 'answer' ? 'answered elsewhere' : line.what,
});

/** Writes the history of what is new, in its order; answers point at the lines that they answer. */
async function bringHistory(
  tx: Database,
  { archive, isOwn, who }: Bringing,
  {
    jobIds,
    vehicleIds,
  }: { readonly jobIds: ReadonlySet<unknown>; readonly vehicleIds: ReadonlySet<unknown> },
): Promise<void> {
  // A line is about something that is new, and about nothing that stands here.
  const isFresh = ({ jobId, vehicleId }: ArchiveRow): boolean =>
    (jobId === null || jobIds.has(jobId)) &&
    (vehicleId === null || vehicleIds.has(vehicleId)) &&
    !(jobId === null && vehicleId === null);
  const lines = archive.history.filter(isFresh);
  const placeOf = new Map<unknown, number>();
  // An answer names a line by its place: those before it are written first.
  const parts: ArchiveRow[][] = [[]];
  for (const line of lines) {
    const last = parts.at(-1)!;
    if (line.what === 'answer' || last.length >= CHUNK) parts.push([line]);
    else last.push(line);
  }
  for (const part of parts.filter(({ length }) => length > 0)) {
    const rows = part.map((line) =>
      fromHistory(answered(isOwn ? line : asElsewhere(line), placeOf)),
    );
    const written = await tx.insert(ledger).values(rows).returning({ seq: ledger.seq });
    written.forEach(({ seq }, i) => placeOf.set(part[i]?.line, seq));
  }
  const came = {
    ...{ what: BROUGHT, op: 'import' as const, who: who?.name ?? null, role: who?.role ?? null },
    place: isOwn ? 'an archive of this shop' : 'an archive of other records',
    reason: `made ${archive.made}`,
  };
  const ends = [
    ...[...jobIds].map((id) => ({ ...came, jobId: String(id) })),
    ...[...vehicleIds].map((id) => ({ ...came, vehicleId: String(id) })),
  ];
  for (const part of chunked(ends)) await tx.insert(ledger).values(part);
}

/** An answer with the place that the line it answers has here. */
function answered(line: ArchiveRow, placeOf: ReadonlyMap<unknown, number>): ArchiveRow {
  const after = line.after as { readonly of?: unknown } | null;
  const of = line.op === 'answer' ? placeOf.get(after?.of) : undefined;
  return of === undefined ? line : { ...line, after: { ...after, of } };
}

/** A gauge of other records: it was read with there, and is none of this shop’s. */
const outOfUse = (row: ArchiveRow): ArchiveRow => ({
  ...row,
  isUsual: false,
  retiredAt: row.retiredAt ?? new Date().toISOString(),
});

/** Writes what is new of an archive, all of it or nothing; answers with what was done. */
const write = (bringing: Bringing): Promise<Answer<Written>> =>
  inTransaction(async (tx) => {
    const { archive, isOwn } = bringing;
    // What comes in brings its own history: its rows are not told one by one.
    await sayToLedger(tx, { op: 'return' });
    const plans = await planAll(tx, archive, isOwn);
    const why = isOwn ? null : refuseLost(plans);
    if (why !== null) return refuse(why);
    const shown = await compareKept(tx, archive, plans);
    const freshOf = (name: TableName): readonly ArchiveRow[] =>
      plans.find(({ table }) => table === name)?.insert ?? [];
    const fresh = isOwn ? freshOf('jobs') : asForeign(bringing, freshOf('jobs'));
    for (const { table, insert } of plans) {
      const own = !isOwn && table === 'gauges' ? insert.map(outOfUse) : insert;
      await insertRows(tx, table, table === 'jobs' ? fresh.map(asOpen) : own);
    }
    await endJobs(tx, fresh);
    if (fresh.length > 0) await goOnNumbering(tx);
    await bringHistory(tx, bringing, {
      jobIds: new Set(fresh.map(({ id }) => id)),
      vehicleIds: new Set(freshOf('vehicles').map(({ id }) => id)),
    });
    await sayToLedger(tx, { op: null });
    return accept({ shown, fresh });
  });

interface Written {
  readonly shown: readonly TablePlan[];
  readonly fresh: readonly ArchiveRow[];
}

/** Learns from the closed jobs that came in, and anew from those that one of them came back from. */
async function learnFromImport(fresh: readonly ArchiveRow[]): Promise<void> {
  await learnPending();
  for (const { comebackOf } of fresh) {
    if (typeof comebackOf === 'string') await learnFrom(await database(), comebackOf);
  }
}

/** What PostgreSQL calls data that it does not take (22), or that breaks a rule of the schema (23). */
const DOES_NOT_FIT = /^2[23]/;

/** Why rows do not fit these records; null for any other fault. */
function misfitOf(error: unknown): string | null {
  const cause = error instanceof Error ? error.cause : undefined;
  if (!(cause instanceof Error) || !('code' in cause)) return null;
  if (!DOES_NOT_FIT.test(String(cause.code))) return null;
  return 'detail' in cause && typeof cause.detail === 'string' ? cause.detail : cause.message;
}

/**
 * Brings what an archive has and these records have not; nothing here is written over. All of it
 * or nothing. Answers with what was done.
 */
export async function importArchive(
  archive: ArchiveDocument,
  who: Who | null = null,
): Promise<Answer<ImportPlan>> {
  const wrong = complaint(archive);
  if (wrong) return refuse(wrong);
  const isOwn = isSealedHere(archive);
  let written: Answer<Written>;
  try {
    written = await write({ archive, isOwn, who });
  } catch (error) {
    const misfit = misfitOf(error);
    if (misfit === null) throw error;
    return refuse(`The archive does not fit these records: ${misfit}. Nothing was changed.`);
  }
  if (!written.ok) return written;
  await learnFromImport(written.value.fresh);
  return accept({ isOwn, tables: written.value.shown });
}
