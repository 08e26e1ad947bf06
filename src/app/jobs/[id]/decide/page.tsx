import Link, { ButtonLink } from '@/ui/Link';
import { Here } from '@/app/Here';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { otherSide } from '@/core/readings';
import { CornerDecision } from '@/features/decide/CornerDecision';
import { SourceRepairs } from '@/features/decide/SourceRepairs';
import { WaitingDecisions } from '@/features/decide/WaitingDecisions';
import { PairCard } from '@/features/decide/PairCard';
import { DrumCard } from '@/features/drum/DrumCard';
import { DrumChoice } from '@/features/drum/DrumChoice';
import { drumView } from '@/server/drum/drumView';
import { metalOf } from '@/core/options';
import { repairViews } from '@/server/decide/repairsView';
import { decidePage } from '@/server/decide/decidePage';
import { loadJob } from '@/server/job/jobs';
import {
  cornersToCorrect,
  drumCorners,
  drumsToDo,
  repairedBeside,
  sayAgreed,
  repairsToDo,
  sourceRepairs,
} from '@/core/job';
import { shopUnits } from '@/server/shop/settings';
import { jobHref } from '@/ui/shell';
import { WithNose } from '../JobDiagnosis';

export const metadata: Metadata = { title: 'Decide' };

export default async function DecidePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  const units = await shopUnits();
  const { corners, axles } = await decidePage(job);
  const isClosed = job.closedAt !== null;
  const drums = await Promise.all(drumCorners(job).map((corner) => drumView(job, corner)));
  const isDecided =
    corners.every(({ recorded }) => recorded !== null) &&
    drums.every(({ decision }) => decision !== null);
  const toCorrect = [...cornersToCorrect(job), ...drumsToDo(job)][0];
  const isBeside = sourceRepairs(job).length > 0;
  const isToRepair = repairsToDo(job).length > 0;
  const [onward, whereTo] = toCorrect
    ? [`Correct ${toCorrect}`, jobHref(id, { page: 'correct', corner: toCorrect })]
    : isToRepair
      ? ['Correct', jobHref(id, { page: 'correct' })]
      : isBeside
        ? ['Prove', jobHref(id, { page: 'prove' })]
        : ['Report', jobHref(id, { page: 'report' })];
  const takenAt = (name: string): string | null =>
    corners.find(({ corner }) => corner === name)?.decision?.action ?? null;
  const repairs = await repairViews(job);
  // What is likely to lie beside the rotors, or was decided to, stands before them.
  const isBesideFirst = repairs.length > 0;
  const sources = (
    <SourceRepairs
      jobId={id}
      corners={job.corners}
      repairs={repairs}
      causes={repairedBeside(job).map(({ code, name, isOutside }) => ({ code, name, isOutside }))}
      isClosed={isClosed}
    />
  );
  return (
    <WithNose job={job} isWhole>
      <h1>Decide</h1>
      <Here />
      <WaitingDecisions jobId={id} />
      {isBesideFirst && sources}
      {axles.map(({ corners: names, pairs }) => (
        <PairCard
          key={names[0]}
          jobId={id}
          corners={names}
          pairs={pairs}
          sideToSide={corners[0]?.input.shop.equipment.sideToSide ?? 0}
          currency={corners[0]?.input.shop.prices.currency ?? ''}
          taken={[takenAt(names[0]), takenAt(names[1])]}
          isClosed={isClosed}
          units={units}
        />
      ))}
      {corners
        .filter(
          ({ corner, action }) =>
            action !== null &&
            metalOf(action) !== 'none' &&
            !job.corners.includes(otherSide(corner)),
        )
        .map(({ corner }) => (
          <p key={corner} className="zh-stop">
            <strong>Rotors are cut or renewed in pairs.</strong> {otherSide(corner)} is not part of
            this job: <Link href={`/jobs/${id}/complaint`}>add it</Link> and measure it, so that the
            axle is decided and costed as one.
          </p>
        ))}
      {corners.map((judgement) => (
        <CornerDecision
          key={judgement.corner}
          jobId={id}
          isClosed={isClosed}
          isAlone={corners.length === 1}
          units={units}
          {...judgement}
        />
      ))}
      {drums.map((view) => (
        <section key={view.corner} className="zh-card mb-3" aria-label={`Drum, ${view.name}`}>
          <h2>
            Drum, {view.name} <span className="zh-figure">{view.corner}</span>
          </h2>
          <DrumCard view={view} phase="before" />
          <DrumChoice key={view.decision?.stamp ?? ''} view={view} />
          {view.before === null && (
            <ButtonLink variant="primary" href={`/jobs/${id}/measure/${view.corner}`}>
              Measure {view.corner}
            </ButtonLink>
          )}
        </section>
      ))}
      {!isBesideFirst && sources}
      <p>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/estimate`}>
          Estimate for the owner
        </ButtonLink>{' '}
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/parts`}>
          Parts
        </ButtonLink>{' '}
        {sayAgreed(job).join(' ')}
      </p>
      {(isDecided || isBeside) && (
        <ButtonLink variant="primary" href={whereTo} data-goes-on>
          {onward}
        </ButtonLink>
      )}
      <p className="zh-muted mt-3">
        Prices and times are the shop’s own list:{' '}
        <Link href="/workshop/prices">Prices and times</Link>. The maker’s service information and a
        licensed technician’s judgement come first. Do not machine a rotor that is cracked, rusted
        through at the fins, hard-spotted or damaged at the hat.
      </p>
    </WithNose>
  );
}
