import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { environment } from '../environment';

/** Left free whatever else is done: the records themselves must always have room to be written. */
const RESERVE = 300_000_000;
/** Below this the disk is nearly full, and every page says so. */
const NEARLY_FULL = 1_000_000_000;

/** Bytes that are free for this program on the disk of the data folder. */
export function freeBytes(): number {
  let place = environment().folder;
  // A folder that is yet to be made will be on the disk of the one above it.
  while (!fs.existsSync(place)) place = path.dirname(place);
  const { bavail, bsize } = fs.statfsSync(place);
  return bavail * bsize;
}

/** Bytes of the files below a folder. */
export function bytesBelow(folder: string): number {
  if (!fs.existsSync(folder)) return 0;
  return fs
    .readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .reduce((sum, { parentPath, name }) => {
      const found = fs.statSync(path.join(parentPath, name), { throwIfNoEntry: false });
      return sum + (found?.size ?? 0);
    }, 0);
}

const sayMb = (bytes: number): string => `${Math.round(bytes / 1e6).toLocaleString('en')} MB`;

/** Why something that needs so many bytes is not begun; null where there is room for it. */
export function refuseWithoutRoom(needed: number): string | null {
  const free = freeBytes();
  if (free - RESERVE >= needed) return null;
  return `The disk is too full: ${sayMb(free)} are free, and this needs ${sayMb(needed)} with ${sayMb(RESERVE)} left for the records. Make room first. Nothing was changed.`;
}

/** What every page says while the disk is nearly full; null otherwise, and for records in a server. */
export function sayNearlyFull(): string | null {
  const { url, folder } = environment();
  if (url || !fs.existsSync(folder)) return null;
  const free = freeBytes();
  if (free >= NEARLY_FULL) return null;
  const copies = bytesBelow(path.join(folder, 'copies'));
  return `The disk is nearly full: ${sayMb(free)} are free. Copies take ${sayMb(copies)} of it: take them elsewhere (Workshop, Copies), or make room.`;
}
