import fs from 'node:fs';
import path from 'node:path';
import { ExpectedError } from '../../core/expected';

const MOST_SAID = 5;

/** The folder has records that are not whole: nothing is made anew over them. */
export class FolderTorn extends ExpectedError {
  /**
   * @param faults what is not whole, each as a sentence without its full stop
   * @param isOpened whether the engine had read its log into it before that was seen
   * @param other what else can be done than to put a copy back, as a sentence
   */
  constructor(folder: string, faults: readonly string[], isOpened = false, other = '') {
    const more = faults.length - MOST_SAID;
    const said = [...faults.slice(0, MOST_SAID), ...(more > 0 ? [`and ${more} more`] : [])];
    super(
      `The data folder ${folder} is not whole: ${said.join(', ')}. ${isOpened ? 'Its log was read into it; nothing else was changed.' : 'Nothing was changed.'} ${sayCopies(folder)}${other && ` ${other}`}`,
    );
  }
}

/** What every database of the engine has. */
const NEEDED = [
  'PG_VERSION',
  'global/pg_control',
  'global/pg_filenode.map',
  'base',
  'pg_wal',
  'pg_xact',
  'pg_multixact',
] as const;

/** The copies in a folder, the newest first. */
function copiesIn(folder: string): string[] {
  const copies = path.join(folder, 'copies');
  if (!fs.existsSync(copies)) return [];
  return fs
    .readdirSync(copies)
    .filter((name) => name.endsWith('.tar.gz'))
    .map((name) => path.join(copies, name))
    .sort((p, q) => fs.statSync(q).mtimeMs - fs.statSync(p).mtimeMs);
}

/** Which copies there are, and the command that puts the newest back. */
function sayCopies(folder: string): string {
  const [newest, ...older] = copiesIn(folder);
  if (!newest) return 'There is no copy in it: put its files back from wherever they are kept.';
  const more = older.length > 0 ? `, and ${older.length} older` : '';
  return `The newest copy is of ${fs.statSync(newest).mtime.toISOString().slice(0, 16).replace('T', ' ')}${more}. Put it back with: npm run restore -- ${newest}`;
}

/**
 * Refuses a folder of which a part is missing. One in which nothing stands is new, and whole; what
 * stands there without a database, or a database without its parts, is not.
 */
export function refuseTorn(folder: string): void {
  const database = path.join(folder, 'pg');
  const isThere = fs.existsSync(database) && fs.readdirSync(database).length > 0;
  if (!isThere) {
    if (fs.existsSync(path.join(folder, 'version.json'))) {
      throw new FolderTorn(folder, ['pg is missing']);
    }
    return;
  }
  const missing = NEEDED.filter((part) => !fs.existsSync(path.join(database, part)));
  const hasLog = fs.existsSync(path.join(database, 'pg_wal'))
    ? fs.readdirSync(path.join(database, 'pg_wal')).some((name) => /^[0-9A-F]{24}$/.test(name))
    : true;
  const all = [
    ...missing.map((part) => `pg/${part} is missing`),
    ...(hasLog ? [] : ['its log (pg/pg_wal) is missing']),
  ];
  if (all.length > 0) throw new FolderTorn(folder, all);
}
