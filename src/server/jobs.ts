import 'server-only';
import { cache } from 'react';
import { complaintFormSchema, idSchema, jobFormSchema, type JobData } from '../core/contracts';
import {
  findJob,
  findVehicle,
  insertJob,
  isJobSigned,
  listClosedJobs,
  listOpenJobs,
  PAGE_SIZE,
  updateComplaint,
  type JobFile,
  type JobLine,
} from '../db/repositories';
import { axleOf } from '../core/readings';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';
import { learnAfter } from './insights';

export type { JobLine };

/** Opens a job; returns its id. */
export async function openJob(input: unknown): Promise<Answer<string>> {
  const parsed = jobFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const db = await database();
  if (!(await findVehicle(db, parsed.data.vehicleId))) {
    const message = 'This vehicle is not on file any more. Choose another.';
    return refuse(message, { vehicleId: message });
  }
  const comeback = await refuseComeback(parsed.data);
  if (comeback !== null) return refuse(comeback, { comebackOf: comeback });
  const id = await insertJob(db, parsed.data);
  // A comeback changes what was learnt from the job that it came back from.
  if (parsed.data.comebackOf !== null) await learnAfter(parsed.data.comebackOf);
  return accept(id);
}

/** Why a job is no comeback of the one named: another vehicle or axle; null where it is. */
async function refuseComeback(job: JobData): Promise<string | null> {
  if (job.comebackOf === null) return null;
  const earlier = await jobFile(job.comebackOf);
  if (earlier?.vehicle.id !== job.vehicleId) return 'The earlier job is of another vehicle.';
  const axles = new Set(earlier.corners.map(axleOf));
  return job.corners.some((corner) => axles.has(axleOf(corner)))
    ? null
    : 'The earlier job is of the other axle: a comeback is of the same one.';
}

/** Changes the complaint and the corners of a job. */
export async function changeComplaint(id: string, input: unknown): Promise<Answer<string>> {
  const parsed = complaintFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const file = await jobToWrite(id);
  if (!file.ok) return file;
  await updateComplaint(await database(), id, parsed.data);
  return accept(id);
}

/** A job with all that hangs on it, or null; loaded once for one page. */
export const jobFile = cache(async (id: string): Promise<JobFile | null> => {
  if (!idSchema.safeParse(id).success) return null;
  return findJob(await database(), id);
});

const SIGNED_OFF = 'This job is signed off: its record is closed. Add to it on its report.';

/** Why nothing of a job can be written any more, or null while it is open. */
export const refuseSigned = async (id: string): Promise<Answer<never> | null> =>
  (await isJobSigned(await database(), id)) ? refuse(SIGNED_OFF) : null;

/** A job that is to be written to, or why it cannot be: it is gone, or signed off. */
export async function jobToWrite(id: string): Promise<Answer<JobFile>> {
  const file = await jobFile(id);
  if (!file) return refuse('This job is not on file any more.');
  return file.job.closedAt === null ? accept(file) : refuse(SIGNED_OFF);
}

/** One page of the open jobs, and how many pages there are. */
export async function openJobs(
  page: number,
): Promise<{ lines: JobLine[]; total: number; pages: number }> {
  const { lines, total } = await listOpenJobs(await database(), page);
  return { lines, total, pages: Math.max(1, Math.ceil(total / PAGE_SIZE)) };
}

const LATEST_CLOSED = 5;
export const latestClosedJobs = async (): ReturnType<typeof listClosedJobs> =>
  listClosedJobs(await database(), LATEST_CLOSED);
