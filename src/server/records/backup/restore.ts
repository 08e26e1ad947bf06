import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { accept, refuse, type Answer } from '../../answer';
import { exchangeDatabase } from '../../database';
import { environment } from '../../environment';
import { copiesFolder } from './make';

const STAGED = /^restoring-\w{6}$/;

/** What a folder of records is made of. */
const PARTS = ['pg', 'version.json'] as const;

function move(from: string, to: string): void {
  fs.mkdirSync(to, { recursive: true });
  for (const part of PARTS) {
    const source = path.join(/* turbopackIgnore: true */ from, part);
    const target = path.join(/* turbopackIgnore: true */ to, part);
    if (fs.existsSync(/* turbopackIgnore: true */ source)) fs.renameSync(source, target);
  }
}

/**
 * Puts a backup that was staged in the place of the records, while the program runs. What stood
 * there is kept beside. Answers with the folder it is kept in.
 */
export async function restoreStaged(id: string): Promise<Answer<string>> {
  const { folder, url } = environment();
  const staged = path.join(folder, id);
  if (url || !STAGED.test(id) || !fs.existsSync(path.join(staged, 'pg'))) {
    return refuse('This backup is not waiting any more: choose it again.');
  }
  const stamp = new Date().toISOString().replace(/[:.]/g, '-');
  const kept = path.join(copiesFolder(), `before-restore-${stamp}`);
  await exchangeDatabase(() => {
    move(folder, kept);
    try {
      move(staged, folder);
    } catch (error) {
      move(kept, folder);
      throw error;
    }
  });
  fs.rmSync(staged, { recursive: true, force: true });
  return accept(path.basename(kept));
}

/** Throws a staged backup away. */
export function dropStaged(id: string): void {
  if (!STAGED.test(id)) return;
  fs.rmSync(path.join(environment().folder, id), { recursive: true, force: true });
}

/** Throws away what a program that was stopped in the middle left behind. */
export function sweepWork(): void {
  const { folder } = environment();
  if (!fs.existsSync(folder)) return;
  for (const name of fs.readdirSync(folder)) {
    if (/^(copying|restoring)-\w{6}$/.test(name)) {
      fs.rmSync(path.join(folder, name), { recursive: true, force: true });
    }
  }
}
