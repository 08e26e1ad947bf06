import { problemResponse } from '@/server/web/http';

/** What the server of ours (`scripts/server.mjs`), in the same process, counts of its requests. */
const counted = globalThis as typeof globalThis & {
  zestyHoundFigures?: () => Promise<{ readonly type: string; readonly text: string }>;
};

/** Figures of this server in the open text format. */
export async function GET(): Promise<Response> {
  const figures = await counted.zestyHoundFigures?.();
  return figures
    ? new Response(figures.text, { headers: { 'Content-Type': figures.type } })
    : problemResponse({ code: 'not-found', message: 'Nothing is counted here.', path: '' }, 404);
}
