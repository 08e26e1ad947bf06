import { ExpectedError } from '@/core/expected';
import { openPracticeDoor } from '@/server/practice/door';
import { beginOnStages } from '@/server/practice/stages';
import { problemResponse, readJson, refusedResponse } from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

/** Brings a car in; records of practice that do not open say why. */
async function begin(input: unknown) {
  try {
    return await beginOnStages(input, await whoIsHere());
  } catch (error) {
    if (error instanceof ExpectedError) return { ok: false, message: error.message } as const;
    throw error;
  }
}

/** Brings a car of practice in on the stages of a job; answers with its page and the port at which that is found. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return problemResponse(body.problem);
  const port = await openPracticeDoor();
  if (!port.ok) return refusedResponse(port.message, 503);
  const begun = await begin(body.json);
  if (!begun.ok) return problemResponse({ code: 'refused', message: begun.message, path: 'code' });
  return Response.json({ value: { port: port.value, path: begun.value } });
}
