import { decimalAsked, downloadResponse } from '@/server/web/http';
import { jobsTable } from '@/server/records/tables';

/** All jobs as CSV; `?decimal=comma` for a spreadsheet that writes figures so. */
export async function GET(request: Request): Promise<Response> {
  const table = await jobsTable(decimalAsked(request));
  return downloadResponse(table, 'text/csv', 'There is no table.');
}
