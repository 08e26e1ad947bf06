import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { speedUnit } from '@/core/units';
import { FeelScale } from '@/features/prove/FeelScale';
import { RoadTest } from '@/features/road-test/RoadTest';
import { loadJob } from '@/server/job/jobs';
import { noseOf } from '@/server/nose/nose';
import { shopUnits } from '@/server/shop/settings';
import { findCheck, stagesOf } from '@/core/job';
import { WHEEL_ITEMS } from '@/core/wheels';
import { jobHref } from '@/ui/shell';
import { WithNose } from '../JobDiagnosis';
import { checkViews } from '../strip/work';
import { WheelsCard } from '../WheelsCard';
import { keptTests } from './kept';

export const metadata: Metadata = { title: 'Road test' };

export default async function RoadTestPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  const { noDrive } = await noseOf(job);
  const felt = findCheck(job, 'prove', '', 'feel-before');
  const measure = stagesOf(job).find(({ key }) => key === 'measure');
  return (
    <WithNose job={job} isWhole>
      <h1>Road test</h1>
      <RoadTest
        jobId={id}
        tyre={{
          tyre: job.vehicle.tyre ?? '',
          finalDrive: String(job.vehicle.finalDrive ?? ''),
        }}
        unit={speedUnit(await shopUnits())}
        tests={keptTests(job, 'before')}
        noDrive={noDrive}
      />
      {noDrive === null && (
        <section className="zh-card mb-3" aria-label="Felt on the drive">
          <h2>Felt on the drive</h2>
          <p className="zh-muted mb-2">The same is asked after the work, on the same road.</p>
          <FeelScale
            jobId={id}
            when="before"
            feel={felt?.value ?? null}
            stamp={felt?.stamp ?? null}
          />
        </section>
      )}
      <WheelsCard
        job={job}
        checks={checkViews(job)}
        items={WHEEL_ITEMS.filter(({ code }) => code === 'heat')}
      />
      <div className="d-flex flex-wrap gap-2">
        <ButtonLink href={jobHref(id, { page: 'strip', corner: null })} variant="primary">
          Strip and inspect
        </ButtonLink>
        <ButtonLink
          href={jobHref(id, { page: 'measure', corner: measure?.corner })}
          variant="outline-secondary"
        >
          Straight to measuring
        </ButtonLink>
      </div>
    </WithNose>
  );
}
