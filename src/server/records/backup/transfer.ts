import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as NodeStream } from 'node:stream/web';
import { accept, refuse, type Answer } from '../../answer';
import { LARGEST_BACKUP, stageBackup, type Staged } from './check';
import { makeBackup, workFolder } from './make';

/**
 * A file as a stream of bytes for a response; `done` is called when it was sent or given up, also
 * where whoever asked is gone before a byte of it was taken.
 */
export function streamOf(
  file: string,
  {
    asker,
    done = () => undefined,
  }: { readonly asker?: AbortSignal; readonly done?: () => void } = {},
): ReadableStream {
  const stream = fs.createReadStream(file);
  stream.once('close', done);
  stream.once('error', () => stream.destroy());
  const giveUp = (): void => void stream.destroy();
  if (asker?.aborted) giveUp();
  else asker?.addEventListener('abort', giveUp, { once: true });
  return Readable.toWeb(stream) as unknown as ReadableStream;
}

/** A backup made for one download: it goes when it was sent. */
export async function backupToSend(
  asker: AbortSignal,
): Promise<Answer<{ body: ReadableStream; bytes: number }>> {
  const work = workFolder('copying');
  const file = path.join(work, 'backup.tar.gz');
  const clear = (): void => fs.rmSync(work, { recursive: true, force: true });
  try {
    const made = await makeBackup(file);
    if (made.ok) {
      const bytes = fs.statSync(file).size;
      return accept({ body: streamOf(file, { asker, done: clear }), bytes });
    }
    clear();
    return made;
  } catch (error) {
    clear();
    throw error;
  }
}

/** Lets bytes through up to the largest backup. */
const upToLargest = (): Transform => {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, next) {
      seen += chunk.length;
      next(seen > LARGEST_BACKUP ? new Error('too large') : null, chunk);
    },
  });
};

/** Takes a backup that is sent, under a name of ours, and stages it. */
export async function receiveBackup(body: ReadableStream | null): Promise<Answer<Staged>> {
  if (!body) return refuse('The file is empty.');
  const work = workFolder('copying');
  const file = path.join(work, 'received.tar.gz');
  try {
    const isHere = await pipeline(
      Readable.fromWeb(body as unknown as NodeStream),
      upToLargest(),
      fs.createWriteStream(file),
    ).then(
      () => true,
      // The sender broke off, or sent too much; the disk is the only other end of it.
      () => false,
    );
    if (isHere) return await stageBackup(file);
    return refuse('The file did not arrive whole, or is larger than 8 GB. Nothing was changed.');
  } finally {
    fs.rmSync(work, { recursive: true, force: true });
  }
}
