import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { format } from 'date-fns';
import { accept, refuse, type Answer } from '../../answer';
import { environment } from '../../environment';
import { copiesFolder, makeBackup } from './make';
import { daysToKeep } from './rotation';
import { sweepStaged } from './staged';

/** A kept copy: of a night, or made by hand. */
export interface KeptCopy {
  readonly name: string;
  readonly made: Date;
  readonly bytes: number;
  readonly kind: 'nightly' | 'by-hand';
}

const NIGHTLY = /^nightly-(\d{4}-\d{2}-\d{2})\.tar\.gz$/;
const BY_HAND = /^backup-\d{4}-\d{2}-\d{2}-\d{6}\.tar\.gz$/;

/** The kept copies, the newest first. */
export function keptCopies(): KeptCopy[] {
  const folder = copiesFolder();
  if (!fs.existsSync(folder)) return [];
  return fs
    .readdirSync(folder)
    .filter((name) => NIGHTLY.test(name) || BY_HAND.test(name))
    .map((name): KeptCopy => {
      const { mtime, size } = fs.statSync(path.join(folder, name));
      return { name, made: mtime, bytes: size, kind: NIGHTLY.test(name) ? 'nightly' : 'by-hand' };
    })
    .sort((p, q) => q.made.getTime() - p.made.getTime());
}

/** The file of a kept copy by its name; null where it is not one of ours, or gone. */
export function copyFile(name: string): string | null {
  if (!NIGHTLY.test(name) && !BY_HAND.test(name)) return null;
  const file = path.join(copiesFolder(), name);
  return fs.existsSync(file) ? file : null;
}

/** Makes a copy now, beside the nightly ones; it stays until it is taken away by hand. */
export async function copyNow(now = new Date()): Promise<Answer<string>> {
  const name = `backup-${format(now, 'yyyy-MM-dd-HHmmss')}.tar.gz`;
  const made = await makeBackup(path.join(copiesFolder(), name));
  return made.ok ? accept(name) : made;
}

/** Takes a copy away that was made by hand; the nightly ones go by themselves. */
export function removeCopy(name: string): Answer<string> {
  const file = BY_HAND.test(name) ? copyFile(name) : null;
  if (!file) return refuse('This copy is not there any more.');
  fs.rmSync(file);
  return accept(name);
}

/** Nightly copies are made from this hour on. */
const NIGHT_HOUR = 2;

/**
 * Makes the copy of the night where it is due: none of this day yet, and past two o'clock. Then
 * takes away those that the rotation does not keep. Answers with its name, or null.
 */
export async function nightlyCopy(now = new Date()): Promise<string | null> {
  if (environment().url || now.getHours() < NIGHT_HOUR) return null;
  const name = `nightly-${format(now, 'yyyy-MM-dd')}.tar.gz`;
  if (copyFile(name)) return null;
  const made = await makeBackup(path.join(copiesFolder(), name));
  if (!made.ok) {
    process.stderr.write(`The nightly copy was not made: ${made.message}\n`);
    return null;
  }
  const nights = keptCopies().flatMap((copy) => NIGHTLY.exec(copy.name)?.[1] ?? []);
  const keep = daysToKeep(nights);
  for (const night of nights) {
    if (!keep.has(night)) fs.rmSync(path.join(copiesFolder(), `nightly-${night}.tar.gz`));
  }
  return name;
}

const DAY_MS = 24 * 3600_000;
const LOOK_EVERY_MS = 15 * 60_000;

/** Looks every quarter of an hour whether the copy of the night is due; never keeps the program up. */
export function watchNights(): void {
  setInterval(() => {
    sweepStaged(Infinity, Date.now() - DAY_MS);
    nightlyCopy().catch((error: unknown) => {
      process.stderr.write(`The nightly copy was not made: ${String(error)}\n`);
    });
  }, LOOK_EVERY_MS).unref();
}
