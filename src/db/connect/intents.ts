import fs from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { removeForGood, syncPath, syncTree, writeWhole } from './sync';

/**
 * What is being done with a folder that must not be left halfway: it is written down before it
 * begins, and finished or taken back at the next start where the program was stopped in between.
 */

/** What the records of a folder are made of. */
export const PARTS = ['pg', 'version.json'] as const;

const CREATING = 'creating';
const RESTORING = 'restoring.json';

const restoreSchema = z.strictObject({
  /** The folder of the copy that takes their place, and the one that keeps what stood there. */
  staged: z.string().regex(/^restoring-\w{6}$/),
  kept: z.string().regex(/^before-restore-[\w-]+$/),
});
type Restore = z.infer<typeof restoreSchema>;

/** A part in a folder; the build does not follow it: the folder is the shop’s, not the project’s. */
const partIn = (folder: string, part: string): string =>
  path.join(/* turbopackIgnore: true */ folder, part);

const hasPart = (folder: string, part: string): boolean =>
  fs.existsSync(/* turbopackIgnore: true */ partIn(folder, part));

const partsOf = (folder: string): string[] => PARTS.filter((part) => hasPart(folder, part));

/** Notes that a new database is made in a folder: until it is whole nothing was ever kept in it. */
export function beginCreating(folder: string): void {
  writeWhole(path.join(folder, CREATING), '');
}

/** The new database is whole: every file of it is brought to the disk before that is said. */
export function endCreating(folder: string): void {
  syncTree(path.join(folder, 'pg'));
  syncPath(path.join(folder, 'version.json'));
  removeForGood(path.join(folder, CREATING));
  syncPath(path.dirname(folder));
}

const keptIn = (folder: string, name: string): string => path.join(folder, 'copies', name);

/** Moves one part, unless that was done before. */
function movePart(part: string, from: string, to: string): void {
  if (!hasPart(from, part) || hasPart(to, part)) return;
  fs.mkdirSync(to, { recursive: true });
  fs.renameSync(partIn(from, part), partIn(to, part));
  for (const place of [from, to]) syncPath(place);
}

/** Goes through a restore from wherever it was left: what is moved already stays moved. */
function carryOut(folder: string, { staged, kept }: Restore): void {
  const from = path.join(folder, staged);
  for (const part of PARTS) {
    // Only where the new part waits is the old one in its place.
    if (hasPart(from, part)) movePart(part, folder, keptIn(folder, kept));
    movePart(part, from, folder);
  }
}

/** Puts a staged copy in the place of a folder’s records, so that a stop in between loses neither. */
export function exchangeRecords(folder: string, restore: Restore): void {
  syncTree(path.join(folder, restore.staged));
  writeWhole(path.join(folder, RESTORING), JSON.stringify(restore));
  carryOut(folder, restore);
  removeForGood(path.join(folder, RESTORING));
}

/** What was begun with a folder and not ended; null where nothing was. */
function restoreBegun(folder: string): Restore | null {
  const file = path.join(folder, RESTORING);
  if (!fs.existsSync(file)) return null;
  return restoreSchema.parse(JSON.parse(fs.readFileSync(file, 'utf8')));
}

/** Takes away copies that were stopped halfway: what they are of still stands. */
function sweepUnfinished(folder: string): void {
  const copies = path.join(folder, 'copies');
  if (!fs.existsSync(copies)) return;
  for (const name of fs.readdirSync(copies)) {
    if (!name.endsWith('.unfinished')) continue;
    fs.rmSync(path.join(copies, name), { recursive: true, force: true });
  }
}

/**
 * Finishes or takes back what the program was stopped in the middle of. Answers with what it did,
 * in words, for whoever starts it; null where there was nothing.
 */
export function settleIntents(folder: string): string | null {
  sweepUnfinished(folder);
  const restore = restoreBegun(folder);
  if (restore) {
    carryOut(folder, restore);
    removeForGood(path.join(folder, RESTORING));
    return `A restore was stopped halfway in ${folder}: it is finished. What stood there is in copies/${restore.kept}.`;
  }
  if (fs.existsSync(path.join(folder, CREATING))) {
    for (const part of partsOf(folder)) {
      fs.rmSync(path.join(folder, part), { recursive: true, force: true });
    }
    removeForGood(path.join(folder, CREATING));
    return `A new database was stopped halfway in ${folder}, before anything was kept in it: it is made anew.`;
  }
  return null;
}
