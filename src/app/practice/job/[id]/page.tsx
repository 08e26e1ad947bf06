import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { openJobPage, type JobParams } from '@/app/jobs/[id]/open';
import { ReplayRoom } from '@/features/practice';
import { replayOf } from '@/server/practice/replay';
import { shopUnits } from '@/server/shop/settings';

export async function generateMetadata(props: JobParams): Promise<Metadata> {
  const { job } = await openJobPage(props);
  return { title: `Practice job ${job.number}` };
}

/** A signed job, worked again. */
export default async function ReplayPage(props: JobParams) {
  const { job } = await openJobPage(props);
  const units = await shopUnits();
  const replay = replayOf(job, units);
  if (!replay) notFound();
  return <ReplayRoom {...{ replay, units }} />;
}
