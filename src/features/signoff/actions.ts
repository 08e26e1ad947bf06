'use server';

import { revalidatePath } from 'next/cache';
import type { RecheckForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { endRecheck, setRecheck } from '@/server/prove/rechecks';
import { addToRecord, signOff } from '@/server/signoff/signOff';
import { whoIsHere } from '@/server/web/who';

const follow = (jobId: string): void => revalidatePath(`/jobs/${jobId}`, 'layout');

/** Signs the job off. */
export async function signOffAction(form: {
  readonly jobId: string;
  readonly cause: string | null;
  readonly reason: string;
}): Promise<Answer<string>> {
  const answer = await signOff(form, await whoIsHere());
  follow(form.jobId);
  return answer;
}

/** Adds to the record of a job that was signed off. */
export async function additionAction(form: {
  readonly jobId: string;
  readonly text: string;
}): Promise<Answer<string>> {
  const answer = await addToRecord(form, await whoIsHere());
  follow(form.jobId);
  return answer;
}

/** Sets something to be looked at again. */
export async function recheckAction(form: RecheckForm): Promise<Answer<string>> {
  const answer = await setRecheck(form, await whoIsHere());
  follow(form.jobId);
  return answer;
}

/** Marks a recheck as done, or takes it away. */
export async function endRecheckAction(
  jobId: string,
  id: string,
  isDone: boolean,
): Promise<Answer<string>> {
  const answer = await endRecheck(id, isDone, await whoIsHere());
  follow(jobId);
  return answer;
}
