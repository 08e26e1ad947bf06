import 'server-only';
import type { Job } from '../../core/job';
import { loadJob } from '../job/jobs';
import { problemResponse } from './http';

/** A document of a job as a PDF, shown by the browser; a problem where there is no such job. */
export async function jobPdf(
  id: string,
  name: string,
  make: (job: Job) => Promise<Buffer>,
): Promise<Response> {
  const job = await loadJob(id);
  if (!job) {
    return problemResponse({ code: 'not-found', message: 'There is no such job.', path: '' }, 404);
  }
  return new Response(new Uint8Array(await make(job)), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `inline; filename="${name}-job-${job.number}.pdf"`,
    },
  });
}
