import { problemResponse } from '@/server/http';
import { jobFile } from '@/server/jobs';
import { ownerReport } from '@/server/report/owner';
import { ownerPdf } from '@/server/report/pdf';
import { shopUnits } from '@/server/settings';

/** The owner's report of a job as a PDF. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const file = await jobFile((await params).id);
  if (!file) {
    return problemResponse({ code: 'not-found', message: 'There is no such job.', path: '' }, 404);
  }
  const pdf = await ownerPdf(ownerReport(file, await shopUnits()));
  return new Response(new Uint8Array(pdf), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `inline; filename="brake-report-job-${file.job.number}.pdf"`,
    },
  });
}
