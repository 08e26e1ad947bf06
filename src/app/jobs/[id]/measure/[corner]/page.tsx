import { Here } from '@/app/Here';
import { notFound } from 'next/navigation';
import { SeenMark } from '@/ui/keeper';
import { CornerLinks } from '@/ui/shell';
import { MeasureBench } from '@/features/measure/MeasureBench';
import { isDrumAt } from '@/core/job';
import { DrumBench } from '../../DrumBench';
import { FasteningFirst } from '../../FasteningFirst';
import { diagnosisOf, WithNose } from '../../JobDiagnosis';
import { benchCorner, openBenchOf } from '@/server/measure/bench';
import { cornerTitle } from '../../title';

export const generateMetadata = cornerTitle('Measure');

export default async function MeasurePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string; corner: string }>;
  searchParams: Promise<{ kind?: string }>;
}) {
  const { id, corner } = await params;
  const bench = await openBenchOf(id, corner, 'before');
  if (!bench) notFound();
  const { nextCorner } = bench;
  const next = nextCorner
    ? { href: `/jobs/${id}/measure/${nextCorner}`, label: `Next corner: ${nextCorner}` }
    : { href: `/jobs/${id}/decide`, label: 'Decide' };
  return (
    <>
      <SeenMark reach={bench.job.reach} />
      <div data-part="bench-head">
        <div className="d-flex flex-wrap gap-3 align-items-center mb-2">
          <h1 className="mb-0">Measure</h1>
          <CornerLinks
            corners={bench.job.corners}
            current={bench.corner}
            base={`/jobs/${id}/measure`}
          />
        </div>
        <Here />
      </div>
      {isDrumAt(bench.job, bench.corner) ? (
        <WithNose job={bench.job} isWhole>
          <DrumBench job={bench.job} corner={bench.corner} phase="before" next={next} />
        </WithNose>
      ) : (
        <FasteningFirst job={bench.job} corner={bench.corner}>
          <MeasureBench
            key={`${bench.corner} ${(await searchParams).kind ?? ''}`}
            corner={benchCorner(bench, 'before')}
            {...await diagnosisOf(bench.job)}
            sets={bench.sets}
            wanted={(await searchParams).kind === 'hub' ? 'hub' : undefined}
            expectedShift={null}
            nextHref={next.href}
            nextLabel={next.label}
          />
        </FasteningFirst>
      )}
    </>
  );
}
