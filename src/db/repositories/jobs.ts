import { and, asc, count, desc, eq, inArray, isNull, lt, notInArray, or, sql } from 'drizzle-orm';
import type { Database } from '../client';
import {
  checks,
  decisions,
  jobCorners,
  jobs,
  readings,
  readingSets,
  trayParts,
  vehicles,
} from '../schema';
import { asideOf, findingsOf, type FindingRow } from './findings';
import { withReadings, type SetFile, type SetRow } from './sets';
import { readSetting, RULES_SETTING, SHOP_SETTING } from './settings';
import { checksOf, type CheckRow } from './checks';
import { roadTestsOf, type RoadTestLine } from './roadTests';
import { photosOf, trayOf, type PhotoLine, type TrayPartRow } from './tray';
import { additionsOf, rechecksOf, type AdditionRow, type RecheckRow } from './closing';
import { torqueFiguresOf, torqueKeyOf, type TorqueFigureRow } from './torque';
import { axlesAsSigned, torqueAsSigned } from './signed';
import { axlesOf, type AxleRow, type VehicleRow } from './vehicles';

export type JobRow = typeof jobs.$inferSelect;
export type CornerName = (typeof jobCorners.$inferSelect)['corner'];
export type DecisionRow = typeof decisions.$inferSelect;

/** Everything of one job. */
export interface JobFile {
  readonly job: JobRow;
  readonly vehicle: VehicleRow & { readonly axles: readonly AxleRow[] };
  readonly corners: readonly CornerName[];
  /** Sets in the order they were begun, those set aside among them. */
  readonly sets: readonly SetFile[];
  readonly decisions: readonly DecisionRow[];
  readonly findings: readonly FindingRow[];
  /** Codes of the findings that were set aside. */
  readonly aside: readonly string[];
  readonly roadTests: readonly RoadTestLine[];
  /** What was gone through of the procedure. */
  readonly checks: readonly CheckRow[];
  /** Parts that were taken off, those back on among them. */
  readonly tray: readonly TrayPartRow[];
  readonly photos: readonly PhotoLine[];
  /** Torque figures on file for the vehicle and its like. */
  readonly torque: readonly TorqueFigureRow[];
  /** What was added after it was signed off. */
  readonly additions: readonly AdditionRow[];
  readonly rechecks: readonly RecheckRow[];
  /** The shop's house rules as stored: schools by rule. */
  readonly shopRules: unknown;
  /** The shop's prices and equipment as stored. */
  readonly shop: unknown;
}

/** One line of the list of jobs. */
export interface JobLine {
  readonly id: string;
  readonly number: number;
  readonly plate: string;
  readonly make: string;
  readonly model: string;
  readonly complaint: string;
  readonly createdAt: Date;
  readonly corners: readonly CornerName[];
  readonly sets: number;
  /** Corner and kind pairs of which a set is read to its end. */
  readonly measured: number;
  readonly decided: number;
  /** Whether it waits for parts, its vehicle blocked from moving. */
  readonly isWaiting: boolean;
}

export const PAGE_SIZE = 25;

/** The sets of these jobs, before a correction, whose every position of a lap is read. */
const wholeSets = (
  db: Database,
  jobIds: string[],
): Promise<{ jobId: string; corner: CornerName; kind: SetRow['kind'] }[]> =>
  db
    .select({ jobId: readingSets.jobId, corner: readingSets.corner, kind: readingSets.kind })
    .from(readingSets)
    .innerJoin(
      readings,
      and(eq(readings.setId, readingSets.id), lt(readings.position, readingSets.positions)),
    )
    .where(
      and(
        inArray(readingSets.jobId, jobIds),
        isNull(readingSets.setAsideAt),
        eq(readingSets.phase, 'before'),
        eq(readings.lap, 0),
      ),
    )
    .groupBy(readingSets.id)
    .having(sql`count(*) >= ${readingSets.positions}`);

/** A rotor that was sent out and of which mark and thickness on return are not both written. */
const isSentOut = sql`(${checks.kind} = 'correct' and ${checks.item} = 'sent' and (
  select count(*) from checks back where back.job_id = ${checks.jobId} and back.place = ${checks.place}
  and back.kind = 'correct' and back.item in ('returned', 'identity')) < 2)`;

/** One page of the open jobs, newest first, with how far each is. */
export async function listOpenJobs(
  db: Database,
  page: number,
): Promise<{ lines: JobLine[]; total: number }> {
  const open = isNull(jobs.closedAt);
  const [{ total } = { total: 0 }] = await db.select({ total: count() }).from(jobs).where(open);
  const rows = await db
    .select({
      id: jobs.id,
      number: jobs.number,
      plate: vehicles.plate,
      make: vehicles.make,
      model: vehicles.model,
      complaint: jobs.complaint,
      createdAt: jobs.createdAt,
    })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(open)
    .orderBy(desc(jobs.createdAt), desc(jobs.number))
    .limit(PAGE_SIZE)
    .offset((page - 1) * PAGE_SIZE);
  const ids = rows.map(({ id }) => id);
  if (ids.length === 0) return { lines: [], total };
  const cornerRows = await db.select().from(jobCorners).where(inArray(jobCorners.jobId, ids));
  const setRows = await db
    .select({ jobId: readingSets.jobId, sets: count() })
    .from(readingSets)
    .where(and(inArray(readingSets.jobId, ids), isNull(readingSets.setAsideAt)))
    .groupBy(readingSets.jobId);
  const whole = await wholeSets(db, ids);
  const decided = await db
    .select({ jobId: decisions.jobId, decided: count() })
    .from(decisions)
    .where(inArray(decisions.jobId, ids))
    .groupBy(decisions.jobId);
  const waiting = await db
    .select({ jobId: checks.jobId })
    .from(checks)
    .where(and(inArray(checks.jobId, ids), or(eq(checks.kind, 'waiting'), isSentOut)));
  const lines = rows.map((row) => ({
    ...row,
    corners: cornerRows
      .filter(({ jobId }) => jobId === row.id)
      .map(({ corner }) => corner)
      .sort(),
    sets: setRows.find(({ jobId }) => jobId === row.id)?.sets ?? 0,
    measured: new Set(
      whole.filter(({ jobId }) => jobId === row.id).map(({ corner, kind }) => `${corner} ${kind}`),
    ).size,
    decided: decided.find(({ jobId }) => jobId === row.id)?.decided ?? 0,
    isWaiting: waiting.some(({ jobId }) => jobId === row.id),
  }));
  return { lines, total };
}

/** Jobs that were closed last. */
export const listClosedJobs = (
  db: Database,
  limit: number,
): Promise<{ id: string; number: number; plate: string; complaint: string }[]> =>
  db
    .select({
      id: jobs.id,
      number: jobs.number,
      plate: vehicles.plate,
      complaint: jobs.complaint,
    })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(sql`${jobs.closedAt} is not null`)
    .orderBy(desc(jobs.closedAt))
    .limit(limit);

/** The jobs of a vehicle, newest first. */
export const listJobsOfVehicle = (db: Database, vehicleId: string): Promise<JobRow[]> =>
  db.select().from(jobs).where(eq(jobs.vehicleId, vehicleId)).orderBy(desc(jobs.createdAt));

const setsOf = async (db: Database, jobId: string): Promise<SetFile[]> =>
  withReadings(
    db,
    await db
      .select()
      .from(readingSets)
      .where(eq(readingSets.jobId, jobId))
      .orderBy(asc(readingSets.createdAt), asc(readingSets.id)),
  );

/** One job with all that hangs on it, or null; a signed one with the figures that it was signed with. */
export async function findJob(db: Database, id: string): Promise<JobFile | null> {
  const [row] = await db
    .select({ job: jobs, vehicle: vehicles })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(eq(jobs.id, id));
  if (!row) return null;
  const corners = await db
    .select({ corner: jobCorners.corner })
    .from(jobCorners)
    .where(eq(jobCorners.jobId, id))
    .orderBy(asc(jobCorners.corner));
  const signed = row.job.signedAs;
  return {
    job: row.job,
    vehicle: {
      ...row.vehicle,
      axles: signed ? axlesAsSigned(signed) : await axlesOf(db, row.vehicle.id),
    },
    corners: corners.map(({ corner }) => corner),
    sets: await setsOf(db, id),
    decisions: await db.select().from(decisions).where(eq(decisions.jobId, id)),
    findings: await findingsOf(db, id),
    aside: await asideOf(db, id),
    roadTests: await roadTestsOf(db, id),
    checks: await checksOf(db, id),
    tray: await trayOf(db, id),
    photos: await photosOf(db, id),
    torque: signed ? torqueAsSigned(signed) : await torqueFiguresOf(db, torqueKeyOf(row.vehicle)),
    additions: await additionsOf(db, id),
    rechecks: await rechecksOf(db, id),
    shopRules: signed ? signed.rules : await readSetting(db, RULES_SETTING),
    shop: signed ? signed.shop : await readSetting(db, SHOP_SETTING),
  };
}

export interface NewJob {
  readonly vehicleId: string;
  readonly complaint: string;
  readonly odometerKm: number | null;
  readonly corners: readonly CornerName[];
  readonly comebackOf?: string | null;
}

/** Writes a new job with its corners; returns its id. */
export const insertJob = (db: Database, job: NewJob): Promise<string> =>
  db.transaction(async (tx) => {
    const { corners, ...own } = job;
    const [row] = await tx.insert(jobs).values(own).returning({ id: jobs.id });
    if (!row) throw new Error('The job was not written');
    await tx.insert(jobCorners).values(corners.map((corner) => ({ jobId: row.id, corner })));
    return row.id;
  });

/** Corners of a job at which something was read, seen or taken off. */
async function workedCorners(db: Database, jobId: string): Promise<CornerName[]> {
  const read = await db
    .selectDistinct({ corner: readingSets.corner })
    .from(readingSets)
    .where(eq(readingSets.jobId, jobId));
  const seen = await db
    .selectDistinct({ place: checks.place })
    .from(checks)
    .where(eq(checks.jobId, jobId));
  const off = await db
    .selectDistinct({ corner: trayParts.corner })
    .from(trayParts)
    .where(eq(trayParts.jobId, jobId));
  const places = [...read, ...off].map(({ corner }) => corner);
  const all: readonly CornerName[] = ['FL', 'FR', 'RL', 'RR'];
  return all.filter(
    (corner) => places.includes(corner) || seen.some(({ place }) => place === corner),
  );
}

/** Writes over complaint and corners; a corner at which work was done stays. */
export const updateComplaint = (
  db: Database,
  id: string,
  change: Omit<NewJob, 'vehicleId'>,
): Promise<void> =>
  db.transaction(async (tx) => {
    const { corners, ...own } = change;
    await tx.update(jobs).set(own).where(eq(jobs.id, id));
    const keep = [...new Set([...corners, ...(await workedCorners(tx, id))])];
    await tx
      .delete(jobCorners)
      .where(and(eq(jobCorners.jobId, id), notInArray(jobCorners.corner, keep)));
    await tx
      .insert(jobCorners)
      .values(keep.map((corner) => ({ jobId: id, corner })))
      .onConflictDoNothing();
  });

export type NewDecision = Omit<DecisionRow, 'decidedAt'>;

/** Writes decisions over earlier ones, all of them or none. */
export const saveDecisions = (db: Database, list: readonly NewDecision[]): Promise<void> =>
  db.transaction(async (tx) => {
    for (const decision of list) {
      const { jobId: _job, corner: _corner, ...own } = decision;
      await tx
        .insert(decisions)
        .values(decision)
        .onConflictDoUpdate({
          target: [decisions.jobId, decisions.corner],
          set: { ...own, decidedAt: new Date() },
        });
    }
  });

/** Takes a corner's decision back. */
export async function deleteDecision(
  db: Database,
  jobId: string,
  corner: CornerName,
): Promise<void> {
  await db.delete(decisions).where(and(eq(decisions.jobId, jobId), eq(decisions.corner, corner)));
}
