import 'server-only';
import { isDeepStrictEqual } from 'node:util';
import { inArray } from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import type { Database } from '../../../db/client';
import { jobs } from '../../../db/schema';
import { accept, refuse, type Answer } from '../../answer';
import { database } from '../../database';
import { isSealedHere } from '../shopKey';
import { complaint, JOB_OF } from './complaint';
import type { ArchiveDocument } from './document';
import {
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

export const CHUNK = 500;
export const chunked = <Item>(items: readonly Item[]): Item[][] =>
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
export async function planAll(
  db: Database,
  archive: ArchiveDocument,
  isOwn: boolean,
): Promise<Planned[]> {
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
export async function compareKept(
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
  const isOwn = isSealedHere(archive);
  const plans = await planAll(db, archive, isOwn);
  const why = isOwn ? null : refuseLost(plans);
  return why === null
    ? accept({ isOwn, tables: await compareKept(db, archive, plans) })
    : refuse(why);
}

/** Why rows of other records may not come in: they would change what stands here; else null. */
export function refuseLost(plans: readonly Planned[]): string | null {
  for (const { table, lost } of plans) {
    const [row] = lost;
    if (row) {
      return `A row of ${table} (${keyOfRow(table, row)}) would change something that stands here, and this shop did not make the archive. Nothing was changed.`;
    }
  }
  return null;
}
