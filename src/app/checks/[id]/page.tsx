import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { CORNER_NAME } from '@/core/readings';
import { PlateForm } from '@/features/checks/PlateForm';
import { MeasureBench } from '@/features/measure/MeasureBench';
import { loadJob } from '@/server/job/jobs';
import { benchCorner, openBenchOf } from '@/server/measure/bench';
import { JobWatch, SeenMark } from '@/ui/keeper';
import { JobAlerts } from '../../jobs/[id]/JobAlerts';
import styles from './page.module.css';

export const metadata: Metadata = { title: 'Quick check' };

export default async function CheckPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  const [corner] = job?.corners ?? [];
  if (!job || !corner) notFound();
  if (!job.vehicle.isCheck) redirect(`/jobs/${id}`);
  const bench = await openBenchOf(id, corner, 'before');
  if (!bench) notFound();
  const { record } = bench;
  return (
    <div className={styles.quick} data-part="quick">
      <SeenMark reach={job.reach} />
      <JobWatch jobId={id} version={job.reach.job} />
      <div className={styles.checkHead} data-part="check-head">
        <h1>
          Check <span className="zh-figure">{job.number}</span> ·{' '}
          <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}
          <span className="zh-muted fw-normal">
            {' '}
            · {record.studs} {record.fastening}
          </span>
        </h1>
        <PlateForm jobId={id} />
        <ButtonLink variant="outline-secondary" href={`/checks/${id}/print`}>
          One page
        </ButtonLink>
        <ButtonLink variant="outline-secondary" href="/">
          Close
        </ButtonLink>
      </div>
      <JobAlerts job={job} />
      <MeasureBench
        corner={benchCorner(bench, 'before')}
        lead={null}
        scent={null}
        sets={bench.sets}
        expectedShift={null}
        nextHref={`/checks/${id}/print`}
        nextLabel="One page"
      />
    </div>
  );
}
