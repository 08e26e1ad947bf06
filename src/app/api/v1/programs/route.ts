import { isSignInAsked } from '@/server/access/mode';
import { makeProgram } from '@/server/access/programs';
import {
  answerResponse,
  forRole,
  problemResponse,
  readJson,
  refusedResponse,
} from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

const SMALL = 10_000;

/** Makes a key for another program of the shop: it is told once. */
export const POST = forRole('lead', async (request: Request) => {
  const by = await whoIsHere();
  if (!isSignInAsked() || !by) {
    return refusedResponse('Other programs get keys where people sign in.', 404);
  }
  const body = await readJson(request, SMALL);
  return body.ok ? answerResponse(await makeProgram(body.json, by)) : problemResponse(body.problem);
});
