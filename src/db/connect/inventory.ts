import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { lookAtLog } from './logDamage';
import { findDamage, tableFiles, type Damage } from './pages';
import { writeWhole } from './sync';

/**
 * What a database was made of when it was last known to be whole: written when it is closed, and
 * when it was opened. It lies in the database’s own folder and moves with it.
 */

const FILE = 'inventory.json';

const entrySchema = z.strictObject({
  size: z.int().min(0),
  /** When it was written to last, in ms. */
  at: z.number(),
  /** Of a table or index: the beginning of its first page. Of anything else: its SHA-256. */
  is: z.string(),
});
type Entry = z.output<typeof entrySchema>;

const inventorySchema = z.strictObject({
  /** Whether the database was closed: then not a byte of it is to be another. */
  isClosed: z.boolean(),
  /** Which start of the machine it was written in, where the machine says so. */
  boot: z.string().nullable().default(null),
  files: z.record(z.string(), entrySchema),
});
type Inventory = z.output<typeof inventorySchema>;

/** What the kernel calls this start of the machine; null where it does not say. */
function thisBoot(): string | null {
  try {
    return fs.readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
  } catch {
    return null;
  }
}

/** Bytes of the first page that tell two tables apart: where it was last written, and how it is laid out. */
const HEAD = 24;
/** What the engine makes anew by itself, and never brings to the disk. */
const PASSING =
  /^(pg_internal\.init.*|postmaster\.(pid|opts)|inventory\.json(\.new)?|.*pgstat\.stat.*)$/;

/** Whether an entry is of a table or an index. */
const isTable = ({ is }: Entry): boolean => is.length === 2 * HEAD;

function headOf(file: string): string {
  const handle = fs.openSync(file, 'r');
  try {
    const head = Buffer.alloc(HEAD);
    fs.readSync(handle, head, 0, HEAD, 0);
    return head.toString('hex');
  } finally {
    fs.closeSync(handle);
  }
}

const hashOf = (file: string): string =>
  createHash('sha256').update(fs.readFileSync(file)).digest('hex');

function entryOf(database: string, name: string, isTable: boolean): Entry {
  const file = path.join(database, name);
  const { size, mtimeMs } = fs.statSync(file);
  return { size, at: mtimeMs, is: isTable ? headOf(file) : hashOf(file) };
}

/** Everything but the log, which vouches for itself. */
const allFiles = (database: string): string[] =>
  fs
    .readdirSync(database, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !PASSING.test(entry.name))
    .map((entry) => path.relative(database, path.join(entry.parentPath, entry.name)))
    .filter((name) => !name.startsWith('pg_wal/'));

/** The file that a table begins with, of any of its files. */
const firstOf = (file: string): string => file.replace(/(_(fsm|vm|init))?(\.\d+)?$/, '');

/**
 * Takes down what a database is made of: all of it once it is closed; while it runs the tables and
 * indexes that it knows of, by their first files. What it has dropped lies there for a while.
 */
export function writeInventory(database: string, known: ReadonlySet<string> | 'closed'): void {
  const isClosed = known === 'closed';
  const tables = new Set(tableFiles(database));
  const names = isClosed
    ? allFiles(database)
    : [...tables].filter((name) => known.has(firstOf(name)));
  const files = Object.fromEntries(
    names.map((name) => [name, entryOf(database, name, tables.has(name))]),
  );
  const inventory: Inventory = { isClosed, boot: thisBoot(), files };
  writeWhole(path.join(database, FILE), JSON.stringify(inventory));
}

/**
 * Takes down that a database is about to be opened: from now on its files change, and where it is
 * stopped before it says anew what it is made of, its log brings back the rest.
 */
export function noteOpening(database: string): void {
  const inventory = readInventory(database);
  if (!inventory?.isClosed) return;
  const tables = Object.entries(inventory.files).filter(([, entry]) => isTable(entry));
  const open: Inventory = { isClosed: false, boot: thisBoot(), files: Object.fromEntries(tables) };
  writeWhole(path.join(database, FILE), JSON.stringify(open));
}

/** Forgets what a database was made of, before it is made otherwise. */
export const forgetInventory = (database: string): void =>
  fs.rmSync(path.join(database, FILE), { force: true });

function readInventory(database: string): Inventory | null {
  try {
    return inventorySchema.parse(JSON.parse(fs.readFileSync(path.join(database, FILE), 'utf8')));
  } catch {
    return null;
  }
}

/** What a look at a database that is not open found. */
export interface Look {
  /** What is not as it was, in words; empty where everything is. */
  readonly faults: readonly string[];
  /** Whether its pages are still to be looked at, once its log was read: it was not closed. */
  readonly isUnclean: boolean;
  /** Whether it opens with what its log says until there: what is not whole is damage within its log alone. */
  readonly isUpTo: boolean;
}

/** Whether the machine has run ever since a database was last open: then nothing that was written is lost. */
const hasRunSince = ({ boot }: Inventory): boolean => boot !== null && boot === thisBoot();

/** A damage in words, without its full stop. */
export const sayDamage = ({ file, page }: Damage): string =>
  page === null ? `pg/${file} is cut off` : `pg/${file} is damaged at page ${page}`;

/** Looks at every page of a database, and says what is not as it was written. */
export const damageIn = async (database: string, names?: readonly string[]): Promise<string[]> =>
  (await findDamage(database, () => undefined, names)).map(sayDamage);

/**
 * Compares a database that is not open with what it was made of. Of one that was closed every file
 * that was written to since is read; of one that was not, what its log cannot bring back is told.
 */
export async function lookThrough(database: string): Promise<Look> {
  const inventory = readInventory(database);
  if (!inventory) {
    const { faults, isUpTo } = lookAtLog(database, false);
    return { faults, isUnclean: true, isUpTo };
  }
  const { isClosed, files } = inventory;
  const heads = new Map(Object.entries(files).map(([name, { is }]) => [is, name]));
  const faults: string[] = [];
  const written: string[] = [];
  for (const [name, was] of Object.entries(files)) {
    const file = path.join(database, name);
    const found = fs.statSync(file, { throwIfNoEntry: false });
    if (!found) faults.push(`pg/${name} is missing`);
    else if (found.size < was.size) faults.push(`pg/${name} is cut off`);
    else if (isClosed && found.size === was.size && found.mtimeMs === was.at) continue;
    else if (!isTable(was)) {
      if (isClosed && hashOf(file) !== was.is) faults.push(`pg/${name} is not as it was left`);
    } else {
      const own = headOf(file);
      const other = own === was.is ? undefined : heads.get(own);
      const isEmpty = /^0*$/.test(own);
      if (other !== undefined && !isEmpty) faults.push(`pg/${name} is what pg/${other} was`);
      else if (isClosed) written.push(name);
    }
  }
  if (faults.length === 0 && written.length > 0)
    faults.push(...(await damageIn(database, written)));
  const inLog = isClosed ? null : lookAtLog(database, hasRunSince(inventory));
  return {
    faults: [...faults, ...(inLog?.faults ?? [])],
    isUnclean: !isClosed,
    isUpTo: faults.length === 0 && (inLog?.isUpTo ?? false),
  };
}
