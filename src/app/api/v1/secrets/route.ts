import { cameIn } from '@/server/access/here';
import { giveSecrets } from '@/server/access/signIn';
import { answerResponse, forRole, problemResponse, readJson } from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

const SMALL = 10_000;

/** Gives somebody a PIN, or a lead a password. */
export const POST = forRole('lead', async (request: Request) => {
  const body = await readJson(request, SMALL);
  if (!body.ok) return problemResponse(body.problem);
  const session = (await cameIn())?.session ?? null;
  return answerResponse(await giveSecrets(body.json, await whoIsHere(), session));
});
