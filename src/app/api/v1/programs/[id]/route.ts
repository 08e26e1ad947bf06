import { dropProgram } from '@/server/access/programs';
import { answerResponse, forRole, refusedResponse } from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Takes a program’s key away. */
export const DELETE = forRole('lead', async (_request: Request, { params }: Context) => {
  const by = await whoIsHere();
  return by
    ? answerResponse(await dropProgram((await params).id, by))
    : refusedResponse('Sign in.');
});
