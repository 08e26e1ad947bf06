import { unpair } from '@/server/access/pairing';
import { answerResponse, forRole } from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Takes a screen’s key away. */
export const DELETE = forRole('lead', async (_request: Request, { params }: Context) =>
  answerResponse(await unpair((await params).id, (await whoIsHere())?.name ?? 'a lead')),
);
