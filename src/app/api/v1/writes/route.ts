import { cameIn } from '@/server/access/here';
import { problemResponse, readJson } from '@/server/web/http';
import { programHere } from '@/server/web/who';
import { takeWrites } from '@/server/writes/takeWrites';

/** A photo as text is the largest thing that is written. */
const LARGEST = 9_000_000;

/** Takes writes of a device, in order; answers for each, once they are on disk. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request, LARGEST);
  if (!body.ok) return problemResponse(body.problem);
  const taken = await takeWrites(body.json, await cameIn(), await programHere());
  if (taken.ok) return Response.json({ results: taken.value });
  const path = Object.keys(taken.fields)[0] ?? '';
  return problemResponse({ code: 'refused', message: taken.message, path });
}
