import { existsSync, openAsBlob } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { ColumnPlan, RecordingPart } from '../core/roadtest';
import type { PartToRead } from '../workers/protocol';
import { readPart } from '../workers/readPart';

/** The lines of a file on disk that begin in [from, to). */
export interface PartOfFile extends Omit<PartToRead, 'file'> {
  readonly path: string;
}

/** From this size on a second thread is quicker than it takes to start. */
const WORTH_TWO = 4_000_000;

/** The thread as it is built beside this file. */
const THREAD = new URL('./recordingThread.mjs', import.meta.url);

const noProgress = (): void => undefined;

const inThread = (part: PartOfFile): Promise<RecordingPart> =>
  new Promise((resolve, reject) => {
    const thread = new Worker(THREAD, { workerData: part });
    thread.once('message', resolve);
    thread.once('error', reject);
  });

/**
 * Reads a log from disk, a large one in two halves side by side. Memory grows with its numbers,
 * not with its text.
 */
export async function readHalves(
  path: string,
  plan: ColumnPlan,
  delimiter: string,
): Promise<RecordingPart[]> {
  const file = await openAsBlob(path);
  const isTwo =
    file.size >= WORTH_TWO && availableParallelism() > 1 && existsSync(fileURLToPath(THREAD));
  const half = isTwo ? Math.floor(file.size / 2) : file.size;
  const other = isTwo ? inThread({ path, from: half, to: file.size, plan, delimiter }) : null;
  const own = await readPart({ file, from: 0, to: half, plan, delimiter }, noProgress);
  return other ? [own, await other] : [own];
}
