import { z } from 'zod';
import { accept } from '@/server/answer';
import { dropStaged, restoreStaged } from '@/server/records/backup';
import { answerResponse, forRole, problemResponse, readJson } from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

interface Context {
  readonly params: Promise<{ id: string }>;
}

const bodySchema = z.strictObject({ evenForeign: z.boolean() });

/**
 * Puts a copy that was found whole in the place of the records; a lead does, and says so where
 * this shop did not make it.
 */
export const POST = forRole('lead', async (request: Request, { params }: Context) => {
  const body = await readJson(request);
  if (!body.ok) return problemResponse(body.problem);
  const asked = bodySchema.safeParse(body.json);
  if (!asked.success) {
    const message = 'Say whether a copy of other records may be put in place.';
    return problemResponse({ code: 'invalid', message, path: 'evenForeign' });
  }
  const { evenForeign } = asked.data;
  const who = await whoIsHere();
  return answerResponse(await restoreStaged((await params).id, { evenForeign, who }));
});

/** Leaves a copy that was looked through. */
export const DELETE = forRole('lead', async (_request: Request, { params }: Context) => {
  dropStaged((await params).id);
  return answerResponse(accept(null));
});
