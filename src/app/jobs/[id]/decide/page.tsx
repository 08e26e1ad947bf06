import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { CornerDecision } from '@/features/decide/CornerDecision';
import { judgeCorner } from '@/server/decisions';
import { jobFile } from '@/server/jobs';
import { shopUnits } from '@/server/settings';
import { cornersToProve } from '@/server/stages';
import { WithNose } from '../JobScent';

export const metadata: Metadata = { title: 'Decide' };

export default async function DecidePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const file = await jobFile(id);
  if (!file) notFound();
  const units = await shopUnits();
  const judged = file.corners.map((corner) => judgeCorner(file, corner, 'before'));
  const toProve = cornersToProve(file)[0];
  const isDecided = judged.every(({ recorded }) => recorded !== null);
  return (
    <WithNose file={file}>
      <h1>Decide</h1>
      {judged.map((judgement) => (
        <CornerDecision key={judgement.corner} jobId={id} units={units} {...judgement} />
      ))}
      {isDecided && (
        <Link
          className="btn btn-primary"
          href={toProve ? `/jobs/${id}/prove/${toProve}` : `/jobs/${id}/report`}
        >
          {toProve ? 'Once it is done: measure again' : 'Report'}
        </Link>
      )}
      <p className="zh-muted mt-3">
        The maker’s service information and a licensed technician’s judgement come first. Do not
        machine a rotor that is cracked, rusted through at the fins, hard-spotted or damaged at the
        hat.
      </p>
    </WithNose>
  );
}
