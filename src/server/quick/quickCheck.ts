import 'server-only';
import {
  checkPlateSchema,
  fasteningSchema,
  limitFormSchema,
  quickCheckSchema,
  type QuickCheckData,
} from '../../core/contracts';
import { axleAt, isFasteningSaid, type Job } from '../../core/job';
import { recommendedPositions } from '../../core/quality';
import { axleOf, type AxlePosition } from '../../core/readings';
import { wrongOrder } from '../../core/sheets';
import type { TypedLength } from '../../core/units';
import {
  deleteVehicle,
  findVehicle,
  findVehicleByPlate,
  insertJob,
  insertVehicle,
  isSameLimit,
  listOpenJobs,
  moveJob,
  nameCheck,
  PAGE_SIZE,
  saveFastening,
  saveLimit,
  type AxleRow,
  type JobLine,
  type NewLimit,
  type VehicleFile,
  type Who,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import type { Database } from '../../db/client';
import { database, inTransaction } from '../database';
import { withJob } from '../job/withJob';
import { beginSet } from '../measure/sets';
import { plainAxle } from '../shop/plainAxle';
import { shopPositions, shopUnits } from '../shop/settings';

/** What stands for the plate until one is typed; no vehicle can have it. */
const plateOfCheck = (id: string): string => `CHECK ${id.slice(0, 13).toUpperCase()}`;

const limitOf = (
  kind: NewLimit['kind'],
  length: TypedLength | null,
  source: NewLimit['source'],
): NewLimit[] =>
  length ? [{ kind, valueUm: length.value, text: length.text, unit: length.unit, source }] : [];

/** Puts what stands behind a quick check on file: an axle with what is known of it, and its job. */
async function fileCheck(tx: Database, check: QuickCheckData, by: string | null): Promise<void> {
  const { corner, discard, runout } = check;
  const own = axleOf(corner);
  const limits = [...limitOf('discard', discard, 'stamped'), ...limitOf('runout', runout, 'maker')];
  const other: AxlePosition = own === 'front' ? 'rear' : 'front';
  const vehicleId = await insertVehicle(
    tx,
    {
      ...{ plate: plateOfCheck(check.id), make: '', model: '', isCheck: true },
      axles: [
        plainAxle(own, check, limits),
        { ...plainAxle(other, check), isFasteningSaid: false },
      ],
    },
    by,
  );
  await insertJob(tx, {
    ...{ id: check.id, vehicleId, complaint: '', odometerKm: null, corners: [corner] },
  });
}

/** Begins a quick check with its first set of runout; sent twice it is begun once. */
export const beginCheck = (input: unknown, who: Who | null = null): Promise<Answer<string>> =>
  inTransaction(async (tx) => {
    const parsed = quickCheckSchema(await shopUnits()).safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    const check = parsed.data;
    if (await findVehicleByPlate(tx, plateOfCheck(check.id))) return accept(check.id);
    await fileCheck(tx, check, who?.name ?? null);
    const positions = (await shopPositions()) ?? recommendedPositions('usual', check.studs);
    const begun = await beginSet({
      ...{ id: check.setId, jobId: check.id, corner: check.corner, kind: 'runout' },
      ...{ phase: 'before', face: 'outboard', positions, shift: 0 },
    });
    return begun.ok ? accept(check.id) : begun;
  });

/** One page of the quick checks that have no vehicle yet, newest first. */
export async function quickChecks(
  page: number,
): Promise<{ lines: JobLine[]; total: number; pages: number }> {
  const { lines, total } = await listOpenJobs(await database(), page, { isChecks: true });
  return { lines, total, pages: Math.max(1, Math.ceil(total / PAGE_SIZE)) };
}

const NO_CHECK = 'It has its vehicle already.';

/** Why a check was not read on that axle, in words; null where it was. */
function refuseAxle(check: AxleRow, known: AxleRow | undefined, plate: string): string | null {
  if (!known) return null;
  const isSaid = known.isFasteningSaid && check.isFasteningSaid;
  if (isSaid && (known.studs !== check.studs || known.fastening !== check.fastening)) {
    return `${plate} is on file with ${known.studs} ${known.fastening}; this was read with ${check.studs} ${check.fastening}. Put one of the two right first.`;
  }
  const other = check.limits.find((limit) => {
    const same = known.limits.find(({ kind }) => kind === limit.kind);
    return same && !isSameLimit({ ...same, source: limit.source }, limit);
  });
  if (!other) return null;
  const theirs = known.limits.find(({ kind }) => kind === other.kind);
  return `${plate} is on file with another ${other.kind} (${theirs?.text} ${theirs?.unit}; here ${other.text} ${other.unit}). Put one of the two right first.`;
}

/** Gives a check to a vehicle on file, with the figures that stand there already or not at all. */
async function giveTo(
  tx: Database,
  job: Job,
  { check, known }: { readonly check: VehicleFile; readonly known: VehicleFile },
  by: string | null,
): Promise<string | null> {
  for (const corner of job.corners) {
    const position = axleOf(corner);
    const own = check.axles.find((axle) => axle.position === position);
    const theirs = known.axles.find((axle) => axle.position === position);
    const why = own ? refuseAxle(own, theirs, known.plate) : null;
    if (why !== null) return why;
    if (!own) continue;
    if (!theirs?.isFasteningSaid) await saveFastening(tx, known.id, position, own);
    for (const limit of own.limits) {
      if (theirs?.limits.some(({ kind }) => kind === limit.kind)) continue;
      await saveLimit(tx, known.id, position, limit, by);
    }
  }
  await moveJob(tx, job.id, known.id);
  await deleteVehicle(tx, check.id);
  return null;
}

/**
 * Makes a job of a quick check by a plate: of the vehicle on file where it has that plate, else of
 * a new one. Nothing is read again; where both say otherwise of studs or limits, it is refused.
 */
export async function plateCheck(input: unknown, who: Who | null = null): Promise<Answer<string>> {
  const parsed = checkPlateSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, plate } = parsed.data;
  return withJob(jobId, async (tx, job) => {
    const check = await findVehicle(tx, job.vehicle.id);
    if (!check?.isCheck) return refuse(NO_CHECK, { plate: NO_CHECK });
    const same = await findVehicleByPlate(tx, plate);
    if (same?.isCheck) return refuse('Type the plate of a vehicle.', { plate: 'Type its plate.' });
    const known = same && (await findVehicle(tx, same.id));
    if (!known) {
      await nameCheck(tx, check.id, plate);
      return accept(jobId);
    }
    const why = await giveTo(tx, job, { check, known }, who?.name ?? null);
    return why === null ? accept(jobId) : refuse(why, { plate: why });
  });
}

/** Says how the wheels of an axle are held on, where nobody has: before its first set. */
export async function sayFastening(input: unknown): Promise<Answer<string>> {
  const parsed = fasteningSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner, fastening, studs } = parsed.data;
  return withJob(jobId, async (tx, job) => {
    if (isFasteningSaid(job, corner)) {
      return refuse('It is said already: it is changed on the vehicle’s page.');
    }
    await saveFastening(tx, job.vehicle.id, axleOf(corner), { fastening, studs });
    return accept(jobId);
  });
}

/** Writes a figure of an axle that is not on file yet, where it is first needed. */
export async function sayLimit(input: unknown, who: Who | null = null): Promise<Answer<string>> {
  const parsed = limitFormSchema(await shopUnits()).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner, kind, length, source } = parsed.data;
  return withJob(jobId, async (tx, job) => {
    const axle = axleAt(job, corner);
    if (!axle) return refuse('This corner is not part of the job.');
    if (axle.limits.some((limit) => limit.kind === kind)) {
      const message = 'It is on file already: it is changed on the vehicle’s page, with a reason.';
      return refuse(message, { text: message });
    }
    const [limit] = limitOf(kind, length, source);
    const all = limit ? [...axle.limits, limit] : [];
    const [odd] = wrongOrder((each) => all.find((other) => other.kind === each)?.valueUm);
    if (odd) return refuse(odd.message, { text: odd.message });
    if (limit) await saveLimit(tx, job.vehicle.id, axleOf(corner), limit, who?.name ?? null);
    return accept(jobId);
  });
}
