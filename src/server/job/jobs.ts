import 'server-only';
import { cache } from 'react';
import {
  complaintFormSchema,
  idSchema,
  jobFormSchema,
  type JobData,
  type QuickVehicle,
} from '../../core/contracts';
import {
  findJob,
  findVehicle,
  findVehicleByPlate,
  insertJob,
  insertVehicle,
  listClosedJobs,
  listOpenJobs,
  PAGE_SIZE,
  countWaits,
  updateComplaint,
  numberOfJob,
  versionOf,
  type JobLine,
  type Wait,
  WAITS,
  type NewAxle,
} from '../../db/repositories';
import { axleOf, type AxlePosition } from '../../core/readings';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import type { Job } from '../../core/job';
import type { Database } from '../../db/client';
import { database, inTransaction } from '../database';
import { plainAxle } from '../shop/plainAxle';
import { learnFrom } from '../records/insights';
import { withJob } from './withJob';

export { WAITS, type JobLine, type Wait };

/** How many open jobs wait for each: a lead, the owner, parts, another shop’s lathe. */
export const waitsNow = async (): ReturnType<typeof countWaits> => countWaits(await database());

/** Opens a job; returns its id. */
export const openJob = (input: unknown): Promise<Answer<string>> =>
  inTransaction(async (tx) => {
    const parsed = jobFormSchema.safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    const { newVehicle, ...asked } = parsed.data;
    const vehicleId = newVehicle ? await quickVehicle(tx, newVehicle) : asked.vehicleId;
    if (!(await findVehicle(tx, vehicleId))) {
      const message = 'This vehicle is not on file any more. Choose another.';
      return refuse(message, { vehicleId: message });
    }
    const job = { ...asked, vehicleId };
    const comeback = await refuseComeback(tx, job);
    if (comeback !== null) return refuse(comeback, { comebackOf: comeback });
    const id = await insertJob(tx, job);
    // A comeback changes what was learnt from the job that it came back from.
    if (parsed.data.comebackOf !== null) await learnFrom(tx, parsed.data.comebackOf);
    return accept(id);
  });

/** What stands for how a wheel is held on until somebody says it. */
const USUAL_FASTENING = { fastening: 'studs', studs: 5 } as const;

/** The vehicle of a plate: the one on file, or one put on file with what is known of it. */
async function quickVehicle(tx: Database, quick: QuickVehicle): Promise<string> {
  const same = await findVehicleByPlate(tx, quick.plate);
  if (same) return same.id;
  const { plate } = quick;
  const axle = (position: AxlePosition): NewAxle =>
    quick.fastening === undefined || quick.studs === undefined
      ? { ...plainAxle(position, USUAL_FASTENING), isFasteningSaid: false }
      : plainAxle(position, { fastening: quick.fastening, studs: quick.studs });
  return insertVehicle(tx, {
    ...{ plate, make: '', model: '', axles: [axle('front'), axle('rear')] },
  });
}

/** Why a job is no comeback of the one named: another vehicle or axle; null where it is. */
async function refuseComeback(
  tx: Database,
  data: Omit<JobData, 'newVehicle'>,
): Promise<string | null> {
  if (data.comebackOf === null) return null;
  const earlier = await findJob(tx, data.comebackOf);
  if (earlier?.vehicle.id !== data.vehicleId) return 'The earlier job is of another vehicle.';
  const axles = new Set(earlier.corners.map(axleOf));
  return data.corners.some((corner) => axles.has(axleOf(corner)))
    ? null
    : 'The earlier job is of the other axle: a comeback is of the same one.';
}

/** Changes the complaint and the corners of a job. */
export const changeComplaint = (id: string, input: unknown): Promise<Answer<string>> =>
  withJob(id, async (tx) => {
    const parsed = complaintFormSchema.safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    await updateComplaint(tx, id, parsed.data);
    return accept(id);
  });

/** A job with all that hangs on it, or null; loaded once for one page. */
export const loadJob = cache(async (id: string): Promise<Job | null> => {
  if (!idSchema.safeParse(id).success) return null;
  return findJob(await database(), id);
});

/** The number of the job that a job is a comeback of; null where it is none. Asked once for one page. */
export const comebackNumber = cache(async (earlierId: string | null): Promise<number | null> =>
  earlierId === null ? null : numberOfJob(await database(), earlierId),
);

/** How far a job was written by now; null where there is no such id. */
export const versionOfJob = async (id: string): Promise<number | null> =>
  idSchema.safeParse(id).success ? versionOf(await database(), id) : null;

/** One page of the open jobs, and how many pages there are. */
export async function openJobs(
  page: number,
  waits: Wait | null = null,
): Promise<{ lines: JobLine[]; total: number; pages: number }> {
  const { lines, total } = await listOpenJobs(await database(), page, { waits });
  return { lines, total, pages: Math.max(1, Math.ceil(total / PAGE_SIZE)) };
}

const LATEST_CLOSED = 5;
export const latestClosedJobs = async (): ReturnType<typeof listClosedJobs> =>
  listClosedJobs(await database(), LATEST_CLOSED);
