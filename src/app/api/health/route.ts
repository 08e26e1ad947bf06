import { programId } from '@/server/access/here';
import { openJobs } from '@/server/job/jobs';
import { lookAtHealth } from '@/server/records/health';

/** Answers when the database does; with more of it where a program of the shop asks. */
export async function GET(): Promise<Response> {
  if ((await programId()) !== null) return Response.json(await lookAtHealth());
  await openJobs(1);
  return Response.json({ ok: true });
}
