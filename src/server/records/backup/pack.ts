import 'server-only';
import fs from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { create, Parser, Unpack, type ReadEntry } from 'tar';

/** A packed file that holds more than it may, or unpacks to out of all proportion. */
export class TooMuch extends Error {}

/** Packs parts of a folder; the packing itself is done beside the server’s own thread. */
export const pack = (folder: string, parts: readonly string[], file: string): Promise<void> =>
  pipeline(
    create({ cwd: folder, portable: true }, [...parts]),
    createGzip({ level: 3 }),
    fs.createWriteStream(file),
  );

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
      if (bytes > most) return stop(new TooMuch());
      if (sink.write(chunk)) return;
      gunzip.pause();
      sink.once('drain', () => gunzip.resume());
    });
    gunzip.on('end', () => sink.end());
    source.pipe(gunzip);
  });
}

/** Lists what is in a packed file, entry by entry; nothing is written. Throws where it is torn. */
export const listPacked = (file: string, look: (entry: ReadEntry) => void): Promise<void> =>
  feed(
    file,
    new Parser({
      strict: true,
      onReadEntry: (entry) => {
        look(entry);
        entry.resume();
      },
    }),
  );

/** Unpacks a file into a folder. Throws where it is torn, or the disk is full. */
export const unpack = (file: string, folder: string): Promise<void> =>
  feed(file, new Unpack({ cwd: folder, strict: true, preservePaths: false }));
