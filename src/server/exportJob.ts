import 'server-only';
import { findPicture } from '../db/repositories';
import { database } from './database';
import { jobFile } from './jobs';

/** A job as one document: everything on file, its pictures once each in base64. */
export interface JobExport {
  readonly format: 'zesty-hound-job';
  readonly version: 1;
  readonly file: Omit<NonNullable<Awaited<ReturnType<typeof jobFile>>>, 'shopRules'>;
  readonly pictures: Readonly<Record<string, { readonly mime: string; readonly base64: string }>>;
}

/** Everything of a job, its photos included, or null where it is not on file. */
export async function exportJob(id: string): Promise<JobExport | null> {
  const found = await jobFile(id);
  if (!found) return null;
  const { shopRules: _, ...file } = found;
  const db = await database();
  const pictures: Record<string, { mime: string; base64: string }> = {};
  for (const sha256 of new Set(file.photos.map((photo) => photo.sha256))) {
    const picture = await findPicture(db, sha256, 'picture');
    if (!picture) continue;
    const base64 = Buffer.from(picture.picture).toString('base64');
    pictures[sha256] = { mime: picture.mime, base64 };
  }
  return { format: 'zesty-hound-job', version: 1, file, pictures };
}
