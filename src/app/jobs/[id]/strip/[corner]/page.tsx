import { CornerOrder } from '@/features/strip/CornerOrder';
import { FasteningFirst } from '../../FasteningFirst';
import { openCorner, type CornerParams } from '../work';
import { cornerTitle } from '../../title';

export const generateMetadata = cornerTitle('Strip, step by step');

export default async function StripOrderPage(props: CornerParams) {
  const { job, work } = await openCorner(props);
  return (
    <FasteningFirst job={job} corner={work.corner}>
      <CornerOrder key={work.corner} {...work} />
    </FasteningFirst>
  );
}
