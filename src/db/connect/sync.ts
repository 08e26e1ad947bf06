import fs from 'node:fs';
import path from 'node:path';

/** Brings what was written of a file, or of a folder’s own list of names, to the disk. */
export function syncPath(place: string): void {
  const handle = fs.openSync(place, 'r');
  try {
    fs.fsyncSync(handle);
  } finally {
    fs.closeSync(handle);
  }
}

/** Brings every file below a folder to the disk, and every folder’s list of names after them. */
export function syncTree(folder: string): void {
  for (const entry of fs.readdirSync(folder, { withFileTypes: true })) {
    const place = path.join(folder, entry.name);
    if (entry.isDirectory()) syncTree(place);
    else if (entry.isFile()) syncPath(place);
  }
  syncPath(folder);
}

/** Writes a small file so that it is whole and on the disk, or not there. */
export function writeWhole(file: string, text: string): void {
  const unfinished = `${file}.new`;
  fs.writeFileSync(unfinished, text);
  syncPath(unfinished);
  fs.renameSync(unfinished, file);
  syncPath(path.dirname(file));
}

/** Takes a file away for good. */
export function removeForGood(file: string): void {
  fs.rmSync(file, { force: true });
  syncPath(path.dirname(file));
}
