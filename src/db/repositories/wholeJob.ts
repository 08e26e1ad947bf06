import { group } from 'd3-array';
import { asc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import { readCheckEntry, readChoices, readShop, roadTestSummarySchema } from '../../core/contracts';
import type { Check, Job, Vehicle } from '../../core/job';
import type { Database } from '../client';
import {
  additions,
  axleLimits,
  axles,
  checks,
  decisions,
  findings,
  findingsAside,
  jobCorners,
  jobs,
  ledger,
  photoBlobs,
  photos,
  readings,
  readingSets,
  rechecks,
  roadTests,
  settings,
  torqueFigures,
  trayParts,
  vehicles,
} from '../schema';
import type { CheckRow } from './checks';
import { RULES_SETTING, SHOP_SETTING } from './settings';
import { axlesAsSigned, torqueAsSigned } from './signed';
import type { VehicleRow } from './vehicles';
import { decodeRows, rowsAsDocument } from './wholeRows';

/** The rows of a job, each table’s as a document. */
type JobDocuments = Record<
  | 'job'
  | 'vehicle'
  | 'corners'
  | 'axles'
  | 'limits'
  | 'sets'
  | 'readings'
  | 'decisions'
  | 'findings'
  | 'aside'
  | 'roadTests'
  | 'checks'
  | 'tray'
  | 'photos'
  | 'blobs'
  | 'torque'
  | 'additions'
  | 'rechecks'
  | 'past'
  | 'reach'
  | 'settings',
  unknown
>;

/**
 * The lines of the ledger that a job is judged by: its own, and those of its vehicle from its
 * beginning to its sign-off.
 */
function graveFor(id: string, vehicleId: SQL): SQL {
  const begun = sql`coalesce((select min(own.seq) from ledger own where own.job_id = ${id}), 0)`;
  const signed = sql`(select max(own.seq) from ledger own where own.job_id = ${id} and own.is_grave and own.op = 'sign')`;
  const isDuring = sql`own.seq > ${begun} and own.seq < coalesce(${signed}, 9223372036854775807)`;
  // Two questions, each by its own small index: one with “or” reads the whole history.
  return sql`${ledger.seq} in (
    select own.seq from ledger own where own.is_grave and own.job_id = ${id}
    union all
    select own.seq from ledger own where own.is_grave and own.vehicle_id = ${vehicleId} and ${isDuring})`;
}

/** The last line of the ledger about a job; 0 where there is none. */
const versionFor = (id: string): SQL =>
  sql`select coalesce(max(own.seq), 0) from ledger own where own.job_id = ${id}`;

/** How far a job was written, as `Job.reach` has it. */
export async function versionOf(db: Database, id: string): Promise<number> {
  const answer = await db.execute(sql`select (${versionFor(id)}) as version`);
  const [row] = (answer as unknown as { rows: { version: string | number }[] }).rows;
  return Number(row?.version ?? 0);
}

/** One statement that answers with everything of a job. */
function statementFor(id: string): SQL {
  const vehicleId = sql`(select ${jobs.vehicleId} from ${jobs} where ${jobs.id} = ${id})`;
  const ofVehicle = sql`exists (select 1 from ${vehicles} where ${vehicles.id} = ${vehicleId}
    and ${torqueFigures.make} = ${vehicles.make} and ${torqueFigures.model} = ${vehicles.model}
    and ${torqueFigures.year} = coalesce(${vehicles.year}, 0)
    and ${torqueFigures.drive} = coalesce(${vehicles.drive}::text, '')
    and ${torqueFigures.variant} = ${vehicles.variant})`;
  const parts: Record<keyof JobDocuments, SQL> = {
    job: rowsAsDocument(jobs, { where: eq(jobs.id, id) }),
    vehicle: rowsAsDocument(vehicles, { where: sql`${vehicles.id} = ${vehicleId}` }),
    corners: rowsAsDocument(jobCorners, {
      where: eq(jobCorners.jobId, id),
      orderBy: asc(jobCorners.corner),
    }),
    axles: rowsAsDocument(axles, {
      where: sql`${axles.vehicleId} = ${vehicleId}`,
      orderBy: asc(axles.position),
    }),
    limits: rowsAsDocument(axleLimits, {
      where: sql`${axleLimits.axleId} in (select ${axles.id} from ${axles} where ${axles.vehicleId} = ${vehicleId})`,
    }),
    sets: rowsAsDocument(readingSets, {
      where: eq(readingSets.jobId, id),
      orderBy: sql`${readingSets.createdAt}, ${readingSets.id}`,
    }),
    readings: rowsAsDocument(readings, {
      where: sql`${readings.setId} in (select ${readingSets.id} from ${readingSets} where ${readingSets.jobId} = ${id})`,
      orderBy: sql`${readings.lap}, ${readings.position}`,
    }),
    decisions: rowsAsDocument(decisions, { where: eq(decisions.jobId, id) }),
    findings: rowsAsDocument(findings, {
      where: eq(findings.jobId, id),
      orderBy: asc(findings.foundAt),
    }),
    aside: rowsAsDocument(findingsAside, { where: eq(findingsAside.jobId, id) }),
    roadTests: rowsAsDocument(roadTests, {
      where: eq(roadTests.jobId, id),
      orderBy: asc(roadTests.takenAt),
      left: ['raw'],
    }),
    checks: rowsAsDocument(checks, { where: eq(checks.jobId, id), orderBy: asc(checks.seq) }),
    tray: rowsAsDocument(trayParts, {
      where: eq(trayParts.jobId, id),
      orderBy: sql`${trayParts.takenAt}, ${trayParts.id}`,
    }),
    photos: rowsAsDocument(photos, {
      where: eq(photos.jobId, id),
      orderBy: sql`${photos.takenAt}, ${photos.id}`,
    }),
    blobs: rowsAsDocument(photoBlobs, {
      where: sql`${photoBlobs.sha256} in (select ${photos.sha256} from ${photos} where ${photos.jobId} = ${id})`,
      left: ['picture', 'thumb'],
    }),
    torque: rowsAsDocument(torqueFigures, { where: ofVehicle }),
    additions: rowsAsDocument(additions, {
      where: eq(additions.jobId, id),
      orderBy: asc(additions.at),
    }),
    rechecks: rowsAsDocument(rechecks, {
      where: eq(rechecks.jobId, id),
      orderBy: asc(rechecks.at),
    }),
    past: rowsAsDocument(ledger, { where: graveFor(id, vehicleId), orderBy: asc(ledger.seq) }),
    reach: sql`jsonb_build_object(
      'job', (${versionFor(id)}),
      'vehicle', (select coalesce(max(own.seq), 0) from ledger own where own.vehicle_id = ${vehicleId}),
      'shop', (select coalesce(max(own.seq), 0) from ledger own where own.job_id is null and own.vehicle_id is null))`,
    settings: rowsAsDocument(settings, {
      where: inArray(settings.key, [RULES_SETTING, SHOP_SETTING]),
    }),
  };
  const named = Object.entries(parts).map(
    ([name, part]) => sql`${part} as ${sql.identifier(name)}`,
  );
  return sql`select ${sql.join(named, sql`, `)}`;
}

/** Checks as stored, parsed by the registry; those that this version cannot read by themselves. */
export function readChecks(rows: readonly CheckRow[]): Pick<Job, 'checks' | 'unreadChecks'> {
  const read: Check[] = [];
  const unread: Job['unreadChecks'][number][] = [];
  for (const { kind, place, item, value, note, by, at, stamp, seq } of rows) {
    const entry = readCheckEntry(kind, place, item, value);
    if (entry) read.push({ ...entry, note, by, at, stamp, seq });
    else unread.push({ kind, item });
  }
  return { checks: read, unreadChecks: unread };
}

/** The vehicle with its axles as they stand on file. */
function vehicleOf(row: VehicleRow, documents: JobDocuments): Vehicle {
  const limits = group(decodeRows(axleLimits, documents.limits), ({ axleId }) => axleId);
  return {
    ...row,
    axles: decodeRows(axles, documents.axles).map((axle) => ({
      ...axle,
      limits: limits.get(axle.id) ?? [],
    })),
  };
}

/** The rows of a job as the core knows it: the one place where rows become a job. */
function jobOf(documents: JobDocuments): Job | null {
  const [row] = decodeRows(jobs, documents.job);
  const [vehicleRow] = decodeRows(vehicles, documents.vehicle);
  if (!row || !vehicleRow) return null;
  const { signedAs: signed, vehicleId: _vehicleId, ...own } = row;
  const vehicle = vehicleOf(vehicleRow, documents);
  const bySet = group(decodeRows(readings, documents.readings), ({ setId }) => setId);
  const sizes = new Map(decodeRows(photoBlobs, documents.blobs).map((blob) => [blob.sha256, blob]));
  const kept = new Map(
    decodeRows(settings, documents.settings).map(({ key, value }) => [key, value] as const),
  );
  return {
    ...own,
    keepsFigures: signed !== null,
    vehicle: signed ? { ...vehicle, ...signed.vehicle, axles: axlesAsSigned(signed) } : vehicle,
    corners: decodeRows(jobCorners, documents.corners).map(({ corner }) => corner),
    sets: decodeRows(readingSets, documents.sets).map((set) => ({
      ...set,
      readings: bySet.get(set.id) ?? [],
    })),
    decisions: decodeRows(decisions, documents.decisions),
    findings: decodeRows(findings, documents.findings),
    aside: decodeRows(findingsAside, documents.aside).map(({ code }) => code),
    roadTests: decodeRows(roadTests, documents.roadTests).map(({ summary, ...test }) => ({
      ...test,
      summary: roadTestSummarySchema.safeParse(summary).data ?? null,
    })),
    ...readChecks(decodeRows(checks, documents.checks)),
    tray: decodeRows(trayParts, documents.tray),
    photos: decodeRows(photos, documents.photos).map((photo) => ({
      ...photo,
      width: sizes.get(photo.sha256)?.width ?? 0,
      height: sizes.get(photo.sha256)?.height ?? 0,
    })),
    torque: signed ? torqueAsSigned(signed) : decodeRows(torqueFigures, documents.torque),
    additions: decodeRows(additions, documents.additions),
    rechecks: decodeRows(rechecks, documents.rechecks),
    past: decodeRows(ledger, documents.past),
    reach: documents.reach as Job['reach'],
    shopRules: readChoices(signed ? signed.rules : kept.get(RULES_SETTING)),
    shop: readShop(signed ? signed.shop : kept.get(SHOP_SETTING)),
  };
}

/**
 * One job with all that hangs on it, of one moment, or null; a signed one with the figures that
 * it was signed with.
 */
export async function findJob(db: Database, id: string): Promise<Job | null> {
  const answer = await db.execute(statementFor(id));
  // Both drivers answer a plain statement with its rows under this name.
  const [documents] = (answer as unknown as { rows: JobDocuments[] }).rows;
  return documents ? jobOf(documents) : null;
}
