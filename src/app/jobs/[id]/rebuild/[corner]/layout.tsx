import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { CORNER_NAME, CORNERS } from '@/core/readings';
import { WhoIsHere } from '@/features/people/WhoIsHere';
import { RebuildTabs } from '@/features/rebuild/RebuildTabs';
import { jobFile } from '@/server/jobs';
import { allPeople } from '@/server/people';
import { whoIsHere } from '@/server/who';
import { WithNose } from '../../JobScent';

export default async function RebuildCornerLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ id: string; corner: string }>;
}) {
  const { id, corner: name } = await params;
  const file = await jobFile(id);
  const corner = CORNERS.find((each) => each === name);
  if (!file || !corner || !file.corners.includes(corner)) notFound();
  return (
    <WithNose file={file}>
      <h1 className="visually-hidden">Rebuild, {CORNER_NAME[corner]}</h1>
      <RebuildTabs jobId={id} corner={corner} corners={file.corners} />
      <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} isFolded />
      {children}
    </WithNose>
  );
}
