import { Here } from '@/app/Here';
import { notFound, redirect } from 'next/navigation';
import { SeenMark } from '@/ui/keeper';
import { CornerLinks } from '@/ui/shell';
import { isDrumAt, notedAsFound } from '@/core/job';
import { AsFoundGuide } from '@/features/measure/AsFoundGuide';
import { MeasureBench } from '@/features/measure/MeasureBench';
import { FasteningFirst } from '../../FasteningFirst';
import { diagnosisOf } from '../../JobDiagnosis';
import { benchCorner, openBenchOf } from '@/server/measure/bench';
import { cornerTitle } from '../../title';

export const generateMetadata = cornerTitle('As found');

export default async function AsFoundPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string; corner: string }>;
  searchParams: Promise<{ kind?: string }>;
}) {
  const { id, corner } = await params;
  const bench = await openBenchOf(id, corner, 'as-found');
  if (!bench) notFound();
  // A drum is measured once it is off: there is no seat to be read as found.
  if (isDrumAt(bench.job, bench.corner)) redirect(`/jobs/${id}/measure/${bench.corner}`);
  const { record } = bench;
  return (
    <>
      <SeenMark reach={bench.job.reach} />
      <div data-part="bench-head">
        <div className="d-flex flex-wrap gap-3 align-items-center mb-2">
          <h1 className="mb-0">As found</h1>
          <CornerLinks
            corners={bench.job.corners}
            current={bench.corner}
            base={`/jobs/${id}/as-found`}
          />
        </div>
        <Here />
      </div>
      <FasteningFirst job={bench.job} corner={bench.corner}>
        <AsFoundGuide
          jobId={id}
          corner={bench.corner}
          fastening={record.fastening}
          isComposite={record.isComposite === true}
          noted={notedAsFound(bench.job, bench.corner)}
          units={bench.units}
          backHref={`/jobs/${id}/strip/${bench.corner}`}
        />
        <MeasureBench
          key={`${bench.corner} ${(await searchParams).kind ?? ''}`}
          corner={benchCorner(bench, 'as-found')}
          {...await diagnosisOf(bench.job)}
          sets={bench.sets}
          wanted={(await searchParams).kind === 'hub' ? 'hub' : undefined}
          expectedShift={null}
          nextHref={`/jobs/${id}/strip/${bench.corner}`}
          nextLabel="Back to the strip-down"
        />
      </FasteningFirst>
    </>
  );
}
