import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { SOURCE_NAME } from '@/core/assessment';
import { PROCEDURE } from '@/core/contracts';
import { cautionsAt } from '@/core/procedure';
import { Hydraulics } from '@/features/rebuild/Hydraulics';
import {
  bleedMethod,
  bleedOrderOf,
  checksOfKind,
  findCheck,
  hydraulicSteps,
  openedBy,
} from '@/core/job';
import { stepView } from '@/server/rebuild/rebuildView';
import { WithNose } from '../../JobDiagnosis';
import { Here } from '@/app/Here';
import { openJobPage, type JobParams } from '../../open';

export const metadata: Metadata = { title: 'Hydraulics' };

/** Age at which a hose is looked at twice, in years. Source: handbook 19. */
const HOSE_YEARS = 10;

export default async function HydraulicsPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const steps = Object.fromEntries(
    checksOfKind(job, 'hydraulics').map((row) => [
      row.place === '' ? row.item : `${row.item} ${row.place}`,
      stepView(row)!,
    ]),
  );
  const plan = hydraulicSteps(job);
  const { bleedSource } = job.vehicle;
  return (
    <WithNose job={job}>
      <div className="zh-row justify-content-start mb-2">
        <h1 className="mb-0">Hydraulics</h1>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/rebuild`}>
          Rebuild
        </ButtonLink>
      </div>
      <Here />
      <Hydraulics
        jobId={id}
        opened={openedBy(job)}
        steps={steps}
        method={bleedMethod(job)}
        methodByRule={findCheck(job, 'hydraulics', '', 'method') === undefined}
        plan={plan}
        order={bleedOrderOf(job)}
        orderSource={bleedSource && SOURCE_NAME[bleedSource]}
        cautions={cautionsAt(PROCEDURE, ['fluid', 'piston'])}
        hoseYears={HOSE_YEARS}
      />
    </WithNose>
  );
}
