import type { Metadata } from 'next';
import Link from 'next/link';
import { SOURCE_NAME } from '@/core/assessment';
import { PROCEDURE } from '@/core/contracts';
import { cautionsAt } from '@/core/procedure';
import { WhoIsHere } from '@/features/people/WhoIsHere';
import { Hydraulics } from '@/features/rebuild/Hydraulics';
import { allPeople } from '@/server/people';
import { checksOfKind, findCheck } from '@/server/procedure';
import { bleedOrderOf } from '@/server/rebuild';
import { bleedMethod, hydraulicSteps, openedBy } from '@/server/rebuildSteps';
import { stepView } from '@/server/rebuildView';
import { whoIsHere } from '@/server/who';
import { WithNose } from '../../JobScent';
import { openJobPage, type JobParams } from '../../open';

export const metadata: Metadata = { title: 'Hydraulics' };

/** Age at which a hose is looked at twice, in years. Source: handbook 19. */
const HOSE_YEARS = 10;

export default async function HydraulicsPage(props: JobParams) {
  const { id, file } = await openJobPage(props);
  const steps = Object.fromEntries(
    checksOfKind(file, 'hydraulics').map((row) => [
      row.place === '' ? row.item : `${row.item} ${row.place}`,
      stepView(row)!,
    ]),
  );
  const plan = hydraulicSteps(file);
  const { bleedSource } = file.vehicle;
  return (
    <WithNose file={file}>
      <div className="zh-row justify-content-start mb-2">
        <h1 className="mb-0">Hydraulics</h1>
        <Link className="btn btn-outline-secondary" href={`/jobs/${id}/rebuild`}>
          Rebuild
        </Link>
      </div>
      <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} isFolded />
      <Hydraulics
        jobId={id}
        opened={openedBy(file)}
        steps={steps}
        method={bleedMethod(file)}
        methodByRule={findCheck(file, 'hydraulics', '', 'method') === undefined}
        plan={plan}
        order={bleedOrderOf(file)}
        orderSource={bleedSource && SOURCE_NAME[bleedSource]}
        cautions={cautionsAt(PROCEDURE, ['fluid', 'piston'])}
        hoseYears={HOSE_YEARS}
      />
    </WithNose>
  );
}
