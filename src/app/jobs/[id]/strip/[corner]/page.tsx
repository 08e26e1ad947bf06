import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { CornerOrder } from '@/features/strip/CornerOrder';
import { jobFile } from '@/server/jobs';
import { shopUnits } from '@/server/settings';
import { cornerWork } from '../work';

export const metadata: Metadata = { title: 'Strip, step by step' };

export default async function StripOrderPage({
  params,
}: {
  params: Promise<{ id: string; corner: string }>;
}) {
  const { id, corner } = await params;
  const file = await jobFile(id);
  const work = file && cornerWork(file, corner, await shopUnits());
  if (!work) notFound();
  return <CornerOrder key={corner} {...work} />;
}
