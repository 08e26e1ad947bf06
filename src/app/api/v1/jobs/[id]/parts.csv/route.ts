import { downloadResponse, decimalAsked, problemResponse } from '@/server/web/http';
import { loadJob } from '@/server/job/jobs';
import { partsTable } from '@/server/records/tables';

/** The parts that a job needs as CSV; `?decimal=comma` for a spreadsheet that writes figures so. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const job = await loadJob((await params).id);
  if (!job) {
    return problemResponse({ code: 'not-found', message: 'There is no such job.', path: '' }, 404);
  }
  return downloadResponse(partsTable(job, decimalAsked(request)), 'text/csv', 'There is no table.');
}
