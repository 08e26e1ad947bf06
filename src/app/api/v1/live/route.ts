import { liveStream } from '@/server/live/stream';

/** Tells a browser that something was written, as it is: it looks for itself what. */
export const GET = (request: Request): Response =>
  new Response(liveStream(request.signal), {
    headers: {
      'Content-Type': 'text/event-stream; charset=utf-8',
      'X-Accel-Buffering': 'no',
    },
  });
