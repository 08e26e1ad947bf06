import 'server-only';
import { z } from 'zod';
import { finalDriveSchema, idSchema, roadTestFormSchema, tyreSchema } from '../../core/contracts';
import {
  deleteRoadTest,
  findRecording,
  insertRoadTest,
  saveRecording,
  updateTyre,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { withJob } from '../job/withJob';
import { refuseDriven } from '../../core/job';

const GONE = 'This road test is not on file any more.';

/** Keeps what a recording says with its job; returns the road test's id. */
export async function keepRoadTest(input: unknown): Promise<Answer<string>> {
  const parsed = roadTestFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  return withJob(parsed.data.jobId, async (tx, job) => {
    const why = parsed.data.phase === 'after' ? refuseDriven(job) : null;
    return why === null ? accept(await insertRoadTest(tx, parsed.data)) : refuse(why);
  });
}

/** Takes a road test of a job back. */
export const takeRoadTestBack = (jobId: string, id: string): Promise<Answer<string>> =>
  withJob(jobId, async (tx, job) => {
    if (!job.roadTests.some((test) => test.id === id)) return refuse(GONE);
    await deleteRoadTest(tx, id);
    return accept(id);
  });

/** Largest compressed recording that is kept. */
const LARGEST_KEPT = 60_000_000;
const GZIP = [0x1f, 0x8b];

/** Keeps the recording itself, gzip-compressed, with its road test. */
export async function keepRecording(id: string, gzip: Uint8Array): Promise<Answer<number>> {
  if (!idSchema.safeParse(id).success) return refuse('This road test is not on file.');
  if (GZIP.some((byte, i) => gzip[i] !== byte)) return refuse('This is no compressed recording.');
  if (gzip.length > LARGEST_KEPT) {
    return refuse(`Compressed it is still ${Math.round(gzip.length / 1e6)} MB; 60 MB can be kept.`);
  }
  const test = await findRecording(await database(), id);
  if (!test) return refuse(GONE);
  return withJob(test.jobId, async (tx) => {
    await saveRecording(tx, id, gzip, gzip.length);
    return accept(gzip.length);
  });
}

/** A recording that was kept, gzip-compressed, or null. */
export async function keptRecording(id: string): Promise<Uint8Array | null> {
  if (!idSchema.safeParse(id).success) return null;
  return (await findRecording(await database(), id))?.raw ?? null;
}

const tyreFormSchema = z.strictObject({ tyre: tyreSchema, finalDrive: finalDriveSchema });

/** Keeps tyre and final drive with the vehicle of a job. */
export async function keepTyre(jobId: string, input: unknown): Promise<Answer<string>> {
  const parsed = tyreFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  return withJob(jobId, async (tx, job) => {
    await updateTyre(tx, job.vehicle.id, parsed.data);
    return accept(jobId);
  });
}
