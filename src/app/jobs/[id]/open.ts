import { notFound } from 'next/navigation';
import type { JobFile } from '@/db/repositories';
import { jobFile } from '@/server/jobs';

/** The address of a job's screen. */
export interface JobParams {
  readonly params: Promise<{ id: string }>;
}

/** The job that an address names; not found where there is none. */
export async function openJobPage({
  params,
}: JobParams): Promise<{ readonly id: string; readonly file: JobFile }> {
  const { id } = await params;
  const file = await jobFile(id);
  if (!file) notFound();
  return { id, file };
}
