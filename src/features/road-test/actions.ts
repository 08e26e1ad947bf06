'use server';

import { revalidatePath } from 'next/cache';
import type { RoadTestForm } from '@/core/contracts';
import type { RoadTestAnalysis } from '@/core/roadtest';
import type { Answer } from '@/server/answer';
import { keepRoadTest, keepTyre, takeRoadTestBack } from '@/server/roadtest/roadTests';

/** A road test as the page has it; the server parses it again. */
type RoadTest = Omit<RoadTestForm, 'summary'> & { readonly summary: RoadTestAnalysis };

/** Keeps a road test with its job; answers with its id. */
export async function keepRoadTestAction(test: RoadTest): Promise<Answer<string>> {
  const answer = await keepRoadTest(test);
  if (answer.ok) revalidatePath(`/jobs/${test.jobId}`, 'layout');
  return answer;
}

/** Takes a road test back. */
export async function takeRoadTestBackAction(jobId: string, id: string): Promise<void> {
  await takeRoadTestBack(jobId, id);
  revalidatePath(`/jobs/${jobId}`, 'layout');
}

/** Keeps tyre and final drive with the vehicle of a job. */
export async function keepTyreAction(
  jobId: string,
  tyre: string,
  finalDrive: string,
): Promise<Answer<string>> {
  const answer = await keepTyre(jobId, { tyre, finalDrive });
  if (answer.ok) revalidatePath(`/jobs/${jobId}`, 'layout');
  return answer;
}
