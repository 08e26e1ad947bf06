import { openCorrection } from '@/core/job';
import { CorrectFirst } from '@/features/correct/CorrectFirst';
import { CornerOrder } from '@/features/strip/CornerOrder';
import { FasteningFirst } from '../../FasteningFirst';
import { openCorner, rebuildWork, type CornerParams } from '../../strip/work';
import { cornerTitle } from '../../title';

export const generateMetadata = cornerTitle('Rebuild, step by step');

export default async function RebuildOrderPage(props: CornerParams) {
  const { job, work } = await openCorner(props);
  const open = openCorrection(job, work.corner);
  return (
    <FasteningFirst job={job} corner={work.corner}>
      {open && (
        <CorrectFirst jobId={job.id} corner={work.corner} open={open} then="Putting together" />
      )}
      <CornerOrder key={work.corner} {...rebuildWork(job, work)} />
    </FasteningFirst>
  );
}
