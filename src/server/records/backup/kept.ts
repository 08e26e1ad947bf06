import 'server-only';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { syncPath, writeWhole } from '../../../db/connect/sync';
import { environment } from '../../environment';
import { sealed } from '../shopKey';

/** What stands beside a kept copy: that it was opened and looked at page by page, and how new it is. */
const checkSchema = z.strictObject({
  checked: z.iso.datetime(),
  /** The newest line of its ledger. */
  newest: z.int().min(0),
  /** The seal of the shop that made it; missing in what an older version of the program wrote. */
  seal: z.string().max(100).optional(),
});
export type Checked = z.output<typeof checkSchema>;

const besides = (file: string): string => `${file}.checked.json`;

/** Takes down beside a copy that it was found whole when it was made. */
export function noteChecked(file: string, newest: number): void {
  const checked = new Date().toISOString();
  writeWhole(besides(file), `${JSON.stringify(sealed<Checked>({ checked, newest }))}\n`);
}

/** When a copy was found whole, and how new it is; null for one of an older version of the program. */
export function checkedOf(file: string): Checked | null {
  try {
    return checkSchema.parse(JSON.parse(fs.readFileSync(besides(file), 'utf8')));
  } catch {
    return null;
  }
}

/** Takes a copy away, with what stands beside it, here and in the second folder. */
export function removeKept(file: string): void {
  const { copies } = environment();
  const remove = (place: string): void => {
    fs.rmSync(place, { force: true });
    fs.rmSync(besides(place), { force: true });
  };
  remove(file);
  if (!copies) return;
  try {
    remove(path.join(copies, path.basename(file)));
  } catch (error) {
    // A disk that is not to be written to keeps what it has.
    process.stderr.write(`${copies}: ${String(error)}\n`);
  }
}

/** Brings a file to its disk, which may be a slow one: nobody waits for it. */
async function syncFile(file: string): Promise<void> {
  const handle = await fs.promises.open(file, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

async function digestOf(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(fs.createReadStream(file), hash);
  return hash.digest('hex');
}

/**
 * Keeps a copy once more in the second folder, where one is named: read back and compared before
 * it gets its name there. Answers with why it is not there; null where it is, or none is named.
 */
export async function keepElsewhere(file: string): Promise<string | null> {
  const { copies } = environment();
  if (!copies) return null;
  const target = path.join(copies, path.basename(file));
  const unfinished = `${target}.unfinished`;
  try {
    // A disk that is not there must not be made up for by a folder on this one.
    if (!fs.existsSync(copies)) return `${copies} is not there.`;
    await fs.promises.copyFile(file, unfinished);
    await syncFile(unfinished);
    if ((await digestOf(unfinished)) !== (await digestOf(file))) {
      return `What arrived in ${copies} is not what was sent.`;
    }
    fs.renameSync(unfinished, target);
    const own = besides(file);
    if (fs.existsSync(own)) fs.copyFileSync(own, besides(target));
    syncPath(copies);
    return null;
  } catch (error) {
    return `${copies}: ${error instanceof Error ? error.message : String(error)}.`;
  } finally {
    fs.rmSync(unfinished, { force: true });
  }
}
