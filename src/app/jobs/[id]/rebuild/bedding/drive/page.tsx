import type { Metadata } from 'next';
import { speedUnit } from '@/core/units';
import { BeddingDrive } from '@/features/rebuild/BeddingDrive';
import { planOf } from '@/server/rebuild/bedding';
import { findCheck, refuseDriven } from '@/core/job';
import { stepView } from '@/server/rebuild/rebuildView';
import { shopUnits } from '@/server/shop/settings';
import { openJobPage, type JobParams } from '../../../open';

export const metadata: Metadata = { title: 'Bedding-in, passenger’s view' };

export default async function BeddingDrivePage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const { programme } = await planOf(job);
  return (
    <>
      <h1 className="visually-hidden">Bedding-in, passenger’s view</h1>
      <BeddingDrive
        jobId={id}
        programme={programme}
        unit={speedUnit(await shopUnits())}
        written={stepView(findCheck(job, 'bedding', '', 'driven'))}
        why={refuseDriven(job)}
      />
    </>
  );
}
