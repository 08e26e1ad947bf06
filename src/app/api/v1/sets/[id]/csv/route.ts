import { setAsCsv } from '@/server/measure/exchange';
import { downloadResponse } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A set as CSV, a row a reading. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  return downloadResponse(await setAsCsv(id), 'text/csv', 'This set is not on file.');
}
