import type { Metadata } from 'next';
import { CornerOrder } from '@/features/strip/CornerOrder';
import { FasteningFirst } from '../../FasteningFirst';
import { openCorner, type CornerParams } from '../work';

export const metadata: Metadata = { title: 'Strip, step by step' };

export default async function StripOrderPage(props: CornerParams) {
  const { job, work } = await openCorner(props);
  return (
    <FasteningFirst job={job} corner={work.corner}>
      <CornerOrder key={work.corner} {...work} />
    </FasteningFirst>
  );
}
