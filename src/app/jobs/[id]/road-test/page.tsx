import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { speedUnit } from '@/core/units';
import { feltRateAction } from '@/features/nose/actions';
import { RoadTest } from '@/features/road-test/RoadTest';
import { jobFile } from '@/server/jobs';
import { noseOf } from '@/server/nose';
import { shopUnits } from '@/server/settings';
import { stagesOf } from '@/server/stages';
import { WithNose } from '../JobScent';
import { keptTests } from './kept';

export const metadata: Metadata = { title: 'Road test' };

export default async function RoadTestPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const file = await jobFile(id);
  if (!file) notFound();
  const measure = stagesOf(file).find(({ key }) => key === 'measure');
  return (
    <WithNose file={file}>
      <h1>Road test</h1>
      <RoadTest
        jobId={id}
        tyre={{
          tyre: file.vehicle.tyre ?? '',
          finalDrive: String(file.vehicle.finalDrive ?? ''),
        }}
        unit={speedUnit(await shopUnits())}
        tests={keptTests(file, 'before')}
        noDrive={(await noseOf(file)).noDrive}
        onFelt={feltRateAction.bind(null, id)}
      />
      <Link href={measure?.href ?? `/jobs/${id}`} className="btn btn-primary">
        Measure
      </Link>
    </WithNose>
  );
}
