import { decimalAsked, downloadResponse } from '@/server/web/http';
import { sheetsTable } from '@/server/shop/sheetsExchange';

/** All model sheets as CSV; `?decimal=comma` for a spreadsheet that writes figures so. */
export async function GET(request: Request): Promise<Response> {
  return downloadResponse(
    await sheetsTable(decimalAsked(request)),
    'text/csv',
    'There are no sheets.',
  );
}
