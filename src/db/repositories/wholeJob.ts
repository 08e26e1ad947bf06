import { group } from 'd3-array';
import { inArray, sql, type SQL } from 'drizzle-orm';
import {
  idSchema,
  readCheckEntry,
  readChoices,
  readShop,
  roadTestSummarySchema,
} from '../../core/contracts';
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
  RULES_SETTING,
  settings,
  SHOP_SETTING,
  torqueFigures,
  trayParts,
  vehicles,
} from '../schema';
import type { CheckRow } from './checks';
import { asRead } from './sets';
import { axlesAsSigned, torqueAsSigned } from './signed';
import type { VehicleRow } from './vehicles';
import { askWholeJob, versionFor, type JobDocuments } from '../wholeJobQuestion';
import { decodeRows } from '../wholeRows';

/** How far a job was written, as `Job.reach` has it. */
export async function versionOf(db: Database, id: string): Promise<number> {
  const answer = await db.execute(sql`select (${versionFor(sql`${id}`)}) as version`);
  const [row] = (answer as unknown as { rows: { version: string | number }[] }).rows;
  return Number(row?.version ?? 0);
}

/** How far some jobs, their vehicles and the shop were written: the same text, the same jobs. */
export async function reachesOf(
  db: Database,
  ids: readonly string[],
): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const seq = (of: SQL): SQL => sql`(select max(own.seq) from ledger own where ${of})`;
  const answer = await db
    .select({
      id: jobs.id,
      reach: sql<string>`concat_ws('/',
        coalesce(${seq(sql`own.job_id = ${jobs.id}`)}, 0),
        coalesce(${seq(sql`own.vehicle_id = ${jobs.vehicleId}`)}, 0),
        coalesce(${seq(sql`own.job_id is null and own.vehicle_id is null`)}, 0))`,
    })
    .from(jobs)
    .where(inArray(jobs.id, [...ids]));
  return new Map(answer.map(({ id, reach }) => [id, reach]));
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
    sets: decodeRows(readingSets, documents.sets).map((set) =>
      asRead(set, bySet.get(set.id) ?? []),
    ),
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
  if (!idSchema.safeParse(id).success) return null;
  const answer = await db.execute(askWholeJob(id));
  // Both drivers answer a plain statement with its rows under this name.
  const [documents] = (answer as unknown as { rows: JobDocuments[] }).rows;
  return documents ? jobOf(documents) : null;
}
