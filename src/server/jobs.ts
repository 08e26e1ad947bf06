import 'server-only';
import { cache } from 'react';
import { causeSchema, complaintFormSchema, idSchema, jobFormSchema } from '../core/contracts';
import {
  findJob,
  findVehicle,
  insertJob,
  listClosedJobs,
  listOpenJobs,
  setClosed,
  PAGE_SIZE,
  updateComplaint,
  type JobFile,
  type JobLine,
} from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';
import { waits } from './procedure';

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
  return accept(await insertJob(db, parsed.data));
}

/** Changes the complaint and the corners of a job. */
export async function changeComplaint(id: string, input: unknown): Promise<Answer<string>> {
  const parsed = complaintFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const file = await jobFile(id);
  if (!file) return refuse('This job is not on file any more.');
  await updateComplaint(await database(), id, parsed.data);
  return accept(id);
}

/** A job with all that hangs on it, or null; loaded once for one page. */
export const jobFile = cache(async (id: string): Promise<JobFile | null> => {
  if (!idSchema.safeParse(id).success) return null;
  return findJob(await database(), id);
});

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

/** Closes a job with the cause that the work confirmed, which may be left open. */
export async function closeJob(id: string, cause: unknown): Promise<Answer<string>> {
  const parsed = causeSchema.safeParse(cause);
  if (!parsed.success) return refuse('Choose the cause from the list, or leave it open.');
  const file = await jobFile(id);
  if (!file) return refuse('This job is not on file any more.');
  const [waiting] = waits(file);
  if (waiting) {
    return refuse(
      `The job waits and the vehicle is blocked from moving: ${waiting.missing}. End the wait first.`,
    );
  }
  const change = { closedAt: new Date(), confirmedCause: parsed.data };
  await setClosed(await database(), id, change);
  return accept(id);
}

/** Opens a closed job again; the cause that was confirmed stays. */
export async function reopenJob(id: string): Promise<Answer<string>> {
  if (!(await jobFile(id))) return refuse('This job is not on file any more.');
  await setClosed(await database(), id, { closedAt: null });
  return accept(id);
}
