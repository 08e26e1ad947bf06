'use server';

import { revalidatePath } from 'next/cache';
import { recordCheck } from '@/server/job/checks';
import { chooseRule } from '@/server/shop/rules';
import { whoIsHere } from '@/server/web/who';

export interface RuleSaid {
  readonly ok: boolean;
  readonly words: string;
}

const text = (form: FormData, name: string): string | null => {
  const value = form.get(name);
  return typeof value === 'string' && value !== '' ? value : null;
};

/** Chooses a school for the shop, from a form: rule, school. */
export async function chooseRuleAction(
  _before: RuleSaid | null,
  form: FormData,
): Promise<RuleSaid> {
  const answer = await chooseRule(text(form, 'rule') ?? '', text(form, 'school'));
  if (answer.ok) revalidatePath('/', 'layout');
  return { ok: answer.ok, words: answer.ok ? 'Kept for the shop.' : answer.message };
}

/** Goes another way for one job, or back to the shop\u2019s: jobId, rule, school, note, seen. */
export async function overrideRuleAction(
  _before: RuleSaid | null,
  form: FormData,
): Promise<RuleSaid> {
  const jobId = text(form, 'jobId') ?? '';
  const answer = await recordCheck(
    {
      jobId,
      kind: 'rule',
      place: '',
      item: text(form, 'rule') ?? '',
      value: text(form, 'school'),
      note: text(form, 'note'),
      seen: text(form, 'seen'),
    },
    (await whoIsHere())?.name ?? null,
  );
  if (!answer.ok) return { ok: false, words: answer.message };
  revalidatePath(`/jobs/${jobId}`, 'layout');
  return answer.value.kept
    ? { ok: true, words: 'Kept for this job.' }
    : { ok: false, words: 'Another screen changed this rule meanwhile. Look, then choose again.' };
}
