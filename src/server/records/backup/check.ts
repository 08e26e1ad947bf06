import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { FolderTooNew, writeFolderVersion } from '../../../db/connect/folderVersion';
import { openDatabase, schemaVersion } from '../../../db/client';
import { accept, refuse, type Answer } from '../../answer';
import { differenceOf, shapeOf, wantedShape } from '../../../db/shape';
import { refuseWithoutRoom } from '../disk';
import { workFolder } from './make';
import { countRecords, readManifest, type Manifest } from './manifest';
import { TOO_MUCH, type PackedEntry } from './files';
import { inWorker } from './fileWork';
import { isSealedHere } from '../shopKey';
import { sweepStaged } from './staged';

/** Largest backup taken, packed and unpacked, in bytes, and most files in it. */
export const LARGEST_BACKUP = 8_000_000_000;
const MOST_FILES = 100_000;
/** Backups that wait at once: an older one goes when another is looked through. */
const MOST_STAGED = 2;

/** A backup that was unpacked and found sound, waiting to take the place of the records. */
export interface Staged {
  /** Its folder's name in the data folder. */
  readonly id: string;
  readonly manifest: Manifest;
  /** Whether this shop made it, and it is as it was made, byte for byte. */
  readonly isOwn: boolean;
}

/** In the folder of a staged backup: whether this shop made it. */
export const STAGED_OWN = 'own';

const isOurs = (name: string): boolean =>
  name === 'backup.json' || (/^pg(\/[\w.-]+)*\/?$/.test(name) && !name.includes('..'));

const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';

/** Whether the unpacker found no whole archive: its own errors, and those of what it is packed by. */
const isTorn = (error: unknown): boolean => /^(TAR|Z)_/.test(codeOf(error));

const isDiskFull = (error: unknown): boolean => codeOf(error) === 'ENOSPC';

/** Why a file of a backup cannot be ours; null where it can. */
function refuseEntry({ path: place, type }: PackedEntry): string | null {
  if (!['File', 'OldFile', 'Directory'].includes(type)) {
    return `it has a ${type.toLowerCase()} in it`;
  }
  return isOurs(place) ? null : 'it has a file in it that no backup has';
}

/** The bytes that a backup unpacks to, or why it can be none of ours. Nothing is unpacked. */
async function lookThrough(file: string): Promise<Answer<number>> {
  const no = (why: string): Answer<never> =>
    refuse(`This is no backup of Zesty Hound: ${why}. Nothing was changed.`);
  let entries: readonly PackedEntry[];
  try {
    entries = await inWorker('listPacked', file, MOST_FILES + 1);
  } catch (error) {
    if (codeOf(error) === TOO_MUCH) return no('it unpacks to more than any backup');
    if (!isTorn(error)) throw error;
    return no('it is torn, or no backup at all');
  }
  if (entries.length === 0) return no('there is nothing in it');
  if (entries.length > MOST_FILES) return no('it unpacks to more than any backup');
  const why = entries.map(refuseEntry).find((each) => each !== null);
  return why ? no(why) : accept(entries.reduce((sum, { size }) => sum + size, 0));
}

/** Opens what was unpacked and counts it; a folder is opened by one program only. */
async function open(folder: string, manifest: Manifest): Promise<Answer<null>> {
  try {
    const { db, close } = await openDatabase({ folder });
    try {
      const counts = await countRecords(db);
      if (!isDeepStrictEqual(counts, manifest.counts)) {
        return refuse('The backup has not the records that it says: it is not whole.');
      }
      const otherwise = differenceOf(await shapeOf(db), await wantedShape());
      return otherwise === null
        ? accept(null)
        : refuse(`The database in the backup is not made as this program makes it: ${otherwise}.`);
    } finally {
      await close();
    }
  } catch (error) {
    if (error instanceof FolderTooNew) return refuse(error.message);
    // A database that is not whole fails in every way there is: what it was is in the log.
    process.stderr.write(`A backup’s database could not be opened: ${String(error)}\n`);
    return refuse('The database in the backup cannot be opened: it is not whole.');
  }
}

/**
 * Unpacks a backup beside the records and makes sure that it is whole: what is in it, its
 * version, that its database opens, that it has the records it says. The records are not touched.
 */
export async function stageBackup(file: string): Promise<Answer<Staged>> {
  const found = await lookThrough(file);
  if (!found.ok) return found;
  const full = refuseWithoutRoom(found.value);
  if (full !== null) return refuse(full);
  sweepStaged(MOST_STAGED - 1);
  const folder = workFolder('restoring');
  const giveUp = (message: string): Answer<never> => {
    fs.rmSync(folder, { recursive: true, force: true });
    return refuse(
      message.includes('Nothing was changed') ? message : `${message} Nothing was changed.`,
    );
  };
  try {
    await inWorker('unpack', file, folder);
  } catch (error) {
    if (!isTorn(error) && !isDiskFull(error)) throw error;
    return giveUp('The backup could not be unpacked: it is torn, or the disk is full.');
  }
  const own = path.join(folder, 'backup.json');
  const manifest = fs.existsSync(own) ? readManifest(fs.readFileSync(own, 'utf8')) : null;
  if (!manifest) return giveUp('The backup does not say what it is, or is of another version.');
  if (manifest.schema.when > schemaVersion().when) {
    return giveUp('The backup was made by a newer version of Zesty Hound: use that one.');
  }
  writeFolderVersion(folder, manifest.schema);
  if (
    manifest.digest &&
    (await inWorker('digestOf', path.join(folder, 'pg'))) !== manifest.digest
  ) {
    return giveUp('The database in the backup is not the one that it was made with.');
  }
  const opened = await open(folder, manifest);
  if (!opened.ok) return giveUp(opened.message);
  const isOwn = manifest.digest !== undefined && isSealedHere(manifest);
  if (isOwn) fs.writeFileSync(path.join(folder, STAGED_OWN), '');
  return accept({ id: path.basename(folder), manifest, isOwn });
}
