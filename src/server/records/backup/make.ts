import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { create } from 'tar';
import { schemaVersion } from '../../../db/client';
import { accept, refuse, type Answer } from '../../answer';
import { databaseHandle } from '../../database';
import { environment } from '../../environment';
import { BACKUP_FORMAT, BACKUP_VERSION, countRecords, type Manifest } from './manifest';

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

/** Writes a backup of everything into a file that is whole or not there. */
export async function makeBackup(file: string): Promise<Answer<Manifest>> {
  const { copyTo } = await databaseHandle();
  if (!copyTo) return refuse(IN_A_SERVER);
  const work = workFolder('copying');
  const unfinished = `${file}.unfinished`;
  try {
    const { when, tag } = schemaVersion();
    const counts = await copyTo(path.join(work, 'pg'), countRecords);
    const manifest: Manifest = {
      format: BACKUP_FORMAT,
      version: BACKUP_VERSION,
      made: new Date().toISOString(),
      schema: { when, tag },
      counts,
    };
    fs.writeFileSync(path.join(work, 'backup.json'), `${JSON.stringify(manifest)}\n`);
    fs.mkdirSync(path.dirname(file), { recursive: true });
    await create({ cwd: work, file: unfinished, gzip: { level: 3 }, portable: true }, [
      'backup.json',
      'pg',
    ]);
    const handle = fs.openSync(unfinished, 'r');
    fs.fsyncSync(handle);
    fs.closeSync(handle);
    fs.renameSync(unfinished, file);
    return accept(manifest);
  } finally {
    fs.rmSync(unfinished, { force: true });
    fs.rmSync(work, { recursive: true, force: true });
  }
}
