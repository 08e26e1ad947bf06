import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
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
import { liftingItems, stripNext } from '@/server/stripNext';
import { NextThing } from '@/ui/shell';
import { WithNose } from '../JobScent';
import { checkViews } from './work';

export const metadata: Metadata = { title: 'Strip' };

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
      <section className="zh-card mb-3" aria-labelledby="lifting">
        <h2 id="lifting">Before lifting</h2>
        <LiftingList
          jobId={id}
          items={items}
          cautions={cautionsAt(PROCEDURE, [...new Set(items.flatMap(({ hazards }) => hazards))])}
          checks={ofKind('lifting')}
        />
      </section>
      <section className="zh-card mb-3" aria-labelledby="parts">
        <h2 id="parts">Right parts first</h2>
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
      </section>
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
