import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { CORNER_NAME, CORNERS } from '@/core/readings';
import { CornerCorrection } from '@/features/correct/CornerCorrection';
import { WhoIsHere } from '@/features/people/WhoIsHere';
import { PrintButton } from '@/features/report/PrintButton';
import { correctView } from '@/server/correct';
import { jobFile } from '@/server/jobs';
import { allPeople } from '@/server/people';
import { shopUnits } from '@/server/settings';
import { cornersToProve } from '@/server/prove';
import { cornersToCorrect } from '@/server/stages';
import { whoIsHere } from '@/server/who';
import { WithNose } from '../../JobScent';

export const metadata: Metadata = { title: 'Correct' };

export default async function CorrectPage({
  params,
}: {
  params: Promise<{ id: string; corner: string }>;
}) {
  const { id, corner: name } = await params;
  const file = await jobFile(id);
  const corner = CORNERS.find((each) => each === name);
  if (!file || !corner || !file.corners.includes(corner)) notFound();
  const view = correctView(file, corner);
  const corners = cornersToProve(file);
  return (
    <WithNose file={file}>
      <div className="d-flex flex-wrap gap-2 align-items-center mb-2">
        <h1 className="mb-0">
          Correct <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}
        </h1>
        <span className="zh-muted">
          job {file.job.number}, {file.vehicle.plate}
        </span>
        <span className="zh-no-print d-flex gap-2">
          {corners
            .filter((each) => each !== corner)
            .map((each) => (
              <Link
                key={each}
                className="btn btn-outline-secondary"
                href={`/jobs/${id}/correct/${each}`}
              >
                {each}
              </Link>
            ))}
          <PrintButton />
        </span>
      </div>
      <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} isFolded />
      {view ? (
        <CornerCorrection
          jobId={id}
          job={file.job.number}
          plate={file.vehicle.plate}
          view={view}
          units={await shopUnits()}
          next={cornersToCorrect(file).find((each) => each !== corner) ?? null}
        />
      ) : (
        <p>
          Nothing is decided for this corner yet. <Link href={`/jobs/${id}/decide`}>Decide</Link>
        </p>
      )}
    </WithNose>
  );
}
