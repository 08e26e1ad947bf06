import { FileLink } from '@/ui/Link';
import { ButtonLink } from '@/ui/Link';
import { formatDate } from '@/core/calendar';
import type { Metadata } from 'next';
import { Here } from '@/app/Here';
import { approvalOf, findCheck, repairCost, sourceRepairs, totalOf } from '@/core/job';
import { Agree, AskOwner } from '@/features/decide/Agree';
import { EstimatePage } from '@/features/report/EstimatePage';
import { PrintButton } from '@/features/report/PrintButton';
import { estimateOf } from '@/server/decide/estimate';
import { ownerOf } from '@/server/shop/owners';
import { shopUnits } from '@/server/shop/settings';
import { SeenMark } from '@/ui/keeper';
import { openJobPage, type JobParams } from '../open';

export const metadata: Metadata = { title: 'Estimate' };

export default async function JobEstimatePage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const estimate = await estimateOf(job, await shopUnits());
  const besides = sourceRepairs(job)
    .filter(({ how }) => how === 'here')
    .map(({ cause }) => totalOf(repairCost(job, cause)));
  const asked = findCheck(job, 'estimate', '', 'asked');
  const approval = approvalOf(job);
  const offered = estimate.parts.filter(({ ways }) => ways.length > 0);
  return (
    <>
      <SeenMark reach={job.reach} />
      <h1 className="visually-hidden">Estimate</h1>
      <div className="d-flex flex-wrap gap-2 mb-3 zh-no-print">
        <PrintButton />
        <FileLink variant="outline-secondary" href={`/api/v1/jobs/${id}/estimate.pdf`}>
          As a PDF
        </FileLink>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/decide`}>
          Decide
        </ButtonLink>
      </div>
      <EstimatePage estimate={estimate} />
      {job.closedAt === null && (
        <>
          <Here />
          {(!approval || (asked && asked.seq > approval.seq)) && (
            <AskOwner
              jobId={id}
              asked={
                asked
                  ? {
                      stamp: asked.stamp,
                      about: `${asked.by ?? ''}, ${formatDate(asked.at, 'D MMM, HH:mm')}`,
                    }
                  : null
              }
            />
          )}
          <Agree
            key={estimate.approval?.stamp ?? 'new'}
            jobId={id}
            parts={offered.map(({ where, ways }) => ({
              where,
              choices: ways.map(({ what, price }) => ({ part: where, what, price })),
            }))}
            usual={offered.map(({ ways }) => ways.findIndex(({ isRecommended }) => isRecommended))}
            besides={
              besides.some((price) => price === null)
                ? null
                : besides.reduce<number>((sum, price) => sum + (price ?? 0), 0)
            }
            currency={estimate.currency}
            stamp={estimate.approval?.stamp ?? null}
            owner={(await ownerOf(job.vehicle.id))?.name ?? ''}
          />
        </>
      )}
    </>
  );
}
