import { Here } from '@/app/Here';
import { notFound } from 'next/navigation';
import { SeenMark } from '@/ui/keeper';
import { CornerLinks } from '@/ui/shell';
import { isDrumAt, openCorrection } from '@/core/job';
import { CorrectFirst } from '@/features/correct/CorrectFirst';
import { MeasureBench } from '@/features/measure/MeasureBench';
import { DrumBench } from '../../DrumBench';
import { FasteningFirst } from '../../FasteningFirst';
import { diagnosisOf, WithNose } from '../../JobDiagnosis';
import { benchCorner, openBenchOf } from '@/server/measure/bench';
import { cornerTitle } from '../../title';

export const generateMetadata = cornerTitle('Prove');

export default async function ProvePage({
  params,
}: {
  params: Promise<{ id: string; corner: string }>;
}) {
  const { id, corner } = await params;
  const bench = await openBenchOf(id, corner, 'after');
  if (!bench) notFound();
  const { record, nextCorner, job } = bench;
  const open = openCorrection(job, bench.corner);
  const isDrum = isDrumAt(job, bench.corner);
  const next = nextCorner
    ? { href: `/jobs/${id}/prove/${nextCorner}`, label: `Next corner: ${nextCorner}` }
    : { href: `/jobs/${id}/prove`, label: 'Is it cured?' };
  const decision = job.decisions.find((each) => each.corner === bench.corner);
  return (
    <>
      <SeenMark reach={bench.job.reach} />
      <div data-part="bench-head">
        <div className="d-flex flex-wrap gap-3 align-items-center mb-2">
          <h1 className="mb-0">Prove: measure again</h1>
          <CornerLinks corners={job.corners} current={bench.corner} base={`/jobs/${id}/prove`} />
        </div>
        <Here />
      </div>
      {!open && !isDrum && (
        <p className="mb-2">
          {decision
            ? `On record: ${decision.words} Measure as fitted, ${record.fastening === 'studs' ? 'nuts' : 'bolts'} at final torque.`
            : 'Nothing is on record as done at this corner yet. Decide first, or measure as it is.'}
        </p>
      )}
      {isDrum ? (
        <WithNose job={job}>
          <DrumBench job={job} corner={bench.corner} phase="after" next={next} isTicked />
        </WithNose>
      ) : (
        <FasteningFirst job={job} corner={bench.corner}>
          {open && bench.sets.length === 0 ? (
            <CorrectFirst jobId={id} corner={bench.corner} open={open} then="Measuring again" />
          ) : (
            <MeasureBench
              key={bench.corner}
              corner={benchCorner(bench, 'after')}
              {...await diagnosisOf(job, true)}
              sets={bench.sets}
              expectedShift={bench.expectedShift}
              nextHref={next.href}
              nextLabel={next.label}
            />
          )}
        </FasteningFirst>
      )}
    </>
  );
}
