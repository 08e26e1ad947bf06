import 'server-only';
import { createHash } from 'node:crypto';
import { imageSize } from 'image-size';
import { z } from 'zod';
import { idSchema } from '../../core/contracts';
import { CORNERS } from '../../core/readings';
import { deletePhoto, findPicture, insertPhoto, type PhotoBlobRow } from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { withJob } from '../job/withJob';

/** Largest picture and preview taken, in bytes; the browser makes them much smaller. */
const LARGEST = { picture: 4_000_000, thumb: 300_000 } as const;
const LONGEST_EDGE = 4096;
const MOST_PHOTOS = 200;
const MIME: Readonly<Record<string, string>> = {
  jpg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};

const photoSchema = z.strictObject({
  jobId: idSchema,
  corner: z.enum(CORNERS),
  partId: idSchema.nullable(),
  caption: z.string().trim().max(120),
});

interface Picture {
  readonly mime: string;
  readonly width: number;
  readonly height: number;
}

/** What a file is by its own bytes; null where it is no picture that can be shown. */
function pictureOf(bytes: Uint8Array): Picture | null {
  try {
    const { type, width, height } = imageSize(bytes);
    const mime = MIME[type ?? ''];
    const isSensible = width > 0 && height > 0 && Math.max(width, height) <= LONGEST_EDGE;
    return mime && isSensible ? { mime, width, height } : null;
  } catch {
    return null;
  }
}

/** A picture with its preview as it is stored, or why it is none. */
function blobOf(picture: Uint8Array, thumb: Uint8Array): Answer<PhotoBlobRow> {
  if (picture.length === 0) return refuse('The file is empty.');
  if (picture.length > LARGEST.picture || thumb.length > LARGEST.thumb) {
    return refuse('The picture is too large even after it was made smaller.');
  }
  const whole = pictureOf(picture);
  const small = pictureOf(thumb);
  if (!whole || small?.mime !== whole.mime) {
    return refuse('This is not a JPEG, PNG or WebP picture.');
  }
  const sha256 = createHash('sha256').update(picture).digest('hex');
  return accept({ sha256, ...whole, picture, thumb });
}

/** Keeps a photo of a part or a corner with its preview; the same picture is stored once. */
export async function keepPhoto(
  input: unknown,
  picture: Uint8Array,
  thumb: Uint8Array,
  by: string | null,
): Promise<Answer<string>> {
  const parsed = photoSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner, partId } = parsed.data;
  return withJob(jobId, async (tx, job) => {
    if (!job.corners.includes(corner)) return refuse('This corner is not part of the job.');
    if (partId !== null && !job.tray.some(({ id }) => id === partId)) {
      return refuse('This part is not in the tray any more.');
    }
    if (job.photos.length >= MOST_PHOTOS) {
      return refuse(`A job holds at most ${MOST_PHOTOS} photos. Take one back first.`);
    }
    const blob = blobOf(picture, thumb);
    return blob.ok ? accept(await insertPhoto(tx, blob.value, { ...parsed.data, by })) : blob;
  });
}

/** A picture by its hash, or null. */
export async function pictureFile(
  sha256: string,
  size: 'picture' | 'thumb',
): ReturnType<typeof findPicture> {
  return /^[0-9a-f]{64}$/.test(sha256) ? findPicture(await database(), sha256, size) : null;
}

/** Kinds of pictures that a PDF can hold. */
const IN_PDF = [MIME.jpg, MIME.png];

/** Pictures with their bytes, as far as a PDF can hold them. */
export async function photosForPdf(
  photos: readonly { readonly sha256: string; readonly say: string }[],
): Promise<{ readonly say: string; readonly bytes: Buffer }[]> {
  const found = await Promise.all(
    photos.map(async ({ sha256, say }) => ({ say, file: await pictureFile(sha256, 'picture') })),
  );
  return found.flatMap(({ say, file }) =>
    file && IN_PDF.includes(file.mime) ? [{ say, bytes: Buffer.from(file.picture) }] : [],
  );
}

/** Takes a photo of a job back. */
export const takePhotoBack = (jobId: string, id: string): Promise<Answer<string>> =>
  withJob(jobId, async (tx, job) => {
    if (!job.photos.some((photo) => photo.id === id)) {
      return refuse('This photo is not on file any more.');
    }
    await deletePhoto(tx, id);
    return accept(id);
  });
