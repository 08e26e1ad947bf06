import 'server-only';
import { findPictures } from '../../db/repositories';
import { database } from '../database';
import { loadJob } from '../job/jobs';

/** A job as one document: everything on file, its pictures once each in base64. */
export interface JobExport {
  readonly format: 'zesty-hound-job';
  readonly version: 2;
  readonly job: Omit<NonNullable<Awaited<ReturnType<typeof loadJob>>>, 'shopRules'>;
  readonly pictures: Readonly<Record<string, { readonly mime: string; readonly base64: string }>>;
}

/** Everything of a job, its photos included, or null where it is not on file. */
export async function exportJob(id: string): Promise<JobExport | null> {
  const found = await loadJob(id);
  if (!found) return null;
  const { shopRules: _, ...job } = found;
  const hashes = [...new Set(job.photos.map(({ sha256 }) => sha256))];
  const pictures = Object.fromEntries(
    (await findPictures(await database(), hashes)).map(({ sha256, mime, picture }) => [
      sha256,
      { mime, base64: Buffer.from(picture).toString('base64') },
    ]),
  );
  return { format: 'zesty-hound-job', version: 2, job, pictures };
}
