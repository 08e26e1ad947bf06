import { notFound } from 'next/navigation';
import type { Job } from '@/core/job';
import { loadJob } from '@/server/job/jobs';

/** The address of a job's screen. */
export interface JobParams {
  readonly params: Promise<{ id: string }>;
}

/** The job that an address names; not found where there is none. */
export async function openJobPage({
  params,
}: JobParams): Promise<{ readonly id: string; readonly job: Job }> {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  return { id, job };
}
