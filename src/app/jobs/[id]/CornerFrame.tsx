import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { CORNER_NAME, CORNERS, type Corner } from '@/core/readings';
import { WhoIsHere } from '@/features/people/WhoIsHere';
import { jobFile } from '@/server/jobs';
import { allPeople } from '@/server/people';
import { whoIsHere } from '@/server/who';
import { WithNose } from './JobScent';

/** What the screens of one corner of a stage stand in: its tabs, who is here, the nose beside. */
export async function CornerFrame({
  params,
  stage,
  tabs,
  children,
}: {
  params: Promise<{ id: string; corner: string }>;
  stage: string;
  tabs: (place: {
    readonly jobId: string;
    readonly corner: Corner;
    readonly corners: readonly Corner[];
  }) => ReactNode;
  children: ReactNode;
}) {
  const { id, corner: name } = await params;
  const file = await jobFile(id);
  const corner = CORNERS.find((each) => each === name);
  if (!file || !corner || !file.corners.includes(corner)) notFound();
  return (
    <WithNose file={file}>
      <h1 className="visually-hidden">
        {stage}, {CORNER_NAME[corner]}
      </h1>
      {tabs({ jobId: id, corner, corners: file.corners })}
      <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} isFolded />
      {children}
    </WithNose>
  );
}
