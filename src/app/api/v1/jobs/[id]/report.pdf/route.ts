import { problemResponse } from '@/server/web/http';
import { loadJob } from '@/server/job/jobs';
import { ownerReport } from '@/server/report/owner';
import { ownerPdf } from '@/server/report/pdf';
import { shopUnits } from '@/server/shop/settings';

/** The owner's report of a job as a PDF. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const job = await loadJob((await params).id);
  if (!job) {
    return problemResponse({ code: 'not-found', message: 'There is no such job.', path: '' }, 404);
  }
  const pdf = await ownerPdf(ownerReport(job, await shopUnits()));
  return new Response(new Uint8Array(pdf), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `inline; filename="brake-report-job-${job.number}.pdf"`,
    },
  });
}
