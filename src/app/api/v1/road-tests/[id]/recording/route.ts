import { keepRecording, keptRecording } from '@/server/roadtest/roadTests';
import { behindGate, refusedResponse as refused } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Largest body taken, in bytes. */
const LARGEST = 60_000_000;

/** The recording that is kept with a road test, as it came, compressed. */
export const GET = behindGate<[Context]>(async (_request, { params }) => {
  const raw = await keptRecording((await params).id);
  if (!raw) return refused('No recording is kept with this road test.', 404);
  return new Response(new Uint8Array(raw), {
    headers: {
      'Content-Type': 'application/gzip',
      'Content-Disposition': 'attachment; filename="road-test.csv.gz"',
    },
  });
});

/** Keeps a recording, gzip-compressed by the browser. */
export const PUT = behindGate<[Context]>(async (request, { params }) => {
  if (Number(request.headers.get('content-length') ?? Infinity) > LARGEST) {
    return refused('A recording of more than 60 MB compressed cannot be kept.');
  }
  const kept = await keepRecording((await params).id, new Uint8Array(await request.arrayBuffer()));
  return kept.ok ? Response.json({ kept: kept.value }) : refused(kept.message);
});
