import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { speedUnit } from '@/core/units';
import { RoadTest } from '@/features/road-test/RoadTest';
import { loadJob } from '@/server/job/jobs';
import { noseOf } from '@/server/nose/nose';
import { shopUnits } from '@/server/shop/settings';
import { stagesOf } from '@/core/job';
import { jobHref } from '@/ui/shell';
import { WithNose } from '../JobDiagnosis';
import { keptTests } from './kept';

export const metadata: Metadata = { title: 'Road test' };

export default async function RoadTestPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  const measure = stagesOf(job).find(({ key }) => key === 'measure');
  return (
    <WithNose job={job}>
      <h1>Road test</h1>
      <RoadTest
        jobId={id}
        tyre={{
          tyre: job.vehicle.tyre ?? '',
          finalDrive: String(job.vehicle.finalDrive ?? ''),
        }}
        unit={speedUnit(await shopUnits())}
        tests={keptTests(job, 'before')}
        noDrive={(await noseOf(job)).noDrive}
      />
      <Link
        href={jobHref(id, { page: 'measure', corner: measure?.corner })}
        className="btn btn-primary"
      >
        Measure
      </Link>
    </WithNose>
  );
}
