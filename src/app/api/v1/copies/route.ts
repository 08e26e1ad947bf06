import { copyNow } from '@/server/records/backup';
import { answerResponse, forRole } from '@/server/web/http';

/** Makes a copy now, beside those of the nights; a lead does. */
export const POST = forRole('lead', async () => answerResponse(await copyNow()));
