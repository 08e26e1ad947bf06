'use server';

import { format } from 'date-fns';
import { revalidatePath } from 'next/cache';
import type { CheckForm, TrayChangeForm, TrayPartForm } from '@/core/contracts';
import { accept, type Answer } from '@/server/answer';
import { whoIsHere } from '@/server/web/who';
import { takePhotoBack } from '@/server/strip/photos';
import { recordCheck } from '@/server/job/checks';
import { allSound, copyPlan, takeSoundBack } from '@/server/strip/looks';
import { changePart, dropPart, takeOffPart } from '@/server/strip/tray';
import type { WrittenCheck } from '@/db/repositories';
import type { CheckView, TrayLines } from './model';

/** What became of a check: kept, or what another wrote in its place meanwhile. */
export type CheckKept = Answer<
  | { readonly kept: true; readonly stamp: string | null }
  | { readonly kept: false; readonly theirs: CheckView | null }
>;

const follow = (jobId: string): void => revalidatePath(`/jobs/${jobId}`, 'layout');
const who = async (): Promise<string | null> => (await whoIsHere())?.name ?? null;

/** Writes one item of the procedure, or takes it back; every stage of the job follows. */
export async function checkAction(form: CheckForm): Promise<CheckKept> {
  const answer = await recordCheck(form, await who());
  follow(form.jobId);
  if (!answer.ok) return answer;
  if (answer.value.kept) return accept(answer.value);
  const { theirs } = answer.value;
  const view = theirs && { ...theirs, at: format(theirs.at, 'HH:mm') };
  return accept({ kept: false, theirs: view });
}

/** Writes everything of a corner that was not looked at as sound. */
export async function allSoundAction(
  jobId: string,
  corner: string,
): Promise<Answer<WrittenCheck[]>> {
  const answer = await allSound(jobId, corner, await who());
  follow(jobId);
  return answer;
}

/** Takes back what was written as sound in one go. */
export async function takeSoundBackAction(
  jobId: string,
  stamps: readonly string[],
): Promise<Answer<number>> {
  const answer = await takeSoundBack(jobId, stamps);
  follow(jobId);
  return answer;
}

/** Copies the plan of a corner to the other side. */
export async function copyPlanAction(jobId: string, corner: string): Promise<Answer<number>> {
  const answer = await copyPlan(jobId, corner, await who());
  follow(jobId);
  return answer;
}

/** Puts a part in the tray; answers with its id. */
export async function takeOffPartAction(part: TrayPartForm): Promise<Answer<string>> {
  const answer = await takeOffPart(part, await who());
  follow(part.jobId);
  return answer.ok ? accept(answer.value.id) : answer;
}

/** Changes lines of a part in the tray; answers with how they stand where another wrote them. */
export async function changePartAction(
  jobId: string,
  change: TrayChangeForm,
): Promise<Answer<{ readonly kept: boolean; readonly part: TrayLines }>> {
  const answer = await changePart(change);
  follow(jobId);
  return answer;
}

/** Takes a part out as if it had never been put there. */
export async function dropPartAction(jobId: string, partId: string): Promise<Answer<string>> {
  const answer = await dropPart(partId);
  follow(jobId);
  return answer;
}

/** Takes a photo back. */
export async function takePhotoBackAction(jobId: string, id: string): Promise<Answer<string>> {
  const answer = await takePhotoBack(jobId, id);
  follow(jobId);
  return answer;
}
