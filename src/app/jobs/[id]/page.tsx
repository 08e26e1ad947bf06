import { notFound, redirect } from 'next/navigation';
import { jobHref } from '@/ui/shell';
import { loadJob } from '@/server/job/jobs';
import { currentStage } from '@/core/job';

/** A job opens at the stage that is next. */
export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  if (job.vehicle.isCheck) redirect(`/checks/${id}`);
  const stage = currentStage(job);
  redirect(jobHref(id, { page: stage?.key ?? 'complaint', corner: stage?.corner }));
}
