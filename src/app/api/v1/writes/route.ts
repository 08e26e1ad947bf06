import { cameIn } from '@/server/access/here';
import { isPractice } from '@/server/store';
import { problemResponse, readJson } from '@/server/web/http';
import { programHere } from '@/server/web/who';
import { takeWrites } from '@/server/writes/takeWrites';

/** A photo as text is the largest thing that is written. */
const LARGEST = 9_000_000;

/** Takes writes of a device, in order; answers for each, once they are on disk. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request, LARGEST);
  if (!body.ok) return problemResponse(body.problem);
  // Sessions are the shop’s: who came in by the door of practice was let in by them, and is who was brought along.
  const here = isPractice() ? null : await cameIn();
  const taken = await takeWrites(body.json, here, await programHere());
  if (taken.ok) return Response.json({ results: taken.value });
  const path = Object.keys(taken.fields)[0] ?? '';
  return problemResponse({ code: 'refused', message: taken.message, path });
}
