import Link, { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { PROCEDURE } from '@/core/contracts';
import { cautionsAt } from '@/core/procedure';
import { CORNER_NAME, otherSide } from '@/core/readings';
import { CornerCards } from '@/features/strip/CornerCards';
import { LiftingList } from '@/features/strip/LiftingList';
import { RightParts } from '@/features/strip/RightParts';
import { WaitingCard } from '@/features/strip/WaitingCard';
import { loadJob } from '@/server/job/jobs';
import {
  arePartsDone,
  axlesOfJob,
  isLiftingDone,
  liftingItems,
  partsStillOff,
  rightPartsOf,
  progressAt,
  rulesOf,
  stripNext,
} from '@/core/job';
import { WATER, WHEEL_ITEMS } from '@/core/wheels';
import { jobHref, NextThing } from '@/ui/shell';
import { WithNose } from '../JobDiagnosis';
import { WheelsCard } from '../WheelsCard';
import { Here } from '@/app/Here';
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
  const job = await loadJob(id);
  if (!job) notFound();
  const checks = checkViews(job);
  const ofKind = (kind: string) => checks.filter((check) => check.kind === kind);
  const items = liftingItems(job);
  const next = stripNext(job);
  const own = rulesOf(job).filter(({ by }) => by === 'job').length;
  const still = partsStillOff(job);
  return (
    <WithNose job={job}>
      <h1>Strip and inspect</h1>
      <NextThing todo={next.todo} why={next.why}>
        {next.place && (
          <ButtonLink variant="primary" href={jobHref(id, next.place)}>
            {next.label}
          </ButtonLink>
        )}
      </NextThing>
      <Here isWhole />
      <Fold id="lifting" title="Before lifting" isDone={isLiftingDone(job)}>
        <LiftingList
          jobId={id}
          items={items}
          cautions={cautionsAt(PROCEDURE, [...new Set(items.flatMap(({ hazards }) => hazards))])}
          checks={ofKind('lifting')}
        />
      </Fold>
      <WheelsCard job={job} checks={checks} items={[...WHEEL_ITEMS, WATER]} />
      <Fold id="parts" title="Right parts first" isDone={arePartsDone(job)}>
        <p className="zh-muted">
          Held against the record before anything is taken apart, and later against the old ones.
        </p>
        {axlesOfJob(job).map((axle) => (
          <RightParts
            key={axle}
            jobId={id}
            axle={axle}
            items={rightPartsOf(job, axle)}
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
        corners={job.corners.map((corner) => ({
          corner,
          name: CORNER_NAME[corner],
          ...progressAt(job, corner),
          inTray: partsStillOff(job, corner).length,
          other: job.corners.includes(otherSide(corner)) ? otherSide(corner) : null,
        }))}
      />
      <p className="mt-3">
        <Link className="zh-link" href={`/jobs/${id}/rules`}>
          House rules of this job
        </Link>
        <span className="zh-muted">
          {' '}
          {own === 0 ? 'as the shop has them' : `${own} another way, with its reason`}
        </span>
      </p>
    </WithNose>
  );
}
