import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { create, Parser, Unpack } from 'tar';
import { syncPath } from '../../../db/connect/sync';

/** What a packed file lists: where it goes, and what it is. */
export interface PackedEntry {
  readonly path: string;
  readonly type: string;
  readonly size: number;
}

/** What of a folder is not copied: files by their names, and what is in some of its folders. */
export interface NotCopied {
  readonly left: readonly string[];
  readonly emptied: readonly string[];
}

/** Says how far work on files has come, from 0 to 1. */
export type SayShare = (share: number) => void;

/**
 * Copies a folder that may be written to meanwhile, but for files of some names and for what is in
 * some of its folders. A file that went away meanwhile is none.
 */
export async function copyFolder(
  from: string,
  to: string,
  { left, emptied }: NotCopied,
  say: SayShare = () => undefined,
): Promise<void> {
  const isIn = (place: string): boolean =>
    !left.includes(path.basename(place)) && !emptied.some((each) => place.startsWith(`${each}/`));
  const places = fs.readdirSync(from, { recursive: true, withFileTypes: true }).map((entry) => ({
    place: path.relative(from, path.join(entry.parentPath, entry.name)),
    isFolder: entry.isDirectory(),
  }));
  fs.mkdirSync(to, { recursive: true });
  for (const { place, isFolder } of places) {
    if (isFolder && isIn(place)) fs.mkdirSync(path.join(to, place), { recursive: true });
  }
  const files = places.filter(({ place, isFolder }) => !isFolder && isIn(place));
  for (const [i, { place }] of files.entries()) {
    await fs.promises.copyFile(path.join(from, place), path.join(to, place)).catch(ifThere);
    say((i + 1) / files.length);
  }
}

/** Adds parts of the log to a copy, and the label that says from where on they are read. */
export async function addLog(
  from: string,
  to: string,
  parts: readonly string[],
  label: string,
): Promise<void> {
  for (const part of parts) {
    await fs.promises.copyFile(path.join(from, 'pg_wal', part), path.join(to, 'pg_wal', part));
  }
  fs.writeFileSync(path.join(to, 'backup_label'), label);
}

const ifThere = (error: unknown): void => {
  if (!(error instanceof Error && 'code' in error && error.code === 'ENOENT')) throw error;
};

/** Every file of a folder, by its place in it, in order. */
function filesOf(folder: string): string[] {
  return fs
    .readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => path.relative(folder, path.join(entry.parentPath, entry.name)))
    .sort();
}

/** One figure for all files of a folder: their places and every byte of them (SHA-256). */
export async function digestOf(folder: string): Promise<string> {
  const whole = createHash('sha256');
  for (const file of filesOf(folder)) {
    const own = createHash('sha256');
    await pipeline(fs.createReadStream(path.join(folder, file)), own);
    whole.update(`${file}\0${own.digest('hex')}\n`);
  }
  return whole.digest('hex');
}

/** What is packed, where it is written, and the name that it gets once it is on the disk. */
export interface Packing {
  readonly folder: string;
  readonly parts: readonly string[];
  readonly unfinished: string;
  readonly file: string;
}

/**
 * Packs parts of a folder into a file that is whole and on the disk when this is done. The folder goes
 * before anything is brought to the disk: what was copied into it would have to get there first, and
 * whoever writes meanwhile would wait for that.
 */
export async function pack({ folder, parts, unfinished, file }: Packing): Promise<void> {
  await pipeline(
    create({ cwd: folder, portable: true }, [...parts]),
    createGzip({ level: 3 }),
    fs.createWriteStream(unfinished),
  );
  // In one go, by this thread: a thousand files at once would queue before what requests wait for.
  fs.rmSync(folder, { recursive: true, force: true });
  syncPath(unfinished);
  fs.renameSync(unfinished, file);
  syncPath(path.dirname(file));
}

/** What is thrown for a packed file that unpacks to more than it may. */
export const TOO_MUCH = 'ZH_TOO_MUCH';

/** No database is packed to less than a hundredth of itself, once it is of any size. */
const MOST_TIMES = 100;
const ALWAYS_TAKEN = 500_000_000;
const LARGEST_UNPACKED = 40_000_000_000;

/** Most bytes that a packed file may unpack to. */
const mostOf = (file: string): number =>
  Math.min(LARGEST_UNPACKED, Math.max(ALWAYS_TAKEN, MOST_TIMES * fs.statSync(file).size));

/** Feeds what a file unpacks to into a reader of tar, and stops at once where it is too much. */
function feed(file: string, sink: Parser): Promise<void> {
  const most = mostOf(file);
  return new Promise((resolve, reject) => {
    const source = fs.createReadStream(file);
    const gunzip = createGunzip();
    let bytes = 0;
    const stop = (error: Error): void => {
      source.destroy();
      gunzip.destroy();
      reject(error);
    };
    source.on('error', stop);
    gunzip.on('error', stop);
    sink.on('error', stop);
    sink.on(sink instanceof Unpack ? 'close' : 'end', () => resolve());
    gunzip.on('data', (chunk: Buffer) => {
      bytes += chunk.length;
      if (bytes > most) return stop(Object.assign(new Error('too much'), { code: TOO_MUCH }));
      if (sink.write(chunk)) return;
      gunzip.pause();
      sink.once('drain', () => gunzip.resume());
    });
    gunzip.on('end', () => sink.end());
    source.pipe(gunzip);
  });
}

/** What is in a packed file, the first so many entries; nothing is written. Throws where it is torn. */
export async function listPacked(file: string, most: number): Promise<PackedEntry[]> {
  const found: PackedEntry[] = [];
  await feed(
    file,
    new Parser({
      strict: true,
      onReadEntry: (entry) => {
        if (found.length < most)
          found.push({ path: entry.path, type: entry.type, size: entry.size });
        entry.resume();
      },
    }),
  );
  return found;
}

/** Unpacks a file into a folder. Throws where it is torn, or the disk is full. */
export const unpack = (file: string, folder: string): Promise<void> =>
  feed(file, new Unpack({ cwd: folder, strict: true, preservePaths: false }));
