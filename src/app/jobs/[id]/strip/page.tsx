import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { PROCEDURE } from '@/core/contracts';
import { cautionsAt } from '@/core/procedure';
import { CORNER_NAME } from '@/core/readings';
import { WhoIsHere } from '@/features/people/WhoIsHere';
import { CornerCards } from '@/features/strip/CornerCards';
import { LiftingList } from '@/features/strip/LiftingList';
import { RightParts } from '@/features/strip/RightParts';
import { WaitingCard } from '@/features/strip/WaitingCard';
import { jobFile } from '@/server/jobs';
import { allPeople } from '@/server/people';
import { whoIsHere } from '@/server/who';
import { axlesOfJob, otherSide, partsStillOff, progressAt, rulesOf } from '@/server/procedure';
import { arePartsDone, isLiftingDone, liftingItems, stripNext } from '@/server/stripNext';
import { NextThing } from '@/ui/shell';
import { WithNose } from '../JobScent';
import { checkViews } from './work';

export const metadata: Metadata = { title: 'Strip' };

/** A part of the stage; folded once there is nothing left to do in it. */
function Fold({
  id,
  title,
  isDone,
  children,
}: {
  id: string;
  title: string;
  isDone: boolean;
  children: ReactNode;
}) {
  return (
    <details id={id} className="zh-card mb-3" open={!isDone}>
      <summary className="zh-fold">
        <h2 className="mb-0">{title}</h2>
        {isDone && <span className="zh-muted ms-2">gone through</span>}
      </summary>
      {children}
    </details>
  );
}

export default async function StripPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const file = await jobFile(id);
  if (!file) notFound();
  const checks = checkViews(file);
  const ofKind = (kind: string) => checks.filter((check) => check.kind === kind);
  const items = liftingItems(file);
  const next = stripNext(file);
  const own = rulesOf(file).filter(({ by }) => by === 'job').length;
  const still = partsStillOff(file);
  return (
    <WithNose file={file}>
      <h1>Strip and inspect</h1>
      <NextThing todo={next.todo} why={next.why}>
        {next.href && (
          <Link className="btn btn-primary" href={next.href}>
            {next.label}
          </Link>
        )}
      </NextThing>
      <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} />
      <Fold id="lifting" title="Before lifting" isDone={isLiftingDone(file)}>
        <LiftingList
          jobId={id}
          items={items}
          cautions={cautionsAt(PROCEDURE, [...new Set(items.flatMap(({ hazards }) => hazards))])}
          checks={ofKind('lifting')}
        />
      </Fold>
      <Fold id="parts" title="Right parts first" isDone={arePartsDone(file)}>
        <p className="zh-muted">
          Held against the record before anything is taken apart, and later against the old ones.
        </p>
        {axlesOfJob(file).map((axle) => (
          <RightParts
            key={axle}
            jobId={id}
            axle={axle}
            items={PROCEDURE.rightParts}
            checks={ofKind('parts').filter(({ place }) => place === axle)}
          />
        ))}
        <WaitingCard
          jobId={id}
          checks={ofKind('waiting')}
          off={still.map(({ corner, name }) => `${corner} ${name.toLowerCase()}`).join(', ')}
        />
      </Fold>
      <h2>Corner by corner</h2>
      <CornerCards
        jobId={id}
        corners={file.corners.map((corner) => ({
          corner,
          name: CORNER_NAME[corner],
          ...progressAt(file, corner),
          inTray: partsStillOff(file, corner).length,
          other: file.corners.includes(otherSide(corner)) ? otherSide(corner) : null,
        }))}
      />
      <p className="mt-3">
        <Link href={`/jobs/${id}/rules`}>House rules of this job</Link>
        <span className="zh-muted">
          {' '}
          {own === 0 ? 'as the shop has them' : `${own} another way, with its reason`}
        </span>
      </p>
    </WithNose>
  );
}
