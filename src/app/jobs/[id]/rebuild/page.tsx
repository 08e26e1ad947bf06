import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { isPedalDone, needsPedal } from '@/core/procedure';
import { CornerRebuildCards } from '@/features/rebuild/CornerRebuildCards';
import { StepTick } from '@/features/rebuild/StepTick';
import { WheelTurns } from '@/features/rebuild/WheelTurns';
import { findCheck, readinessOf, rebuildNext } from '@/core/job';
import { cornerProgress, stepView } from '@/server/rebuild/rebuildView';
import { jobHref, NextThing } from '@/ui/shell';
import { WithNose } from '../JobDiagnosis';
import { openJobPage, type JobParams } from '../open';
import { Here } from '@/app/Here';
import photos from '@/ui/shell/photos.module.css';

export const metadata: Metadata = { title: 'Rebuild' };

export default async function RebuildPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const state = readinessOf(job);
  const next = rebuildNext(job);
  const pedal = (item: string, place = '') => stepView(findCheck(job, 'pedal', place, item));
  const key = { jobId: id, kind: 'pedal' as const, place: '' };
  return (
    <WithNose job={job}>
      <h1>Rebuild</h1>
      <NextThing todo={next.todo} why={next.why}>
        <ButtonLink variant="primary" href={next.place ? jobHref(id, next.place) : `/jobs/${id}`}>
          {next.label}
        </ButtonLink>
      </NextThing>
      <Here isWhole />
      <CornerRebuildCards
        jobId={id}
        corners={job.corners.map((corner) => cornerProgress(job, corner))}
      />
      <div className={`${photos.cornerCards} mt-3`}>
        <section className="zh-card" aria-label="Hydraulics">
          <h2>Hydraulics</h2>
          <p>
            {state.opened.length > 0
              ? `Opened: ${state.opened.join('; ')}. ${state.hydraulicsOpen.length === 0 ? 'Bled and closed.' : `${state.hydraulicsOpen.length} points are open.`}`
              : state.saidClosed
                ? 'Nothing was opened.'
                : 'Nobody said yet whether anything was opened.'}
          </p>
          <ButtonLink variant="outline-secondary" href={`/jobs/${id}/rebuild/hydraulics`}>
            Hydraulics
          </ButtonLink>
        </section>
        <section className="zh-card" aria-label="Pedal">
          <h2>Pedal</h2>
          {needsPedal(state) ? (
            <p>
              {isPedalDone(state)
                ? 'Firm, held for a minute, level set.'
                : 'Not pumped firm since the brakes were worked on. The vehicle stays where it is.'}
            </p>
          ) : (
            <p>No piston moved.</p>
          )}
          <div className="d-flex flex-wrap gap-2 align-items-start">
            <ButtonLink variant="outline-secondary" href={`/jobs/${id}/rebuild/pedal`}>
              The pedal stop
            </ButtonLink>
            {state.pistonsMoved.length === 0 && (
              <StepTick
                {...key}
                item="none-moved"
                written={pedal('none-moved')}
                label="No piston moved in this job"
              />
            )}
          </div>
        </section>
        <section className="zh-card" aria-label="Wheels turn" id="turns">
          <h2>Pedal released: turns free?</h2>
          {job.corners.map((corner) => (
            <WheelTurns key={corner} jobId={id} corner={corner} written={pedal('turns', corner)} />
          ))}
        </section>
        <section className="zh-card" aria-label="On the road" id="first-stop">
          <h2>First stop, bedding-in</h2>
          <StepTick
            {...key}
            item="first-stop"
            written={pedal('first-stop')}
            label="First stop made at walking pace, in the yard"
          />
          <StepTick {...key} item="moved" written={pedal('moved')} label="Vehicle moved" />
          <ButtonLink variant="outline-secondary" href={`/jobs/${id}/rebuild/bedding`}>
            Bedding-in planner
          </ButtonLink>
          <p className="zh-muted mt-2 mb-0">
            A little smell, light noise and a soft first bite are to be expected: say so to the
            owner.
          </p>
          <StepTick
            jobId={id}
            kind="bedding"
            place=""
            item="told"
            written={stepView(findCheck(job, 'bedding', '', 'told'))}
            label="Said to the owner"
          />
        </section>
      </div>
    </WithNose>
  );
}
