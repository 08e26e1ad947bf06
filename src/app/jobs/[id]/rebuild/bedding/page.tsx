import { ButtonLink } from '@/ui/Link';
import { Here } from '@/app/Here';
import type { Metadata } from 'next';
import { speedUnit } from '@/core/units';
import { BeddingPlanner } from '@/features/rebuild/BeddingPlanner';
import { planOf, shopProgrammes } from '@/server/rebuild/bedding';
import { axlesOfJob, findCheck, isDrumAt } from '@/core/job';
import { stepView } from '@/server/rebuild/rebuildView';
import { shopUnits } from '@/server/shop/settings';
import { WithNose } from '../../JobDiagnosis';
import { openJobPage, type JobParams } from '../../open';

export const metadata: Metadata = { title: 'Bedding-in' };

export default async function BeddingPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const row = findCheck(job, 'bedding', '', 'plan');
  const axle = axlesOfJob(job).includes('front') ? 'front' : 'rear';
  return (
    <WithNose job={job}>
      <div className="zh-row justify-content-start mb-2">
        <h1 className="mb-0">Bedding-in</h1>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/rebuild`}>
          Rebuild
        </ButtonLink>
      </div>
      <Here />
      <p className="zh-muted">
        A planning estimate. Quiet dry road, within the law, a safe gap behind. No bedding-in with a
        soft pedal. Smoke, fade or a long pedal: stop and let it cool. Do not hold the pedal on a
        hot rotor at a standstill. The pad maker’s instructions come first.
      </p>
      <BeddingPlanner
        jobId={id}
        plan={await planOf(job)}
        written={stepView(row)}
        programmes={await shopProgrammes()}
        unit={speedUnit(await shopUnits())}
        axle={axle}
        carrier={isDrumAt(job, axle === 'front' ? 'FL' : 'RL') ? 'drum' : 'rotor'}
      />
    </WithNose>
  );
}
