import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { environment } from '../../environment';

/** What a folder is called in which a backup waits. */
export const STAGED = /^restoring-\w{6}$/;

/** Throws away backups that wait: all but the newest few, and those that waited too long. */
export function sweepStaged(most: number, before = 0): void {
  const { folder } = environment();
  if (!fs.existsSync(folder)) return;
  const waiting = fs
    .readdirSync(folder)
    .filter((name) => STAGED.test(name))
    .map((name) => path.join(folder, name))
    .map((place) => ({ place, at: fs.statSync(place).mtimeMs }))
    .sort((p, q) => q.at - p.at);
  waiting.forEach(({ place, at }, i) => {
    if (i >= most || at < before) fs.rmSync(place, { recursive: true, force: true });
  });
}
