import type { Metadata } from 'next';
import { speedUnit } from '@/core/units';
import { BeddingDrive } from '@/features/rebuild/BeddingDrive';
import { planOf } from '@/server/bedding';
import { findCheck } from '@/server/procedure';
import { refuseDriven } from '@/server/rebuildGuard';
import { stepView } from '@/server/rebuildView';
import { shopUnits } from '@/server/settings';
import { openJobPage, type JobParams } from '../../../open';

export const metadata: Metadata = { title: 'Bedding-in, passenger’s view' };

export default async function BeddingDrivePage(props: JobParams) {
  const { id, file } = await openJobPage(props);
  const { programme } = await planOf(file);
  return (
    <>
      <h1 className="visually-hidden">Bedding-in, passenger’s view</h1>
      <BeddingDrive
        jobId={id}
        programme={programme}
        unit={speedUnit(await shopUnits())}
        written={stepView(findCheck(file, 'bedding', '', 'driven'))}
        why={refuseDriven(file)}
      />
    </>
  );
}
