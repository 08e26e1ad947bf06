import { accept } from '@/server/answer';
import { setHistory } from '@/server/measure/sets';
import { answerResponse } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** What stood at the places of a set before they were read again or taken back, the latest first. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  return answerResponse(accept(await setHistory((await params).id)));
}
