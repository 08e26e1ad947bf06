import { liveStream } from '@/server/live/stream';

/** Tells a browser that something was written, as it is: it looks for itself what. */
export const GET = (request: Request): Response =>
  new Response(liveStream(request.signal), {
    headers: {
      'Content-Type': 'text/event-stream; charset=utf-8',
      // Neither kept nor packed: a line goes out as it is written.
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    },
  });
