import type { Metadata } from 'next';
import Link from '@/ui/Link';
import { FileReport } from '@/features/report/FileReport';
import { PrintButton } from '@/features/report/PrintButton';
import { fileReport } from '@/server/report/file';
import { shopUnits } from '@/server/shop/settings';
import { openJobPage, type JobParams } from '../../open';

export const metadata: Metadata = { title: 'File report' };

export default async function FileReportPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  return (
    <>
      <div className="d-flex flex-wrap gap-2 mb-3 zh-no-print">
        <PrintButton />
        <a className="btn btn-outline-secondary" href={`/api/v1/jobs/${id}/readings`} download>
          Readings as CSV
        </a>
        <Link className="btn btn-outline-secondary" href={`/jobs/${id}/report`}>
          The technician’s report
        </Link>
      </div>
      <FileReport report={fileReport(job, await shopUnits())} />
    </>
  );
}
