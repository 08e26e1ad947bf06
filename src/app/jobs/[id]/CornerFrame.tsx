import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { CORNER_NAME, CORNERS, type Corner } from '@/core/readings';
import { isDrumAt } from '@/core/job';
import { loadJob } from '@/server/job/jobs';
import { Here } from '@/app/Here';
import { WithNose } from './JobDiagnosis';

/** What the screens of one corner of a stage stand in: its tabs, who is here, the nose beside. */
export async function CornerFrame({
  params,
  stage,
  tabs,
  children,
}: {
  params: Promise<{ id: string; corner: string }>;
  stage: string;
  tabs: (place: {
    readonly jobId: string;
    readonly corner: Corner;
    readonly corners: readonly Corner[];
    readonly isDrum: boolean;
  }) => ReactNode;
  children: ReactNode;
}) {
  const { id, corner: name } = await params;
  const job = await loadJob(id);
  const corner = CORNERS.find((each) => each === name);
  if (!job || !corner || !job.corners.includes(corner)) notFound();
  return (
    <WithNose job={job}>
      <h1 className="visually-hidden">
        {stage}, {CORNER_NAME[corner]}
      </h1>
      {tabs({ jobId: id, corner, corners: job.corners, isDrum: isDrumAt(job, corner) })}
      <Here />
      {children}
    </WithNose>
  );
}
