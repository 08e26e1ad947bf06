import fs from 'node:fs';
import path from 'node:path';
import { ExpectedError } from '../../core/expected';
import { syncPath, syncTree, writeWhole } from './sync';

/** The schema that a folder was last opened with: the newest migration's time and name. */
export interface SchemaVersion {
  readonly when: number;
  readonly tag: string;
}

/** The folder was made by a newer version of the program. */
export class FolderTooNew extends ExpectedError {
  constructor(where: string) {
    super(
      `${where} was made by a newer version of Zesty Hound. ` +
        'Start that version, or give this one another folder. Nothing was changed.',
    );
  }
}

interface Journal {
  readonly entries: readonly SchemaVersion[];
}

/** The newest migration that this program knows. */
export function knownVersion(migrationsFolder: string): SchemaVersion {
  const file = path.join(migrationsFolder, 'meta', '_journal.json');
  const { entries } = JSON.parse(fs.readFileSync(file, 'utf8')) as Journal;
  const last = entries.at(-1);
  if (!last) throw new Error('There are no migrations');
  return { when: last.when, tag: last.tag };
}

const versionFile = (folder: string): string => path.join(folder, 'version.json');

/** What the folder says of itself, or null when it is new or says nothing readable. */
export function folderVersion(folder: string): SchemaVersion | null {
  try {
    return JSON.parse(fs.readFileSync(versionFile(folder), 'utf8')) as SchemaVersion;
  } catch {
    return null;
  }
}

/** Writes the version so that it is whole or not there, and on disk. */
export function writeFolderVersion(folder: string, version: SchemaVersion): void {
  writeWhole(versionFile(folder), `${JSON.stringify(version)}\n`);
}

/** Keeps a copy of the database before it is migrated, whole or not at all; returns where. */
export function keepCopy(folder: string, database: string, version: SchemaVersion | null): string {
  const stamp = new Date().toISOString().replace(/[:.]/g, '-');
  const copies = path.join(folder, 'copies');
  const copy = path.join(copies, `before-migration-${stamp}`);
  const unfinished = `${copy}.unfinished`;
  fs.cpSync(database, path.join(unfinished, path.basename(database)), { recursive: true });
  if (version) writeFolderVersion(unfinished, version);
  syncTree(unfinished);
  fs.renameSync(unfinished, copy);
  syncPath(copies);
  return copy;
}
