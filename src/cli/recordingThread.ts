import { openAsBlob } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
import { buffersOf, readPart } from '../workers/readPart';
import type { PartOfFile } from './recordingHalves';

/** A thread that reads its part of a recording and hands the columns over. */
async function run({ path, ...part }: PartOfFile): Promise<void> {
  const done = await readPart({ ...part, file: await openAsBlob(path) }, () => undefined);
  parentPort?.postMessage(done, buffersOf(done));
}

// What fails here fails the thread, and whoever waits for it hears why.
void run(workerData as PartOfFile);
