import { cookies } from 'next/headers';
import { peerOf } from '@/server/access/here';
import { keepCookie } from '@/server/access/cookie';
import { DEVICE_COOKIE, isSignInAsked } from '@/server/access/mode';
import { pairByCode, pairByLead } from '@/server/access/pairing';
import { answerResponse, problemResponse, readJson, refusedResponse } from '@/server/web/http';

const SMALL = 10_000;
const YEARS_S = 400 * 24 * 3600;

/** Pairs this screen: by a code, or at the server’s own machine by a lead’s password. */
export async function POST(request: Request): Promise<Response> {
  if (!isSignInAsked()) return refusedResponse('Screens are paired where people sign in.', 404);
  const body = await readJson(request, SMALL);
  if (!body.ok) return problemResponse(body.problem);
  const { peer, isOwnMachine } = await peerOf();
  const asksAsLead = typeof body.json === 'object' && body.json !== null && 'lead' in body.json;
  if (asksAsLead && !isOwnMachine) {
    return refusedResponse('Only the server’s own machine is paired by a password.', 403);
  }
  const pair = asksAsLead ? pairByLead : pairByCode;
  const paired = await pair(body.json, peer);
  if (!paired.ok) return answerResponse(paired);
  const { id, key } = paired.value;
  keepCookie(await cookies(), DEVICE_COOKIE, `${id}.${key}`, YEARS_S);
  return Response.json({ value: id });
}
