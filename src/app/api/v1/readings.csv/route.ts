import { readingsTable } from '@/server/tables';

/** All readings as CSV, in pieces as they are read; `?decimal=comma` for a spreadsheet with commas. */
export function GET(request: Request): Response {
  const isComma = new URL(request.url).searchParams.get('decimal') === 'comma';
  const table = readingsTable(isComma ? 'comma' : 'point');
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    pull: async (controller) => {
      const { done, value } = await table.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
    cancel: () => void table.return(undefined),
  });
  return new Response(body, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="readings.csv"',
    },
  });
}
