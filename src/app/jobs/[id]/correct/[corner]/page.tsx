import Link, { ButtonLink } from '@/ui/Link';
import { notFound } from 'next/navigation';
import { CORNER_NAME, CORNERS } from '@/core/readings';
import { CornerCorrection } from '@/features/correct/CornerCorrection';
import { RepairTicks } from '@/features/correct/RepairTicks';
import { PrintButton } from '@/features/report/PrintButton';
import { repairViews } from '@/server/decide/repairsView';
import { correctView } from '@/server/correct/correct';
import { loadJob } from '@/server/job/jobs';
import { shopUnits } from '@/server/shop/settings';
import { cornersToCorrect, cornersToProve, drumsDone, drumsToDo, isDrumAt } from '@/core/job';
import { DrumBench } from '../../DrumBench';
import { WithNose } from '../../JobDiagnosis';
import { Here } from '@/app/Here';
import { cornerTitle } from '../../title';

export const generateMetadata = cornerTitle('Correct');

export default async function CorrectPage({
  params,
}: {
  params: Promise<{ id: string; corner: string }>;
}) {
  const { id, corner: name } = await params;
  const job = await loadJob(id);
  const corner = CORNERS.find((each) => each === name);
  if (!job || !corner || !job.corners.includes(corner)) notFound();
  const view = correctView(job, corner);
  const corners = [...cornersToProve(job), ...drumsToDo(job), ...drumsDone(job)];
  const left = [...cornersToCorrect(job), ...drumsToDo(job)].find((each) => each !== corner);
  return (
    <WithNose job={job}>
      <div className="d-flex flex-wrap gap-2 align-items-center mb-2">
        <h1 className="mb-0">
          Correct <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}
        </h1>
        <span className="zh-muted">
          job {job.number}, {job.vehicle.plate}
        </span>
        <span className="zh-no-print d-flex gap-2">
          {corners
            .filter((each) => each !== corner)
            .map((each) => (
              <ButtonLink
                key={each}
                variant="outline-secondary"
                href={`/jobs/${id}/correct/${each}`}
              >
                {each}
              </ButtonLink>
            ))}
          {(view !== null || isDrumAt(job, corner)) && <PrintButton />}
        </span>
      </div>
      <Here />
      <RepairTicks jobId={id} repairs={await repairViews(job)} />
      {isDrumAt(job, corner) ? (
        <DrumBench
          job={job}
          corner={corner}
          phase="after"
          isTicked
          next={
            left
              ? { href: `/jobs/${id}/correct/${left}`, label: `Correct ${left}` }
              : { href: `/jobs/${id}/rebuild`, label: 'Rebuild' }
          }
        />
      ) : view ? (
        <CornerCorrection
          jobId={id}
          job={job.number}
          plate={job.vehicle.plate}
          view={view}
          units={await shopUnits()}
          next={left ?? null}
        />
      ) : (
        <p>
          Nothing is decided for this rotor yet. <Link href={`/jobs/${id}/decide`}>Decide</Link>
        </p>
      )}
    </WithNose>
  );
}
