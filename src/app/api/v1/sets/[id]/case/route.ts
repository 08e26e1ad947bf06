import { setAsCase } from '@/server/measure/exchange';
import { downloadResponse } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A set as the solvers take it. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  return downloadResponse(
    await setAsCase(id),
    'application/json',
    'This set is not on file, not read to the end of a lap, or lacks a discard thickness.',
  );
}
