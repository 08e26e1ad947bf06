import { accept } from '@/server/answer';
import { beginCopy, cancelCopy, copyStands } from '@/server/records/backup';
import { answerResponse, behindGate, forRole } from '@/server/web/http';

/** Makes a copy, beside those of the nights; a lead does. Answers with it, or with null while it is being made. */
export const POST = forRole('lead', async () => answerResponse(await beginCopy()));

/** How far the copy has come that is being made just now, and what became of the last. */
export const GET = behindGate(
  forRole('lead', () => Promise.resolve(answerResponse(accept(copyStands())))),
);

/** Ends the making of a copy; nothing is kept of it. */
export const DELETE = forRole('lead', () => Promise.resolve(answerResponse(cancelCopy())));
