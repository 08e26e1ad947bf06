import { sayHere } from '@/server/live/here';
import { liveStream } from '@/server/live/stream';
import { answerResponse, problemResponse, readJson } from '@/server/web/http';

const SMALL = 1000;

/** Tells a browser that something was written, as it is: it looks for itself what. */
export const GET = (request: Request): Response =>
  new Response(liveStream(request.signal), {
    headers: {
      'Content-Type': 'text/event-stream; charset=utf-8',
      'X-Accel-Buffering': 'no',
    },
  });

/** Says who is at which corner of which job. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request, SMALL);
  return body.ok ? answerResponse(await sayHere(body.json)) : problemResponse(body.problem);
}
