'use server';

import { revalidatePath } from 'next/cache';
import type { Correction } from '@/core/contracts';
import type { Corner } from '@/core/readings';
import type { Answer } from '@/server/answer';
import { decide, undecide } from '@/server/jobs';

/** Records what is done about a corner. */
export async function decideAction(
  jobId: string,
  corner: Corner,
  correction: Correction,
): Promise<Answer<Corner>> {
  const answer = await decide({ jobId, corner, correction });
  revalidatePath(`/jobs/${jobId}`, 'layout');
  return answer;
}

/** Takes back what was recorded for a corner. */
export async function undecideAction(jobId: string, corner: Corner): Promise<Answer<Corner>> {
  const answer = await undecide({ jobId, corner });
  revalidatePath(`/jobs/${jobId}`, 'layout');
  return answer;
}
