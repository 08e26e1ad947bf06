'use server';

import { revalidatePath } from 'next/cache';
import type { CheckForm, TorqueFigureForm } from '@/core/contracts';
import { accept, refuse, type Answer } from '@/server/answer';
import { saveProgramme } from '@/server/rebuild/bedding';
import { keepBleedOrder, keepTorqueFigure } from '@/server/rebuild/torque';
import { recordCheck } from '@/server/job/checks';
import { putBack } from '@/server/strip/tray';
import { whoIsHere } from '@/server/web/who';

const follow = (jobId: string): void => revalidatePath(`/jobs/${jobId}`, 'layout');

/** Writes a step of rebuild or proof, or takes it back; answers with its stamp. */
export async function stepAction(form: CheckForm): Promise<Answer<string | null>> {
  const answer = await recordCheck(form, (await whoIsHere())?.name ?? null);
  follow(form.jobId);
  if (!answer.ok) return answer;
  return answer.value.kept
    ? accept(answer.value.stamp)
    : refuse('Another screen wrote this meanwhile: what it wrote stands here now.');
}

/** Writes a torque figure with its source. */
export async function torqueFigureAction(form: TorqueFigureForm): Promise<Answer<string>> {
  const answer = await keepTorqueFigure(form, await whoIsHere());
  follow(form.jobId);
  return answer;
}

/** Writes the order that the vehicle is bled in. */
export async function bleedOrderAction(form: {
  readonly jobId: string;
  readonly order: string;
  readonly source: string;
}): Promise<Answer<string>> {
  const answer = await keepBleedOrder(form);
  follow(form.jobId);
  return answer;
}

/** Marks a part of the tray as back on, or as off again. */
export async function putBackAction(
  jobId: string,
  partId: string,
  isBack: boolean,
): Promise<Answer<null>> {
  const answer = await putBack(partId, isBack, (await whoIsHere())?.name ?? null);
  follow(jobId);
  return answer.ok ? accept(null) : answer;
}

/** Writes a bedding-in programme as the shop's own. */
export async function programmeAction(school: string, programme: unknown): Promise<Answer<string>> {
  const answer = await saveProgramme(school, programme);
  revalidatePath('/', 'layout');
  return answer;
}
