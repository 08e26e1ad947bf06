import type { Metadata } from 'next';
import { CornerOrder } from '@/features/strip/CornerOrder';
import { openCorner, type CornerParams } from '../work';

export const metadata: Metadata = { title: 'Strip, step by step' };

export default async function StripOrderPage(props: CornerParams) {
  const { work } = await openCorner(props);
  return <CornerOrder key={work.corner} {...work} />;
}
