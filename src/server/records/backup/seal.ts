import 'server-only';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { isSealed, sealOf } from '../shopKey';
import type { Manifest } from './manifest';

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

const sealedText = ({ seal: _, ...rest }: Manifest): string => JSON.stringify(rest);

/** What a copy says of itself, under the seal of this shop. */
export const sealManifest = (manifest: Manifest): Manifest => ({
  ...manifest,
  seal: sealOf(sealedText(manifest)),
});

/** Whether this shop made a copy, and it says what it said then. */
export const isOwnManifest = (manifest: Manifest): boolean =>
  isSealed(sealedText(manifest), manifest.seal);
