import 'server-only';
import { and, asc, count, eq, inArray, isNotNull, ne, or, type SQL } from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import { idSchema } from '../../../core/contracts';
import type { Database } from '../../../db/client';
import {
  additions,
  axleLimits,
  axles,
  checks,
  decisions,
  findings,
  findingsAside,
  gauges,
  jobCorners,
  jobs,
  ledger,
  photoBlobs,
  photos,
  readingChanges,
  readings,
  readingSets,
  rechecks,
  roadTests,
  trayParts,
  vehicles,
} from '../../../db/schema';
import { database } from '../../database';
import { sealed } from '../shopKey';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type ArchiveDocument } from './document';
import {
  BROUGHT,
  keyOfRow,
  TABLE_NAMES,
  TABLES,
  toArchive,
  toHistory,
  type ArchiveRow,
  type TableName,
} from './tables';

/** What of the records goes into an archive. */
export type Scope =
  | { readonly kind: 'all' }
  | { readonly kind: 'vehicle'; readonly id: string }
  | { readonly kind: 'job'; readonly id: string };

/** Which rows of a table belong to a scope; undefined for all, null for none. */
type Condition = SQL | undefined | null;

const byKey = (name: TableName) => (p: ArchiveRow, q: ArchiveRow) => {
  const [a, b] = [keyOfRow(name, p), keyOfRow(name, q)];
  return a < b ? -1 : a > b ? 1 : 0;
};

/** The rows of a table that belong to a scope, in the order of their keys. */
async function rowsOf(db: Database, name: TableName, where: Condition): Promise<ArchiveRow[]> {
  if (where === null) return [];
  const rows = await db
    .select()
    .from(TABLES[name] as PgTable)
    .where(where);
  return rows.map(toArchive).sort(byKey(name));
}

const idsOf = (rows: readonly ArchiveRow[], key = 'id'): string[] => [
  ...new Set(rows.flatMap((row) => (typeof row[key] === 'string' ? [row[key]] : []))),
];

const among = (column: PgColumn, ids: readonly string[]): Condition =>
  ids.length === 0 ? null : inArray(column, [...ids]);

/** Conditions of every table for one vehicle, all of its jobs or one of them. */
async function conditions(
  db: Database,
  scope: Exclude<Scope, { kind: 'all' }>,
): Promise<Partial<Record<TableName, Condition>>> {
  const jobRows = await rowsOf(
    db,
    'jobs',
    scope.kind === 'job' ? eq(jobs.id, scope.id) : eq(jobs.vehicleId, scope.id),
  );
  const jobIds = idsOf(jobRows);
  const vehicleIds = scope.kind === 'vehicle' ? [scope.id] : idsOf(jobRows, 'vehicleId');
  const axleIds = idsOf(await rowsOf(db, 'axles', among(axles.vehicleId, vehicleIds)));
  const sets = await rowsOf(db, 'readingSets', among(readingSets.jobId, jobIds));
  const pictures = await rowsOf(db, 'photos', among(photos.jobId, jobIds));
  return {
    gauges: among(gauges.id, idsOf(sets, 'gaugeId')),
    vehicles: among(vehicles.id, vehicleIds),
    axles: among(axles.id, axleIds),
    axleLimits: among(axleLimits.axleId, axleIds),
    jobs: among(jobs.id, jobIds),
    jobCorners: among(jobCorners.jobId, jobIds),
    readingSets: among(readingSets.jobId, jobIds),
    readings: among(readings.setId, idsOf(sets)),
    readingChanges: among(readingChanges.setId, idsOf(sets)),
    decisions: among(decisions.jobId, jobIds),
    findings: among(findings.jobId, jobIds),
    findingsAside: among(findingsAside.jobId, jobIds),
    checks: among(checks.jobId, jobIds),
    trayParts: among(trayParts.jobId, jobIds),
    photoBlobs: among(photoBlobs.sha256, idsOf(pictures, 'sha256')),
    photos: among(photos.jobId, jobIds),
    roadTests: among(roadTests.jobId, jobIds),
    additions: among(additions.jobId, jobIds),
    rechecks: among(rechecks.jobId, jobIds),
  };
}

/** A comeback whose earlier job is not in the archive stands for itself. */
const withoutStrangers = (rows: readonly ArchiveRow[]): ArchiveRow[] => {
  const known = new Set(idsOf(rows));
  return rows.map((row) =>
    typeof row.comebackOf === 'string' && !known.has(row.comebackOf)
      ? { ...row, comebackOf: null }
      : row,
  );
};

/** Most readings that one document is made of: beyond, it would be larger than any that is taken in. */
const MOST_READINGS = 1_200_000;

/** Why everything is too much for one document; null where it is not. */
export async function refuseWhole(): Promise<string | null> {
  const db = await database();
  const [{ all } = { all: 0 }] = await db.select({ all: count() }).from(readings);
  if (all <= MOST_READINGS) return null;
  return `There are ${all.toLocaleString('en')} readings on file, too many for one document. Take a copy (Workshop, Copies), or vehicles one by one.`;
}

/** What became of jobs and vehicles, in order. That they came in from an archive is left out. */
async function historyFor(
  db: Database,
  { kind }: Scope,
  tables: ArchiveDocument['tables'],
): Promise<ArchiveRow[]> {
  const jobIds = idsOf(tables.jobs);
  const vehicleIds = idsOf(tables.vehicles);
  if (jobIds.length + vehicleIds.length === 0) return [];
  const isOfAny =
    kind === 'all'
      ? or(isNotNull(ledger.jobId), isNotNull(ledger.vehicleId))
      : or(
          jobIds.length > 0 ? inArray(ledger.jobId, jobIds) : undefined,
          vehicleIds.length > 0 ? inArray(ledger.vehicleId, vehicleIds) : undefined,
        );
  const rows = await db
    .select()
    .from(ledger)
    .where(and(isOfAny, ne(ledger.what, BROUGHT)))
    .orderBy(asc(ledger.seq));
  return rows.map(toHistory);
}

/** Makes an archive, or null where what it is of is not on file. */
export async function makeArchive(scope: Scope): Promise<ArchiveDocument | null> {
  if (scope.kind !== 'all' && !idSchema.safeParse(scope.id).success) return null;
  const db = await database();
  const where = scope.kind === 'all' ? null : await conditions(db, scope);
  const tables: [TableName, ArchiveRow[]][] = [];
  for (const name of TABLE_NAMES) {
    const condition = where === null ? undefined : (where[name] ?? null);
    tables.push([name, await rowsOf(db, name, condition)]);
  }
  const made = Object.fromEntries(tables) as unknown as ArchiveDocument['tables'];
  if (scope.kind !== 'all' && made.vehicles.length === 0) return null;
  return sealed<ArchiveDocument>({
    format: ARCHIVE_FORMAT,
    version: ARCHIVE_VERSION,
    made: new Date().toISOString(),
    scope: scope.kind,
    tables: { ...made, jobs: withoutStrangers(made.jobs) },
    history: await historyFor(db, scope, made),
  });
}
