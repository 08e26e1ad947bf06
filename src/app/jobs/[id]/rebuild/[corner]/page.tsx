import type { Metadata } from 'next';
import { CornerOrder } from '@/features/strip/CornerOrder';
import { openCorner, rebuildWork, type CornerParams } from '../../strip/work';

export const metadata: Metadata = { title: 'Rebuild, step by step' };

export default async function RebuildOrderPage(props: CornerParams) {
  const { job, work } = await openCorner(props);
  return <CornerOrder key={work.corner} {...rebuildWork(job, work)} />;
}
