import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { schemaVersion } from '../../../db/client';
import { syncPath } from '../../../db/connect/sync';
import { accept, refuse, type Answer } from '../../answer';
import { databaseHandle } from '../../database';
import { environment } from '../../environment';
import { bytesBelow, refuseWithoutRoom } from '../disk';
import { BACKUP_FORMAT, BACKUP_VERSION, countRecords, type Manifest } from './manifest';
import { inWorker } from './fileWork';
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

const UNDER_WAY = 'A copy is being made just now. Ask again when it is done.';

/** Copies are made one at a time in a process, whoever asks for them. */
const store = globalThis as typeof globalThis & { zestyHoundCopying?: boolean };

/** Writes a backup of everything into a file that is whole or not there; one at a time. */
export async function makeBackup(file: string): Promise<Answer<Manifest>> {
  if (store.zestyHoundCopying) return refuse(UNDER_WAY);
  store.zestyHoundCopying = true;
  try {
    return await writeBackup(file);
  } finally {
    store.zestyHoundCopying = false;
  }
}

async function writeBackup(file: string): Promise<Answer<Manifest>> {
  const { copyTo } = await databaseHandle();
  if (!copyTo) return refuse(IN_A_SERVER);
  // The plain copy and the packed one stand beside the records for a while.
  const full = refuseWithoutRoom(2 * bytesBelow(path.join(environment().folder, 'pg')));
  if (full !== null) return refuse(full);
  const work = workFolder('copying');
  const unfinished = `${file}.unfinished`;
  try {
    const { when, tag } = schemaVersion();
    const counts = await copyTo(countRecords, (database, left) =>
      inWorker('copyFolder', database, path.join(work, 'pg'), left),
    );
    const manifest = sealed<Manifest>({
      format: BACKUP_FORMAT,
      version: BACKUP_VERSION,
      made: new Date().toISOString(),
      schema: { when, tag },
      counts,
      digest: await inWorker('digestOf', path.join(work, 'pg')),
    });
    fs.writeFileSync(path.join(work, 'backup.json'), `${JSON.stringify(manifest)}\n`);
    fs.mkdirSync(path.dirname(file), { recursive: true });
    await inWorker('pack', work, ['backup.json', 'pg'], unfinished);
    fs.renameSync(unfinished, file);
    syncPath(path.dirname(file));
    return accept(manifest);
  } finally {
    fs.rmSync(unfinished, { force: true });
    fs.rmSync(work, { recursive: true, force: true });
  }
}
