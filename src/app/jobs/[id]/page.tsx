import { notFound, redirect } from 'next/navigation';
import { jobFile } from '@/server/jobs';
import { currentStage } from '@/server/stages';

/** A job opens at the stage that is next. */
export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const file = await jobFile(id);
  if (!file) notFound();
  redirect(currentStage(file)?.href ?? `/jobs/${id}/complaint`);
}
