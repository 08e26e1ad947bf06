import type { Metadata } from 'next';
import Link from '@/ui/Link';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { isSignInAsked } from '@/server/access/mode';
import { isPractice } from '@/server/store';
import { comebackNumber, loadJob } from '@/server/job/jobs';
import { readJob, vehicleName } from '@/core/job';
import { AloneSince, AlsoHere, JobWatch } from '@/ui/keeper';
import { HoldJob } from '@/ui/offline';
import { Trail } from '@/ui/shell';
import { appName } from '@/app/appName';
import { JobAlerts } from './JobAlerts';
import { GiveBack, PracticeCar } from './PracticeCar';
import { pagesToHold } from './pagesToHold';
import lists from '@/ui/shell/lists.module.css';

/** The title of every page of a job bears its plate. */
export async function generateMetadata({
  params,
}: {
  params: Promise<{ id: string }>;
}): Promise<Metadata> {
  const job = await loadJob((await params).id);
  if (!job) {
    const nothing = `Nothing here · ${appName()}`;
    return { title: { template: nothing, default: nothing } };
  }
  const of = `${job.vehicle.plate} · ${appName()}`;
  return { title: { template: `%s · ${of}`, default: `Job ${job.number} · ${of}` } };
}

export default async function JobLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ id: string }>;
}) {
  const job = await loadJob((await params).id);
  if (!job) notFound();
  const { vehicle } = job;
  const earlier = await comebackNumber(job.comebackOf);
  return (
    <>
      <div className="d-flex flex-wrap justify-content-between align-items-center gap-2 mb-2 zh-no-print">
        <div>
          <Link className={lists.jobPlate} href={`/vehicles/${vehicle.id}`}>
            {vehicle.plate}
          </Link>{' '}
          {vehicleName(vehicle)}{' '}
          <span className="zh-muted">
            · job {job.number}
            {job.closedAt && ' · closed'}
            {job.origin && ' · brought in from other records'}
            {earlier !== null && (
              <>
                {' · '}
                <Link href={`/jobs/${job.comebackOf}/report`}>comeback of job {earlier}</Link>
              </>
            )}
          </span>
          {job.closedAt === null && (
            <>
              <AlsoHere jobId={job.id} />
              <AloneSince />
            </>
          )}
          <GiveBack job={job} />
        </div>
        <Trail jobId={job.id} stages={readJob(job).stages} />
      </div>
      {job.closedAt === null && <JobWatch jobId={job.id} version={job.reach.job} />}
      {isSignInAsked() && !isPractice() && (
        <HoldJob of={job.id} version={job.reach.job} pages={pagesToHold(job)} />
      )}
      <PracticeCar job={job}>
        <JobAlerts job={job} />
        {children}
      </PracticeCar>
    </>
  );
}
