import { FileLink } from '@/ui/Link';
import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { FileReport } from '@/features/report/FileReport';
import { PrintButton } from '@/features/report/PrintButton';
import { fileReport } from '@/server/report/file';
import { shopUnits } from '@/server/shop/settings';
import { openJobPage, type JobParams } from '../../open';
import { FoundDrawn } from '../FoundDrawn';

export const metadata: Metadata = { title: 'File report' };

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
      <FoundDrawn job={job} only="looked-at" />
      <FileReport report={fileReport(job, await shopUnits())} />
    </>
  );
}
