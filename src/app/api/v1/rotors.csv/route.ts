import { decimalAsked, downloadResponse } from '@/server/web/http';
import { rotorsTable } from '@/server/records/tables';

/** All rotors as CSV; `?decimal=comma` for a spreadsheet that writes figures so. */
export async function GET(request: Request): Promise<Response> {
  const table = await rotorsTable(decimalAsked(request));
  return downloadResponse(table, 'text/csv', 'There is no table.');
}
