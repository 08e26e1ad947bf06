import 'server-only';
import { cache } from 'react';
import { advise, assessCorner, sayAdvice, type Advice } from '../core/assessment';
import {
  causeSchema,
  complaintFormSchema,
  decisionFormSchema,
  idSchema,
  jobFormSchema,
  type Correction,
} from '../core/contracts';
import type { Corner } from '../core/readings';
import {
  deleteDecision,
  findJob,
  findVehicle,
  insertJob,
  listClosedJobs,
  listOpenJobs,
  saveDecision,
  setClosed,
  PAGE_SIZE,
  updateComplaint,
  type JobFile,
  type JobLine,
} from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';
import { waitingOf } from './procedure';
import { cornerRecord } from './record';
import { shopUnits } from './settings';

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
  const waiting = waitingOf(file);
  if (waiting) {
    return refuse(
      `The job waits for parts and the vehicle is blocked from moving: ${waiting.missing}. End the wait on Strip first.`,
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

/** The correction that an advice asks for, or null when it asks for more measuring. */
export function correctionOf(advice: Advice): Correction | null {
  switch (advice.kind) {
    case 'within':
      return 'leave';
    case 'index':
      return 'index';
    case 'hub':
      return 'hub';
    case 'machine':
      return advice.lathe === 'bench' ? 'machine-bench' : 'machine-on-vehicle';
    case 'replace':
      return 'replace';
    default:
      return null;
  }
}

/** Records what is done about a corner, in the words that the screen shows for it. */
export async function decide(input: unknown): Promise<Answer<Corner>> {
  const parsed = decisionFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner, correction } = parsed.data;
  const file = await jobFile(jobId);
  if (!file?.corners.includes(corner)) return refuse('This corner is not part of the job.');
  const record = cornerRecord(file, corner, 'before');
  const advice = advise(record, assessCorner(record));
  if (correctionOf(advice) !== correction) {
    return refuse('The readings have changed since this was shown. Look at the advice again.');
  }
  const words = sayAdvice(advice, { ...record, units: await shopUnits() });
  await saveDecision(await database(), {
    jobId,
    corner,
    correction,
    shift: advice.kind === 'index' ? advice.to : null,
    words: words.todo,
  });
  return accept(corner);
}

/** Takes back what was recorded for a corner. */
export async function undecide(input: unknown): Promise<Answer<Corner>> {
  const parsed = decisionFormSchema.pick({ jobId: true, corner: true }).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner } = parsed.data;
  if (!(await jobFile(jobId))) return refuse('This job is not on file any more.');
  await deleteDecision(await database(), jobId, corner);
  return accept(corner);
}
