import { downloadResponse } from '@/server/http';
import { rotorsTable } from '@/server/tables';

/** All rotors as CSV; `?decimal=comma` for a spreadsheet that writes figures so. */
export async function GET(request: Request): Promise<Response> {
  const asked = new URL(request.url).searchParams.get('decimal');
  const table = await rotorsTable(asked === 'comma' ? 'comma' : 'point');
  return downloadResponse(table, 'text/csv', 'There is no table.');
}
