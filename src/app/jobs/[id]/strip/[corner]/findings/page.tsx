import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { PROCEDURE } from '@/core/contracts';
import { CornerFindings } from '@/features/strip/CornerFindings';
import { jobFile } from '@/server/jobs';
import { shopUnits } from '@/server/settings';
import { cornerWork } from '../../work';

export const metadata: Metadata = { title: 'Findings' };

export default async function StripFindingsPage({
  params,
}: {
  params: Promise<{ id: string; corner: string }>;
}) {
  const { id, corner } = await params;
  const file = await jobFile(id);
  const work = file && cornerWork(file, corner, await shopUnits());
  if (!work) notFound();
  const next = file.corners[file.corners.indexOf(work.corner) + 1];
  return (
    <>
      <CornerFindings key={corner} {...work} groups={PROCEDURE.groups} />
      <Link
        className="btn btn-primary"
        href={next ? `/jobs/${id}/strip/${next}/findings` : `/jobs/${id}/measure/${corner}`}
      >
        {next ? `Next corner: ${next}` : 'Measure'}
      </Link>
    </>
  );
}
