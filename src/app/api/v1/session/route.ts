import { cookies } from 'next/headers';
import { SHIFT_MS } from '@/core/access';
import { keepCookie } from '@/server/access/cookie';
import { cameIn, peerOf, type Here } from '@/server/access/here';
import { SESSION_COOKIE } from '@/server/access/mode';
import { makeSure, signIn, signOut } from '@/server/access/signIn';
import { answerResponse, problemResponse, readJson, refusedResponse } from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

const SMALL = 10_000;

/** A handler at a paired screen, with what was sent. */
const atScreen =
  (handle: (here: Here, sent: unknown) => Promise<Response>) =>
  async (request: Request): Promise<Response> => {
    const here = await cameIn();
    if (!here) return refusedResponse('People sign in at paired screens only.', 404);
    if (request.method === 'DELETE') return handle(here, null);
    const body = await readJson(request, SMALL);
    return body.ok ? handle(here, body.json) : problemResponse(body.problem);
  };

/** Signs somebody in at this screen. */
export const POST = atScreen(async ({ device }, sent) => {
  const { peer } = await peerOf();
  const signed = await signIn(sent, { device, peer });
  if (!signed.ok) return answerResponse(signed);
  const { session, who } = signed.value;
  keepCookie(await cookies(), SESSION_COOKIE, session, SHIFT_MS / 1000);
  return Response.json({ value: { id: who.id, name: who.name } });
});

/** Takes a lead’s password once more. */
export const PUT = atScreen(async ({ device, session }, sent) => {
  const person = await whoIsHere();
  if (!person || session === null) return refusedResponse('Sign in first.', 401);
  const { peer } = await peerOf();
  const password = typeof sent === 'object' && sent !== null && 'password' in sent && sent.password;
  return answerResponse(await makeSure(password, { device, peer, person, session }));
});

/** Signs out whoever is at this screen. */
export const DELETE = atScreen(async ({ device }) => {
  await signOut(device);
  (await cookies()).delete({ name: SESSION_COOKIE, path: '/', secure: true });
  return Response.json({ value: null });
});
