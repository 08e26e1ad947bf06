import { refuse } from '@/server/answer';
import { copyFile, removeCopy, stageBackup } from '@/server/records/backup';
import { answerResponse, forRole } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ name: string }>;
}

/** Looks whether a kept copy is whole; nothing is replaced by this. */
export const POST = forRole('lead', async (_request: Request, { params }: Context) => {
  const file = copyFile((await params).name);
  return answerResponse(file ? await stageBackup(file) : refuse('There is no such copy any more.'));
});

/** Takes a copy away that was made by hand. */
export const DELETE = forRole('lead', async (_request: Request, { params }: Context) =>
  answerResponse(removeCopy((await params).name)),
);
