import Link, { FileLink } from '@/ui/Link';
import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { Here } from '@/app/Here';
import { partsAwaited, partsNeeded } from '@/core/job';
import { PartList } from '@/features/parts/PartList';
import { PrintButton } from '@/features/report/PrintButton';
import { SeenMark } from '@/ui/keeper';
import { jobHref, NextThing } from '@/ui/shell';
import { openJobPage, type JobParams } from '../open';

export const metadata: Metadata = { title: 'Parts' };

export default async function PartsPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const parts = partsNeeded(job);
  const awaited = partsAwaited(job);
  const unasked = parts.filter(({ order, count }) => order === null && count > 0);
  return (
    <>
      <SeenMark reach={job.reach} />
      <div className="d-flex flex-wrap gap-2 align-items-center mb-2">
        <h1 className="mb-0">Parts</h1>
        <span className="zh-no-print d-flex gap-2">
          <PrintButton />
          <FileLink variant="outline-secondary" href={`/api/v1/jobs/${id}/parts.csv`} download>
            CSV
          </FileLink>
        </span>
      </div>
      <Here />
      {parts.length === 0 ? (
        <p className="zh-card">
          Nothing is decided that needs a part.{' '}
          <Link href={jobHref(id, { page: 'decide' })}>Decide</Link>
        </p>
      ) : (
        <>
          <NextThing
            todo={
              unasked.length > 0
                ? `Ask for ${unasked.length === 1 ? 'the part' : `${unasked.length} parts`} that nobody asked for.`
                : awaited.length > 0
                  ? `The job waits for ${awaited.length === 1 ? 'a part' : `${awaited.length} parts`}.`
                  : 'Every part is here: hold each against the old one and the record.'
            }
            why="Rotors and pads come as a pair or a set of the axle."
          >
            {unasked.length === 0 && awaited.length === 0 && (
              <ButtonLink variant="primary" href={jobHref(id, { page: 'strip-parts' })}>
                Right parts first
              </ButtonLink>
            )}
          </NextThing>
          <div className="mt-3">
            <PartList jobId={id} parts={parts} isClosed={job.closedAt !== null} />
          </div>
        </>
      )}
    </>
  );
}
