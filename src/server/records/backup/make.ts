import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { schemaVersion } from '../../../db/client';
import { DiskFull } from '../../../db/connect/engine';
import { EMPTIED, LEFT_OUT } from '../../../db/connect/runningCopy';
import { accept, refuse, type Answer } from '../../answer';
import { databaseHandle } from '../../database';
import { environment } from '../../environment';
import { bytesBelow, refuseWithoutRoom } from '../disk';
import { BACKUP_FORMAT, BACKUP_VERSION, newestLine, type Manifest } from './manifest';
import { watchedWork } from './fileWork';
import { sealed } from '../shopKey';

/** The folder of the kept copies, in the data folder. */
export const copiesFolder = (): string => path.join(environment().folder, 'copies');

/** A fresh folder of our naming in the data folder, on the same disk as the records. */
export function workFolder(purpose: 'copying' | 'restoring'): string {
  const { folder } = environment();
  fs.mkdirSync(folder, { recursive: true });
  return fs.mkdtempSync(path.join(folder, `${purpose}-`));
}

const IN_A_SERVER =
  'The records are in a PostgreSQL server: copy and restore them with its own tools (pg_dump).';

/** What is being done for the copy that is made just now, in the order in which it is done. */
const STEPS = {
  files: 'Reading what is on file',
  log: 'Putting one moment of it together',
  pages: 'Looking at every page',
  pack: 'Packing it',
} as const;

/** The copy that is being made: what is done, and how much of that (0 to 1). */
export interface CopyUnderWay {
  readonly step: keyof typeof STEPS;
  readonly share: number;
}

interface UnderWay extends CopyUnderWay {
  readonly abort: AbortController;
}

const UNDER_WAY = 'A copy is being made just now. Ask again when it is done.';
const CANCELLED = 'The copy was cancelled. Nothing was kept of it.';

/** Copies are made one at a time in a process, whoever asks for them. */
const store = globalThis as typeof globalThis & { zestyHoundCopying?: UnderWay | undefined };

/** How far the copy has come that is being made, in words; null where none is. */
export function copyUnderWay(): { readonly says: string; readonly share: number } | null {
  const own = store.zestyHoundCopying;
  return own ? { says: STEPS[own.step], share: own.share } : null;
}

/** Ends the making of a copy; nothing is kept of it. */
export function cancelCopy(): Answer<null> {
  const own = store.zestyHoundCopying;
  if (!own) return refuse('No copy is being made.');
  own.abort.abort(new Cancelled());
  return accept(null);
}

class Cancelled extends Error {}

/** A copy as it was made: what it says of itself, and the newest line of its ledger. */
export interface Made {
  readonly manifest: Manifest;
  readonly newest: number;
}

/**
 * Writes a backup of everything into a file that is whole or not there; one at a time. It was
 * opened, counted and looked at page by page before it gets its name.
 */
export async function makeBackup(file: string): Promise<Answer<Made>> {
  if (store.zestyHoundCopying) return refuse(UNDER_WAY);
  const abort = new AbortController();
  store.zestyHoundCopying = { step: 'files', share: 0, abort };
  const at = (step: keyof typeof STEPS) => {
    store.zestyHoundCopying = { step, share: 0, abort };
    const onShare = (share: number): void => {
      if (store.zestyHoundCopying) store.zestyHoundCopying = { step, share, abort };
    };
    return watchedWork({ onShare, signal: abort.signal });
  };
  try {
    return await writeBackup(file, at);
  } catch (error) {
    if (error instanceof Cancelled) return refuse(CANCELLED);
    if (isFull(error)) return refuse(`${NOT_WHOLE}the disk is full. Make room first.`);
    throw error;
  } finally {
    store.zestyHoundCopying = undefined;
  }
}

const isFull = (error: unknown): boolean =>
  error instanceof DiskFull ||
  (error instanceof Error && 'code' in error && error.code === 'ENOSPC');

type WorkAt = (step: keyof typeof STEPS) => ReturnType<typeof watchedWork>;

const NOT_WHOLE = 'The copy was not kept: ';

async function writeBackup(file: string, workAt: WorkAt): Promise<Answer<Made>> {
  const { copyTo } = await databaseHandle();
  if (!copyTo) return refuse(IN_A_SERVER);
  // The plain copy and the packed one stand beside the records for a while.
  const full = refuseWithoutRoom(2 * bytesBelow(path.join(environment().folder, 'pg')));
  if (full !== null) return refuse(full);
  const work = workFolder('copying');
  const unfinished = `${file}.unfinished`;
  const own = path.join(work, 'pg');
  try {
    const { when, tag } = schemaVersion();
    const expected = await copyTo(newestLine, {
      files: (database) =>
        workAt('files')('copyFolder', database, own, { left: LEFT_OUT, emptied: EMPTIED }),
      log: (database, parts, label) => workAt('log')('addLog', database, own, parts, label),
    });
    const { counts, newest } = await workAt('log')('settleCopy', own);
    if (newest !== expected) return refuse(`${NOT_WHOLE}what was written last is not in it.`);
    const [damage] = await workAt('pages')('findDamage', own);
    if (damage) {
      return refuse(
        `${NOT_WHOLE}${damage.file} of the records is damaged at page ${damage.page ?? 'its end'}. Keep the older copies, and restore the newest of them.`,
      );
    }
    const packing = workAt('pack');
    const manifest = sealed<Manifest>({
      format: BACKUP_FORMAT,
      version: BACKUP_VERSION,
      made: new Date().toISOString(),
      schema: { when, tag },
      counts,
      digest: await packing('digestOf', own),
    });
    fs.writeFileSync(path.join(work, 'backup.json'), `${JSON.stringify(manifest)}\n`);
    fs.mkdirSync(path.dirname(file), { recursive: true });
    await packing('pack', { folder: work, parts: ['backup.json', 'pg'], unfinished, file });
    return accept({ manifest, newest });
  } finally {
    await fs.promises.rm(unfinished, { force: true });
    await fs.promises.rm(work, { recursive: true, force: true });
  }
}
