import { cookies } from 'next/headers';
import { z } from 'zod';
import { idSchema } from '@/core/contracts';
import { isSignInAsked } from '@/server/access/mode';
import { problemResponse, readJson, refusedResponse } from '@/server/web/http';
import { WHO_COOKIE } from '@/server/web/who';

const A_SHIFT_S = 12 * 3600;
const bodySchema = z.strictObject({ id: z.string().max(100) });

/** Says who is at this screen, for a shift; an empty id says that nobody is. */
export async function POST(request: Request): Promise<Response> {
  if (isSignInAsked()) return refusedResponse('People sign in here: open /sign-in.', 403);
  const body = await readJson(request);
  if (!body.ok) return problemResponse(body.problem);
  const asked = bodySchema.safeParse(body.json);
  if (!asked.success) {
    return problemResponse({ code: 'invalid', message: 'Say who it is, by id.', path: 'id' });
  }
  const jar = await cookies();
  const known = idSchema.safeParse(asked.data.id);
  if (!known.success) jar.delete(WHO_COOKIE);
  else {
    jar.set(WHO_COOKIE, known.data, {
      maxAge: A_SHIFT_S,
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
    });
  }
  return Response.json({ value: null });
}
