'use server';

import { revalidatePath } from 'next/cache';
import type { CheckForm } from '@/core/contracts';
import { refuse, type Answer } from '@/server/answer';
import { recordCheck } from '@/server/job/checks';
import { whoIsHere } from '@/server/web/who';

/** Writes a step of a correction, or takes it back. */
export async function correctAction(form: Omit<CheckForm, 'kind'>): Promise<Answer<string | null>> {
  const answer = await recordCheck({ ...form, kind: 'correct' }, (await whoIsHere())?.name ?? null);
  revalidatePath(`/jobs/${form.jobId}`, 'layout');
  if (!answer.ok) return answer;
  return answer.value.kept
    ? { ok: true, value: answer.value.stamp }
    : refuse('Another screen wrote this meanwhile: what it wrote stands here now.');
}
