import 'server-only';
import { z } from 'zod';
import type { Job } from '../../core/job';
import { readSetting, writeSetting } from '../../db/repositories';
import type { Database } from '../../db/client';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { withJob } from '../job/withJob';
import { isPractice } from '../store';

const askedSchema = z.strictObject({ jobId: z.string(), how: z.enum(['on', 'off', 'once']) });

const keptSchema = z.object({
  /** Who works it, by id; null where nobody said. */
  by: z.string().nullable(),
  isOn: z.boolean(),
  /** How often the nose was asked while it was off. */
  asked: z.number().int().nonnegative(),
  /** How far the job’s history reached when it was asked last. */
  at: z.number().nullable(),
});
/** What is kept of a car beside its job: whose it is, and the nose. */
type CarKept = z.output<typeof keptSchema>;

const keyOf = (jobId: string): string => `car ${jobId}`;

const save = (tx: Database, jobId: string, kept: CarKept): Promise<void> =>
  writeSetting(tx, keyOf(jobId), kept);

/** Takes down whose a car is; the nose is on. */
export const beginCar = (tx: Database, jobId: string, by: string | null): Promise<void> =>
  save(tx, jobId, { by, isOn: true, asked: 0, at: null });

/** What is kept of a car in the records of practice; null where its job is no car’s. */
export async function carKept(jobId: string): Promise<CarKept | null> {
  const kept = keptSchema.safeParse(await readSetting(await database(), keyOf(jobId)));
  return kept.success ? kept.data : null;
}

/** The nose in a job of practice: whether it is seen just now, left on, and how often it was asked. */
export async function noseInPractice(
  job: Pick<Job, 'id' | 'reach'>,
): Promise<{ readonly isSeen: boolean; readonly isOn: boolean; readonly asked: number }> {
  const { isOn = true, asked = 0, at = null } = (await carKept(job.id)) ?? {};
  // What it said once is for the job as it was then.
  return { isOn, asked, isSeen: isOn || at === job.reach.job };
}

/** Leaves the nose on or off in a job of practice, or asks it once. */
export function leaveNose(input: unknown): Promise<Answer<null>> {
  const parsed = askedSchema.safeParse(input);
  if (!parsed.success) return Promise.resolve(refuseParse(parsed.error));
  if (!isPractice()) return Promise.resolve(refuse('Only in practice the nose is left off.'));
  const { jobId, how } = parsed.data;
  return withJob(jobId, async (tx, job) => {
    const kept = await carKept(job.id);
    if (!kept) return refuse('Of this job no car is known.');
    await save(
      tx,
      job.id,
      how === 'once'
        ? { ...kept, isOn: false, asked: kept.asked + 1, at: job.reach.job }
        : { ...kept, isOn: how === 'on' },
    );
    return accept(null);
  });
}
