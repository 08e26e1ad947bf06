import Link, { ButtonLink } from '@/ui/Link';
import type { Job } from '@/core/job';
import type { Corner } from '@/core/readings';
import { DrumCard } from '@/features/drum/DrumCard';
import { DrumTick } from '@/features/drum/DrumTick';
import { drumSentence } from '@/features/drum/model';
import { CornerFigures } from '@/features/strip/CornerFigures';
import { drumFigureItems, drumView } from '@/server/drum/drumView';
import { NextThing } from '@/ui/shell';
import { checkViews } from './strip/work';

interface DrumBenchProps {
  readonly job: Job;
  readonly corner: Corner;
  readonly phase: 'before' | 'after';
  /** Where the work goes on. */
  readonly next: { readonly href: string; readonly label: string };
  /** The work that was decided is ticked here. */
  readonly isTicked?: boolean;
}

/** A drum measured: its four diameters, what they say, and where the work goes on. */
export async function DrumBench({ job, corner, phase, next, isTicked = false }: DrumBenchProps) {
  const view = await drumView(job, corner);
  const { todo, why } = drumSentence(view);
  const checks = checkViews(job).filter(({ place }) => place === corner);
  const isRead = view[phase] !== null;
  return (
    <>
      {phase === 'before' && <NextThing todo={todo} why={why} />}
      <section className="zh-card my-3" aria-label={`Drum, ${view.name}`}>
        <h2>
          Drum, {view.name}
          {phase === 'after' ? ', after the work' : ''}
        </h2>
        {isTicked && phase === 'after' && view.decision === null ? (
          <p>
            Nothing is decided for this drum yet.{' '}
            <Link href={`/jobs/${job.id}/decide`}>Decide</Link>
          </p>
        ) : (
          <DrumCard view={view} phase={phase}>
            {(phase === 'before' || view.decision?.work !== 'keep') && (
              <CornerFigures
                jobId={job.id}
                corner={corner}
                figures={drumFigureItems(phase)}
                checks={checks}
                units={view.units}
              />
            )}
            {isTicked && <DrumTick view={view} />}
          </DrumCard>
        )}
      </section>
      {(isRead || isTicked) && (
        <ButtonLink variant="primary" href={next.href}>
          {next.label}
        </ButtonLink>
      )}
      <p className="zh-muted mt-3">
        Drum gauge square across, inside the lip, each place twice. Beyond its wear limit a drum is
        renewed, and the vehicle does not leave on it. The maker’s service information comes first.
      </p>
    </>
  );
}
