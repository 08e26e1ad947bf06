import { accept } from '@/server/answer';
import { cancelCopy, copyNow, copyUnderWay } from '@/server/records/backup';
import { answerResponse, behindGate, forRole } from '@/server/web/http';

/** Makes a copy now, beside those of the nights; a lead does. Answers with what is to be said of it. */
export const POST = forRole('lead', async () => answerResponse(await copyNow()));

/** How far the copy has come that is being made just now; null where none is. */
export const GET = behindGate(
  forRole('lead', () => Promise.resolve(answerResponse(accept(copyUnderWay())))),
);

/** Ends the making of a copy; nothing is kept of it. */
export const DELETE = forRole('lead', () => Promise.resolve(answerResponse(cancelCopy())));
