import fs from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import { FolderInUse } from '../db/connect/folderLock';
import { folderPass, makeBackup, restoreStaged, stageBackup } from '../server/records/backup';
import { closeDatabase } from '../server/database';

const USAGE = `Usage:
npm run backup -- <file.tar.gz>    copies everything into a file, also while the program runs
npm run restore -- <file.tar.gz>   checks a copy and puts it in the place of the records;
                                   --foreign where this shop did not make it`;

/** Asks for a copy at an address; null where nothing answers there. */
const askAt = (origin: string): Promise<Response | null> =>
  fetch(`${origin}/api/v1/backup/now`, {
    method: 'POST',
    headers: { authorization: folderPass() },
  }).catch(() => null);

/** Asks the program that runs on the folder for a copy. */
async function askRunning(file: string): Promise<string> {
  const host = process.env.HOST ?? '127.0.0.1';
  const address = `${host}:${process.env.PORT ?? '3000'}`;
  // Open to the network it speaks HTTPS, with a certificate of its own.
  const answer = (await askAt(`http://${address}`)) ?? (await askAt(`https://${address}`));
  if (!answer?.ok || !answer.body) {
    throw new Error(
      `The records are in use, and the program does not answer at ${address}. Say its PORT (and HOST), or stop it first.`,
    );
  }
  const unfinished = `${file}.unfinished`;
  await pipeline(Readable.fromWeb(answer.body as ReadableStream), fs.createWriteStream(unfinished));
  fs.renameSync(unfinished, file);
  return `${file}, from the program that runs`;
}

async function backup(file: string): Promise<string> {
  try {
    const made = await makeBackup(file);
    if (!made.ok) throw new Error(made.message);
    const { jobs, readings } = made.value.manifest.counts;
    return `${file}: ${jobs} jobs, ${readings} readings`;
  } catch (error) {
    if (error instanceof FolderInUse) return askRunning(file);
    throw error;
  }
}

async function restore(file: string, evenForeign: boolean): Promise<string> {
  const staged = await stageBackup(file);
  if (!staged.ok) throw new Error(staged.message);
  const { id, manifest } = staged.value;
  const done = await restoreStaged(id, { evenForeign });
  if (!done.ok) throw new Error(done.message);
  const { jobs, readings } = manifest.counts;
  return `${jobs} jobs, ${readings} readings of ${manifest.made} are in place. What stood there is kept in copies/${done.value}.`;
}

/**
 * Copies everything into a file, or puts a copy in the place of the records, as the arguments say; what was done, in
 * words. Throws, with words as well, where that cannot be: then nothing was changed.
 */
export async function copyByCommand(args: readonly string[]): Promise<string> {
  const { values, positionals } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: { foreign: { type: 'boolean', default: false } },
  });
  const [command, given] = positionals;
  if (given === undefined || (command !== 'backup' && command !== 'restore')) {
    throw new Error(USAGE);
  }
  const file = path.resolve(process.env.INIT_CWD ?? process.cwd(), given);
  if (command === 'restore' && !fs.existsSync(file)) throw new Error(`There is no file ${file}.`);
  if (command === 'backup' && fs.existsSync(file)) throw new Error(`${file} is there already.`);
  try {
    return await (command === 'backup' ? backup(file) : restore(file, values.foreign));
  } finally {
    await closeDatabase();
  }
}
