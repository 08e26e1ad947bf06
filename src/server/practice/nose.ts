import 'server-only';
import { z } from 'zod';
import { idSchema } from '../../core/contracts';
import type { Job } from '../../core/job';
import { readSetting, writeSetting } from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { loadJob } from '../job/jobs';
import { isPractice } from '../store';

const askedSchema = z.strictObject({ jobId: idSchema, how: z.enum(['on', 'off', 'once']) });

const keptSchema = z.object({
  isOn: z.boolean(),
  /** How often it was asked while it was off. */
  asked: z.number().int().nonnegative(),
  /** How far the job’s history reached when it was asked last. */
  at: z.number().nullable(),
});
type Kept = z.output<typeof keptSchema>;

const ON: Kept = { isOn: true, asked: 0, at: null };
const keyOf = (jobId: string): string => `nose ${jobId}`;

async function keptOf(jobId: string): Promise<Kept> {
  const kept = keptSchema.safeParse(await readSetting(await database(), keyOf(jobId)));
  return kept.success ? kept.data : ON;
}

/** The nose in a job of practice: whether it is seen just now, left on, and how often it was asked. */
export async function noseInPractice(
  job: Pick<Job, 'id' | 'reach'>,
): Promise<{ readonly isSeen: boolean; readonly isOn: boolean; readonly asked: number }> {
  const { isOn, asked, at } = await keptOf(job.id);
  // What it said once is for the job as it was then.
  return { isOn, asked, isSeen: isOn || at === job.reach.job };
}

/** Leaves the nose on or off in a job of practice, or asks it once. */
export const leaveNose = (input: unknown): Promise<Answer<null>> =>
  inTransaction(async (tx) => {
    const parsed = askedSchema.safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    if (!isPractice()) return refuse('Only in practice the nose is left off.');
    const { jobId, how } = parsed.data;
    const job = await loadJob(jobId);
    if (!job) return refuse('This job is not on file any more.');
    const { asked, at } = await keptOf(jobId);
    const kept: Kept =
      how === 'once'
        ? { isOn: false, asked: asked + 1, at: job.reach.job }
        : { isOn: how === 'on', asked, at };
    await writeSetting(tx, keyOf(jobId), kept);
    return accept(null);
  });
