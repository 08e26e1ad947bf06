import { problemResponse } from '@/server/web/http';
import { loadJob } from '@/server/job/jobs';
import { estimateOf } from '@/server/decide/estimate';
import { estimatePdf } from '@/server/report/estimatePdf';
import { shopUnits } from '@/server/shop/settings';

/** The estimate of a job as a PDF. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const job = await loadJob((await params).id);
  if (!job) {
    return problemResponse({ code: 'not-found', message: 'There is no such job.', path: '' }, 404);
  }
  const pdf = await estimatePdf(await estimateOf(job, await shopUnits()));
  return new Response(new Uint8Array(pdf), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `inline; filename="estimate-job-${job.number}.pdf"`,
    },
  });
}
