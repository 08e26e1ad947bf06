'use server';

import { revalidatePath } from 'next/cache';
import type { ComplaintForm, JobForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { changeComplaint, closeJob, openJob, reopenJob } from '@/server/jobs';

/** Opens a job; answers with its id or with messages by field. */
export async function openJobAction(form: JobForm): Promise<Answer<string>> {
  return openJob(form);
}

/** Changes complaint and corners of a job. */
export async function changeComplaintAction(
  id: string,
  form: ComplaintForm,
): Promise<Answer<string>> {
  const answer = await changeComplaint(id, form);
  revalidatePath(`/jobs/${id}`, 'layout');
  return answer;
}

/** Closes a job with the cause that was confirmed, or null where it is left open. */
export async function closeJobAction(id: string, cause: string | null): Promise<string | null> {
  const answer = await closeJob(id, cause);
  revalidatePath(`/jobs/${id}`, 'layout');
  return answer.ok ? null : answer.message;
}

/** Opens a closed job again. */
export async function reopenJobAction(id: string): Promise<void> {
  await reopenJob(id);
  revalidatePath(`/jobs/${id}`, 'layout');
}
