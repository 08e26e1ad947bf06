import { estimateOf } from '@/server/decide/estimate';
import { estimatePdf } from '@/server/report/estimatePdf';
import { photosForPdf } from '@/server/strip/photos';
import { shopUnits } from '@/server/shop/settings';
import { jobPdf } from '@/server/web/pdf';

/** The estimate of a job as a PDF. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  return jobPdf((await params).id, 'estimate', async (job) => {
    const estimate = await estimateOf(job, await shopUnits());
    return estimatePdf(estimate, await photosForPdf(estimate.photos));
  });
}
