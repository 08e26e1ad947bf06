import 'server-only';
import { isDeepStrictEqual } from 'node:util';
import { eq, inArray, sql } from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import type { Database } from '../../../db/client';
import { sayToLedger, type Who } from '../../../db/repositories';
import { jobs, ledger, type JobOrigin } from '../../../db/schema';
import { accept, refuse, type Answer } from '../../answer';
import { database, inTransaction } from '../../database';
import { learnFrom, learnPending } from '../insights';
import { complaint, JOB_OF } from './complaint';
import { isOwnArchive, type ArchiveDocument } from './document';
import {
  BROUGHT,
  fromArchive,
  fromHistory,
  keyOfRow,
  keysOf,
  TABLE_NAMES,
  TABLES,
  toArchive,
  uniqueOf,
  type ArchiveRow,
  type TableName,
} from './tables';

/** What an import would do with the rows of one table. */
export interface TablePlan {
  readonly table: TableName;
  readonly fresh: number;
  readonly same: number;
  /** Rows that stand here otherwise: ours stay. */
  readonly conflicts: readonly string[];
  /** What is brought under another number or plate, as the one here is taken. */
  readonly renamed: readonly string[];
  /** Rows of other records that this shop does not take over: people, settings, torque figures. */
  readonly leftOut: number;
}

/** What an import would do. */
export interface ImportPlan {
  /** Whether this shop made it and it is as it was made: then it comes back as it was. */
  readonly isOwn: boolean;
  readonly tables: readonly TablePlan[];
}

/**
 * What other records do not bring: who works here and may do what, how this shop works, and
 * figures that vehicles which stand here would be drawn up to.
 */
const OURS_ALONE: readonly TableName[] = ['settings', 'people', 'torqueFigures'];

/** Rows that hang on a set, an axle or a vehicle. */
const PARENT_OF: Readonly<Partial<Record<TableName, string>>> = {
  readings: 'setId',
  readingChanges: 'setId',
  axleLimits: 'axleId',
  axles: 'vehicleId',
};

const CHUNK = 500;
const chunked = <Item>(items: readonly Item[]): Item[][] =>
  Array.from({ length: Math.ceil(items.length / CHUNK) }, (_, i) =>
    items.slice(i * CHUNK, (i + 1) * CHUNK),
  );

/** The rows that stand here under the keys of these, by key. */
async function standing(
  db: Database,
  name: TableName,
  rows: readonly ArchiveRow[],
): Promise<Map<string, ArchiveRow>> {
  const [first] = keysOf(name);
  const found = new Map<string, ArchiveRow>();
  if (!first) return found;
  const column = (TABLES[name] as unknown as Record<string, PgColumn>)[first]!;
  for (const part of chunked([...new Set(rows.map((row) => row[first]))])) {
    const here = await db
      .select()
      .from(TABLES[name] as PgTable)
      .where(inArray(column, part));
    for (const row of here.map(toArchive)) found.set(keyOfRow(name, row), row);
  }
  return found;
}

/** Values of a column that are taken here by rows under other keys. */
async function taken(
  db: Database,
  column: PgColumn,
  values: readonly unknown[],
): Promise<Set<unknown>> {
  const found = new Set<unknown>();
  for (const part of chunked(values)) {
    const rows = await db.select({ value: column }).from(column.table).where(inArray(column, part));
    for (const { value } of rows) found.add(value);
  }
  return found;
}

/** New rows whose place is taken here by another: a second figure for the same fastener, say. */
async function doublesOf(
  db: Database,
  name: TableName,
  rows: readonly ArchiveRow[],
): Promise<ReadonlySet<ArchiveRow>> {
  const unique = uniqueOf(name);
  const [first] = unique;
  if (!first || rows.length === 0) return new Set();
  const naturalKey = (row: Readonly<Record<string, unknown>>): string =>
    JSON.stringify(unique.map(([key]) => row[key] ?? null));
  const places = new Set<string>();
  for (const part of chunked([...new Set(rows.map((row) => row[first[0]]))])) {
    const here = await db
      .select()
      .from(TABLES[name] as PgTable)
      .where(inArray(first[1], part));
    for (const row of here.map(toArchive)) places.add(naturalKey(row));
  }
  return new Set(rows.filter((row) => places.has(naturalKey(row))));
}

interface Planned extends TablePlan {
  readonly insert: readonly ArchiveRow[];
  /** Rows that hang on something that stands here, and do not. */
  readonly lost: readonly ArchiveRow[];
}

/** Whether a row stands here as it comes in; where a job came from is not a part of that. */
const isSame = (name: TableName, ours: ArchiveRow, row: ArchiveRow): boolean =>
  isDeepStrictEqual(ours, name === 'jobs' ? { ...row, origin: ours.origin } : { ...row });

/** Rows of jobs are compared without what an import brings under another name. */
const NAMED: Readonly<
  Partial<Record<TableName, { readonly key: string; readonly column: PgColumn }>>
> = {
  jobs: { key: 'number', column: jobs.number },
  vehicles: { key: 'plate', column: TABLES.vehicles.plate },
  people: { key: 'name', column: TABLES.people.name },
};

/** A name that is free: a number after all others, a plate or name with a count behind it. */
function freeName(value: unknown, isTaken: (value: unknown) => boolean): unknown {
  for (let count = 2; ; count += 1) {
    const next =
      typeof value === 'number' ? value + 100_000 * (count - 1) : `${String(value)} (${count})`;
    if (!isTaken(next)) return next;
  }
}

/** What becomes of the rows of one table. Rows of jobs that conflict stay out with their job. */
async function planTable(
  db: Database,
  name: TableName,
  { rows, isOwn }: { readonly rows: readonly ArchiveRow[]; readonly isOwn: boolean },
  skipped: ReadonlySet<unknown>,
): Promise<Planned> {
  const parent = JOB_OF[name] ?? PARENT_OF[name];
  const hangs = (row: ArchiveRow): boolean => parent !== undefined && skipped.has(row[parent]);
  const hanging = rows.filter(hangs);
  const all = await standing(db, name, rows);
  const isHere = (row: ArchiveRow): boolean => all.has(keyOfRow(name, row));
  const isOut = !isOwn && OURS_ALONE.includes(name);
  const own = isOut ? rows.filter(isHere) : rows.filter((row) => !hangs(row));
  const here = all;
  const unknown = own.filter((row) => !here.has(keyOfRow(name, row)));
  const doubles = await doublesOf(db, name, unknown);
  const fresh = unknown.filter((row) => !doubles.has(row));
  const conflicts = own.filter((row) => {
    const ours = here.get(keyOfRow(name, row));
    return doubles.has(row) || (ours !== undefined && !isSame(name, ours, row));
  });
  const named = NAMED[name];
  const names = named
    ? await taken(
        db,
        named.column,
        fresh.map((row) => row[named.key]),
      )
    : new Set();
  const used = new Set<unknown>([...names, ...fresh.map((row) => named && row[named.key])]);
  const renamed: string[] = [];
  const insert = fresh.map((row) => {
    if (!named || !names.has(row[named.key])) return row;
    const free = freeName(row[named.key], (value) => used.has(value));
    used.add(free);
    renamed.push(`${named.key} ${String(row[named.key])} → ${String(free)}`);
    return { ...row, [named.key]: free };
  });
  return {
    table: name,
    fresh: fresh.length,
    same: own.length - fresh.length - conflicts.length,
    conflicts: conflicts.map((row) => keyOfRow(name, row)),
    renamed,
    insert,
    leftOut: rows.length - own.length - hanging.length,
    lost: hanging.filter((row) => !isHere(row)),
  };
}

/** Rows of tables that a job’s own rows cannot do without are brought with unique keys only. */
async function planAll(db: Database, archive: ArchiveDocument, isOwn: boolean): Promise<Planned[]> {
  const plans: Planned[] = [];
  const skipped = new Set<unknown>();
  for (const name of TABLE_NAMES) {
    const plan = await planTable(db, name, { rows: archive.tables[name], isOwn }, skipped);
    plans.push(plan);
    // A job that stands here is not touched: its readings, checks and photos stay as ours.
    if (name === 'jobs') {
      const inserted = new Set(plan.insert.map(({ id }) => id));
      for (const { id } of archive.tables.jobs) if (!inserted.has(id)) skipped.add(id);
    }
    // Other records bring no axle under a vehicle that stands here; this shop's own may have one more.
    const isParent = name === 'readingSets' || name === 'axles' || (name === 'vehicles' && !isOwn);
    if (isParent) {
      const inserted = new Set(plan.insert.map(({ id }) => id));
      for (const { id } of archive.tables[name]) if (!inserted.has(id)) skipped.add(id);
    }
  }
  return plans;
}

/** Compares the rows that were left out with their jobs, so that the dry run says what differs. */
async function compareKept(
  db: Database,
  archive: ArchiveDocument,
  plans: readonly Planned[],
): Promise<TablePlan[]> {
  const shown: TablePlan[] = [];
  for (const { insert: _, lost: _lost, ...plan } of plans) {
    const rows = archive.tables[plan.table];
    const here = await standing(db, plan.table, rows);
    const kept = rows.filter((row) => here.has(keyOfRow(plan.table, row)));
    const conflicts = kept.filter(
      (row) => !isSame(plan.table, here.get(keyOfRow(plan.table, row))!, row),
    );
    const out = rows.length - plan.fresh - kept.length - plan.leftOut;
    shown.push({
      ...plan,
      same: kept.length - conflicts.length,
      conflicts: [
        ...conflicts.map((row) => keyOfRow(plan.table, row)),
        ...(out > 0 ? [`${out} rows belong to jobs that stand here otherwise`] : []),
      ],
    });
  }
  return shown;
}

/** What an import would bring, what stands here the same, and what is in conflict. */
export async function planImport(archive: ArchiveDocument): Promise<Answer<ImportPlan>> {
  const wrong = complaint(archive);
  if (wrong) return refuse(wrong);
  const db = await database();
  const isOwn = isOwnArchive(archive);
  const plans = await planAll(db, archive, isOwn);
  const why = isOwn ? null : refuseLost(plans);
  return why === null
    ? accept({ isOwn, tables: await compareKept(db, archive, plans) })
    : refuse(why);
}

/** Why rows of other records may not come in: they would change what stands here; else null. */
function refuseLost(plans: readonly Planned[]): string | null {
  for (const { table, lost } of plans) {
    const [row] = lost;
    if (row) {
      return `A row of ${table} (${keyOfRow(table, row)}) would change something that stands here, and this shop did not make the archive. Nothing was changed.`;
    }
  }
  return null;
}

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
  const isOwn = isOwnArchive(archive);
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
