import { asc, desc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import { PgDialect } from 'drizzle-orm/pg-core';
import { idSchema } from '../core/contracts';
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
} from './schema';
import { rowsAsDocument } from './wholeRows';

/** The rows of a job, each table’s as a document. */
export type JobDocuments = Record<
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
function graveFor(id: SQL, vehicleId: SQL): SQL {
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
export const versionFor = (id: SQL): SQL =>
  sql`select coalesce(max(own.seq), 0) from ledger own where own.job_id = ${id}`;

/** The vehicle of a job, by its id. */
const vehicleFor = (id: SQL): SQL =>
  sql`(select ${jobs.vehicleId} from ${jobs} where ${jobs.id} = ${id})`;

/** What is asked of a job’s vehicle. */
function askOfVehicle(vehicleId: SQL): Record<'vehicle' | 'axles' | 'limits' | 'torque', SQL> {
  const ofVehicle = sql`exists (select 1 from ${vehicles} where ${vehicles.id} = ${vehicleId}
    and ${torqueFigures.make} = ${vehicles.make} and ${torqueFigures.model} = ${vehicles.model}
    and ${torqueFigures.year} = coalesce(${vehicles.year}, 0)
    and ${torqueFigures.drive} = coalesce(${vehicles.drive}::text, '')
    and ${torqueFigures.variant} = case when ${vehicles.make} = '' and ${vehicles.model} = ''
      then 'plate ' || ${vehicles.plate} else ${vehicles.variant} end
    and ${torqueFigures.wheel} in ('', coalesce(${vehicles.wheel}::text, '')))`;
  return {
    vehicle: rowsAsDocument(vehicles, { where: sql`${vehicles.id} = ${vehicleId}` }),
    axles: rowsAsDocument(axles, {
      where: sql`${axles.vehicleId} = ${vehicleId}`,
      orderBy: asc(axles.position),
    }),
    limits: rowsAsDocument(axleLimits, {
      where: sql`${axleLimits.axleId} in (select ${axles.id} from ${axles} where ${axles.vehicleId} = ${vehicleId})`,
    }),
    // A figure for its wheels comes before one for any.
    torque: rowsAsDocument(torqueFigures, {
      where: ofVehicle,
      orderBy: desc(torqueFigures.wheel),
    }),
  };
}

/** What is asked of a job’s readings and of what was found in it. */
function askOfFound(
  id: SQL,
): Record<'sets' | 'readings' | 'decisions' | 'findings' | 'aside' | 'roadTests', SQL> {
  return {
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
  };
}

/** What is asked of a job’s parts that are off and of its pictures. */
function askOfTray(id: SQL): Record<'tray' | 'photos' | 'blobs', SQL> {
  return {
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
  };
}

/** How far the ledger goes about a job, its vehicle and the shop: what a copy of it in memory is held against. */
const reachFor = (id: SQL, vehicleId: SQL): SQL => sql`jsonb_build_object(
  'job', (${versionFor(id)}),
  'vehicle', (select coalesce(max(own.seq), 0) from ledger own where own.vehicle_id = ${vehicleId}),
  'shop', (select coalesce(max(own.seq), 0) from ledger own where own.job_id is null and own.vehicle_id is null))`;

/** One question that answers with everything of a job. */
function questionFor(id: SQL): SQL {
  const vehicleId = vehicleFor(id);
  const parts: Record<keyof JobDocuments, SQL> = {
    job: rowsAsDocument(jobs, { where: eq(jobs.id, id) }),
    corners: rowsAsDocument(jobCorners, {
      where: eq(jobCorners.jobId, id),
      orderBy: asc(jobCorners.corner),
    }),
    ...askOfVehicle(vehicleId),
    ...askOfFound(id),
    ...askOfTray(id),
    checks: rowsAsDocument(checks, { where: eq(checks.jobId, id), orderBy: asc(checks.seq) }),
    additions: rowsAsDocument(additions, {
      where: eq(additions.jobId, id),
      orderBy: asc(additions.at),
    }),
    rechecks: rowsAsDocument(rechecks, {
      where: eq(rechecks.jobId, id),
      orderBy: asc(rechecks.at),
    }),
    past: rowsAsDocument(ledger, { where: graveFor(id, vehicleId), orderBy: asc(ledger.seq) }),
    reach: reachFor(id, vehicleId),
    settings: rowsAsDocument(settings, {
      where: inArray(settings.key, [RULES_SETTING, SHOP_SETTING]),
    }),
  };
  const named = Object.entries(parts).map(
    ([name, part]) => sql`${part} as ${sql.identifier(name)}`,
  );
  return sql`select ${sql.join(named, sql`, `)}`;
}

const WHOLE_JOB = 'whole_job';

/** Asks for everything of a job. No parameter can be given to it: throws on what is no id. */
export const askWholeJob = (id: string): SQL =>
  sql.raw(`execute ${WHOLE_JOB}('${idSchema.parse(id)}')`);

/**
 * The statement that every connection keeps ready for `findJob`: put together and planned each
 * time it would take eight times as long as it takes to answer.
 */
export function prepareWholeJob(): string {
  const question = questionFor(sql.raw('$1')).inlineParams();
  return `prepare ${WHOLE_JOB}(uuid) as ${new PgDialect().sqlToQuery(question).sql}`;
}
