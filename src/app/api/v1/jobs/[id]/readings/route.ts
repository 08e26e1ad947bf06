import { jobAsCsv } from '@/server/measure/exchange';
import { downloadResponse } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** All readings of a job that count, as CSV. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  return downloadResponse(await jobAsCsv(id), 'text/csv', 'No such job.');
}
