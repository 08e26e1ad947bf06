import { versionOfJob } from '@/server/job/jobs';
import { problemResponse } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** How far a job was written: a page that shows less is loaded anew. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const version = await versionOfJob((await params).id);
  return version === null
    ? problemResponse({ code: 'not-found', message: 'There is no such job.', path: '' }, 404)
    : Response.json({ version });
}
