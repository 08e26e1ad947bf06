import Link from 'next/link';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { jobFile } from '@/server/jobs';
import { stagesOf } from '@/server/stages';
import { Trail } from '@/ui/shell';
import { JobAlerts } from './JobAlerts';

export default async function JobLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ id: string }>;
}) {
  const file = await jobFile((await params).id);
  if (!file) notFound();
  const { vehicle, job } = file;
  return (
    <>
      <div className="d-flex flex-wrap justify-content-between align-items-center gap-2 mb-2 zh-no-print">
        <div>
          <Link className="zh-job-plate" href={`/vehicles/${vehicle.id}`}>
            {vehicle.plate}
          </Link>{' '}
          {vehicle.make} {vehicle.model}{' '}
          <span className="zh-muted">
            · job {job.number}
            {job.closedAt && ' · closed'}
          </span>
        </div>
        <Trail stages={stagesOf(file)} />
      </div>
      <JobAlerts file={file} />
      {children}
    </>
  );
}
