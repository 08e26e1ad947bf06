'use server';

import { revalidatePath } from 'next/cache';
import type { FindingForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { recordFinding, weighFinding } from '@/server/nose/nose';

const text = (form: FormData, name: string): string | null => {
  const value = form.get(name);
  return typeof value === 'string' && value !== '' ? value : null;
};

/** Records an answer or takes it back; every stage of the job follows. */
export async function answerAction(finding: FindingForm): Promise<Answer<string>> {
  const answer = await recordFinding(finding);
  if (answer.ok) revalidatePath(`/jobs/${answer.value}`, 'layout');
  return answer;
}

/** The same from a form's buttons: fields jobId, code, corner and value. */
export async function answerFormAction(form: FormData): Promise<void> {
  await answerAction({
    jobId: text(form, 'jobId') ?? '',
    code: text(form, 'code') ?? '',
    corner: text(form, 'corner') as FindingForm['corner'],
    value: text(form, 'value'),
    was: text(form, 'was') ?? undefined,
  });
}

/** Sets a finding aside or weighs it again, from a form: jobId, code, aside. */
export async function asideFormAction(form: FormData): Promise<void> {
  const answer = await weighFinding({
    jobId: text(form, 'jobId'),
    code: text(form, 'code'),
    isAside: text(form, 'aside') === 'yes',
  });
  if (answer.ok) revalidatePath(`/jobs/${answer.value}`, 'layout');
}

/** Records the order that a felt rate matches; answers with what is wrong, or null. */
export async function feltRateAction(jobId: string, match: string): Promise<string | null> {
  const answer = await answerAction({ jobId, code: 'felt-order', corner: null, value: match });
  return answer.ok ? null : answer.message;
}
