import { exportJob } from '@/server/records/exportJob';
import { problemResponse } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A job as one document, its photos included. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const document = await exportJob((await params).id);
  if (!document) {
    return problemResponse({ code: 'not-found', message: 'No such job.', path: '' }, 404);
  }
  return Response.json(document, {
    headers: {
      'Content-Disposition': `attachment; filename="job-${document.job.number}.json"`,
    },
  });
}
