'use server';

import { revalidatePath } from 'next/cache';
import type { ComplaintForm, JobForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { changeComplaint, openJob } from '@/server/job/jobs';

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
