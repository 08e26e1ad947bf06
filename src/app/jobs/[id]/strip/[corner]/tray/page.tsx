import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Tray } from '@/features/strip/Tray';
import { jobFile } from '@/server/jobs';
import { shopUnits } from '@/server/settings';
import { cornerWork } from '../../work';

export const metadata: Metadata = { title: 'Parts tray' };

export default async function StripTrayPage({
  params,
}: {
  params: Promise<{ id: string; corner: string }>;
}) {
  const { id, corner } = await params;
  const file = await jobFile(id);
  const work = file && cornerWork(file, corner, await shopUnits());
  if (!work) notFound();
  return (
    <section className="zh-card" aria-labelledby="zh-tray">
      <h2 id="zh-tray">
        Parts tray <span className="zh-figure">{work.corner}</span>
      </h2>
      <Tray jobId={id} corner={work.corner} choices={work.choices} parts={work.parts} />
    </section>
  );
}
