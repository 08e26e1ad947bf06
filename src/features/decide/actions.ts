'use server';

import { revalidatePath } from 'next/cache';
import type { Action } from '@/core/options';
import type { Corner } from '@/core/readings';
import type { CheckForm } from '@/core/contracts';
import { refuse, type Answer } from '@/server/answer';
import { decide, decidePair, undecide } from '@/server/decide/decisions';
import { recordCheck } from '@/server/job/checks';
import { whoIsHere } from '@/server/web/who';

const follow = (jobId: string): void => revalidatePath(`/jobs/${jobId}`, 'layout');

/** Records what is done about a corner. */
export async function decideAction(
  jobId: string,
  corner: Corner,
  action: Action,
): Promise<Answer<Corner>> {
  const answer = await decide({ jobId, corner, action });
  follow(jobId);
  return answer;
}

/** One side of a pair. */
export interface SideChoice {
  readonly corner: Corner;
  readonly action: Action;
}

/** Records what is done about both corners of an axle. */
export async function decidePairAction(
  jobId: string,
  left: SideChoice,
  right: SideChoice,
): Promise<Answer<string>> {
  const answer = await decidePair({ jobId, left, right });
  follow(jobId);
  return answer;
}

/** Takes back what was recorded for a corner. */
export async function undecideAction(jobId: string, corner: Corner): Promise<Answer<Corner>> {
  const answer = await undecide({ jobId, corner });
  follow(jobId);
  return answer;
}

/** Writes what the options rest on: repairs, scores, the pads' family. */
export async function inputAction(form: CheckForm): Promise<Answer<string | null>> {
  const answer = await recordCheck(form, (await whoIsHere())?.name ?? null);
  follow(form.jobId);
  if (!answer.ok) return answer;
  return answer.value.kept
    ? { ok: true, value: answer.value.stamp }
    : refuse('Another screen wrote this meanwhile: what it wrote stands here now.');
}
