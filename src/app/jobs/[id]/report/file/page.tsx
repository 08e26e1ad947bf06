import { FileLink } from '@/ui/Link';
import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { cornerParts, inspectionAt, type Job } from '@/core/job';
import { seenStates } from '@/core/corner';
import { FileReport } from '@/features/report/FileReport';
import { PrintButton } from '@/features/report/PrintButton';
import { fileReport } from '@/server/report/file';
import { shopUnits } from '@/server/shop/settings';
import { CornerDrawing } from '@/ui/corner';
import { openJobPage, type JobParams } from '../../open';
import styles from './page.module.css';

export const metadata: Metadata = { title: 'File report' };

/** What was found where, on the drawing of each corner that was looked at. */
function FoundDrawn({ job }: { readonly job: Job }) {
  const looked = job.corners
    .map((corner) => ({ corner, seen: inspectionAt(job, corner).seen }))
    .filter(({ seen }) => seen.some(({ state }) => state !== 'not-looked'));
  if (looked.length === 0) return null;
  return (
    <section className="zh-card mb-3">
      <h2>What was found where</h2>
      <div className={styles.foundDrawn}>
        {looked.map(({ corner, seen }) => {
          const parts = cornerParts(job, corner);
          return (
            <figure key={corner} className="mb-0">
              <figcaption>
                <span className="zh-figure">{corner}</span>
              </figcaption>
              <CornerDrawing
                {...{ corner, parts }}
                states={seenStates(parts, seen)}
                label="What was seen at the corner"
              />
            </figure>
          );
        })}
      </div>
    </section>
  );
}

export default async function FileReportPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  return (
    <>
      <div className="d-flex flex-wrap gap-2 mb-3 zh-no-print">
        <PrintButton />
        <FileLink variant="outline-secondary" href={`/api/v1/jobs/${id}/readings`} download>
          Readings as CSV
        </FileLink>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/report`}>
          The technician’s report
        </ButtonLink>
      </div>
      <FoundDrawn job={job} />
      <FileReport report={fileReport(job, await shopUnits())} />
    </>
  );
}
