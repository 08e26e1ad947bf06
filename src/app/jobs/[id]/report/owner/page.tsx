import { FileLink } from '@/ui/Link';
import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { OwnerPage } from '@/features/report/OwnerPage';
import { PrintButton } from '@/features/report/PrintButton';
import { ownerReport } from '@/server/report/owner';
import { shopUnits } from '@/server/shop/settings';
import { openJobPage, type JobParams } from '../../open';

export const metadata: Metadata = { title: 'Owner’s report' };

export default async function OwnerReportPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  return (
    <>
      <div className="d-flex flex-wrap gap-2 mb-3 zh-no-print">
        <PrintButton />
        <FileLink variant="outline-secondary" href={`/api/v1/jobs/${id}/report.pdf`}>
          As a PDF
        </FileLink>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/report`}>
          The technician’s report
        </ButtonLink>
      </div>
      <OwnerPage report={ownerReport(job, await shopUnits())} />
    </>
  );
}
