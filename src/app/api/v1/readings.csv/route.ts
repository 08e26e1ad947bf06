import { Readable } from 'node:stream';
import { decimalAsked } from '@/server/web/http';
import { readingsTable } from '@/server/records/tables';

/** All readings as CSV, in pieces as they are read; `?decimal=comma` for a spreadsheet with commas. */
export function GET(request: Request): Response {
  const pieces = Readable.from(readingsTable(decimalAsked(request)), { objectMode: false });
  return new Response(Readable.toWeb(pieces) as unknown as ReadableStream, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="readings.csv"',
    },
  });
}
