import { ownerReport } from '@/server/report/owner';
import { ownerPdf } from '@/server/report/pdf';
import { shopUnits } from '@/server/shop/settings';
import { jobPdf } from '@/server/web/pdf';

/** The owner's report of a job as a PDF. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  return jobPdf((await params).id, 'brake-report', async (job) =>
    ownerPdf(ownerReport(job, await shopUnits())),
  );
}
