import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { speedUnit } from '@/core/units';
import { RoadTest } from '@/features/road-test/RoadTest';
import { beforeDriven } from '@/core/job';
import { shopUnits } from '@/server/shop/settings';
import { WithNose } from '../../JobDiagnosis';
import { openJobPage, type JobParams } from '../../open';
import { keptTests } from '../../road-test/kept';

export const metadata: Metadata = { title: 'Road test after the work' };

export default async function RoadTestAgainPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  return (
    <WithNose job={job} isAsFound>
      <div className="zh-row justify-content-start mb-2">
        <h1 className="mb-0">Road test after the work</h1>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/prove`}>
          Prove
        </ButtonLink>
      </div>
      <p>The same road, the same speeds and stops as before.</p>
      <RoadTest
        jobId={id}
        phase="after"
        tyre={{
          tyre: job.vehicle.tyre ?? '',
          finalDrive: String(job.vehicle.finalDrive ?? ''),
        }}
        unit={speedUnit(await shopUnits())}
        tests={keptTests(job, 'after')}
        noDrive={null}
        before={beforeDriven(job)}
      />
    </WithNose>
  );
}
