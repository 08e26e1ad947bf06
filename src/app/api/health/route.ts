import { openJobs } from '@/server/job/jobs';

/** Answers when the database does. */
export async function GET(): Promise<Response> {
  await openJobs(1);
  return Response.json({ ok: true });
}
