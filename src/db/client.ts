import fs from 'node:fs';
import path from 'node:path';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { ExpectedError } from '../core/expected';
import { sql } from 'drizzle-orm';
import type { PGlite } from '@electric-sql/pglite';
import { listenToServer } from './connect/serverListener';
import { Engine, refuseFullDisk } from './connect/engine';
import { copyRunning, type CopySteps } from './connect/runningCopy';
import { askInOneMessage } from './connect/oneMessage';
import { beginCreating, endCreating, settleIntents } from './connect/intents';
import {
  damageIn,
  forgetInventory,
  lookThrough,
  noteOpening,
  writeInventory,
} from './connect/inventory';
import { bytesOfTables } from './connect/pages';
import { endLogWhereReadable } from './connect/logDamage';
import { FolderTorn, refuseTorn } from './connect/wholeFolder';
import { lockFolder } from './connect/folderLock';
import {
  FolderTooNew,
  folderVersion,
  keepCopy,
  knownVersion,
  writeFolderVersion,
} from './connect/folderVersion';
import * as schema from './schema';
import { prepareWholeJob } from './wholeJobQuestion';

/** The database as the rest of the program knows it, whichever driver serves it. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

/**
 * Lets the database be copied while it runs and is written to, as it stands at the moment in
 * which `look` is asked; its answer is handed on.
 */
export type CopyTo = <Found>(
  look: (db: Database) => Promise<Found>,
  steps: CopySteps,
) => Promise<Found>;

export interface DatabaseHandle {
  readonly db: Database;
  readonly close: () => Promise<void>;
  /** Null where the records are in a server, which has its own ways to be copied. */
  readonly copyTo: CopyTo | null;
  /** The folder of a database whose pages are still to be looked at: too many to be waited for. */
  readonly toCheck: string | null;
  /** Throws `DiskFull` where nothing should be written for want of room. */
  readonly refuseFull: () => void;
  /**
   * Hears what the database is told on a channel, by whichever server of the program, as long as it is
   * open; an empty text says that something may have been missed.
   */
  readonly listen: (channel: string, heard: (payload: string) => void) => Promise<void>;
}

/** A server looks after its own disk, and nothing on a disk needs none. */
const never = (): void => undefined;

/** Migrations lie beside this file in the source and are shipped with the build. */
const migrationsFolder = (): string =>
  path.join(/* turbopackIgnore: true */ process.cwd(), 'src', 'db', 'migrations');

/** The newest schema that this program knows. */
export const schemaVersion = () => knownVersion(migrationsFolder());

/** Any fixed number: starters of one server wait for each other's migration under it. */
const MIGRATION_LOCK = 0x2e57;

async function newestApplied(db: Database): Promise<number> {
  const exists = await db.execute(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as there`,
  );
  const [row] = (exists as unknown as { rows: { there: boolean }[] }).rows;
  if (!row?.there) return 0;
  const newest = await db.execute(
    sql`select coalesce(max(created_at), 0) as newest from drizzle.__drizzle_migrations`,
  );
  return Number((newest as unknown as { rows: { newest: string }[] }).rows[0]?.newest ?? 0);
}

async function openServer(url: string): Promise<DatabaseHandle> {
  const { Pool } = await import('pg');
  const { drizzle } = await import('drizzle-orm/node-postgres');
  const { migrate } = await import('drizzle-orm/node-postgres/migrator');
  const pool = new Pool({
    connectionString: url,
    max: 10,
    // A server that is away, or somebody who holds a lock, is said; nothing hangs for ever.
    connectionTimeoutMillis: 5000,
    statement_timeout: 60_000,
    lock_timeout: 10_000,
    idle_in_transaction_session_timeout: 60_000,
  });
  // A connection that is cut while nobody uses it is opened anew when somebody does.
  pool.on('error', (error) => {
    process.stderr.write(`A connection to the database was cut: ${error.message}\n`);
  });
  const client = await pool.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    const single = drizzle(client, { schema });
    if ((await newestApplied(single)) > knownVersion(migrationsFolder()).when) {
      throw new FolderTooNew('The database');
    }
    await migrate(single, { migrationsFolder: migrationsFolder() });
    await client.query('select pg_advisory_unlock($1)', [MIGRATION_LOCK]);
  } catch (error) {
    client.release(true);
    await pool.end();
    throw error;
  }
  // The one that migrated was opened before there was anything to keep ready.
  client.release(true);
  pool.on('connect', (each) => {
    // Goes before whatever is asked of the connection.
    each.query(prepareWholeJob()).catch((error: Error) => {
      process.stderr.write(`A connection to the database is not ready: ${error.message}\n`);
    });
  });
  const listeners: (() => Promise<void>)[] = [];
  return {
    db: drizzle(pool, { schema }),
    close: async () => {
      for (const end of listeners) await end();
      await pool.end();
    },
    copyTo: null,
    toCheck: null,
    refuseFull: never,
    listen: (channel, heard) => {
      listeners.push(listenToServer({ connectionString: url }, channel, heard));
      return Promise.resolve();
    },
  };
}

async function openEngine(database: string): Promise<DatabaseHandle & { engine: Engine }> {
  const { drizzle } = await import('drizzle-orm/pglite');
  const engine = new Engine(database);
  await engine.open();
  // Whoever asks knows a client by what is asked of it: questions and transactions.
  const db = drizzle(engine as unknown as PGlite, { schema });
  const copyTo: CopyTo = (look, steps) => copyRunning(db, database, look, steps);
  const refuseFull = (): void => refuseFullDisk(database);
  const listen: DatabaseHandle['listen'] = (channel, heard) => engine.listen(channel, heard);
  return { db, close: () => engine.close(), copyTo, toCheck: null, refuseFull, listen, engine };
}

/** A new database that lies on no disk and goes with the process. */
export async function openInMemory(): Promise<DatabaseHandle> {
  const { PGlite } = await import('@electric-sql/pglite');
  const { drizzle } = await import('drizzle-orm/pglite');
  const { migrate } = await import('drizzle-orm/pglite/migrator');
  const client = askInOneMessage(await PGlite.create());
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: migrationsFolder() });
  await client.exec(prepareWholeJob());
  const listen: DatabaseHandle['listen'] = async (channel, heard) => {
    await client.listen(channel, heard);
  };
  return {
    db,
    close: () => client.close(),
    copyTo: null,
    toCheck: null,
    refuseFull: never,
    listen,
  };
}

/** Of a database that was not closed so many bytes are looked at before it answers. */
const CHECKED_AT_ONCE = 300_000_000;

/** The first files of all tables and indexes that the database knows of, with their names. */
async function knownFiles(db: Database): Promise<Map<string, string>> {
  const found = await db.execute(
    sql`select relname as name, pg_relation_filepath(oid) as file from pg_class where pg_relation_filepath(oid) is not null`,
  );
  const { rows } = found as unknown as { rows: { name: string; file: string }[] };
  return new Map(rows.map(({ name, file }) => [file, name]));
}

/** The engine on a folder, or what is damaged in it in words. */
async function engineOn(folder: string, database: string, isNew: boolean) {
  try {
    return await openEngine(database);
  } catch (error) {
    // What is expected has its words; a new folder has no records that could be damaged.
    if (isNew || error instanceof ExpectedError) throw error;
    const damaged = await damageIn(database);
    const why = error instanceof Error ? error.message : String(error);
    const faults = damaged.length > 0 ? damaged : [`its database does not open (${why})`];
    throw new FolderTorn(folder, faults, true);
  }
}

/** Throws where files of a database that answers are missing or damaged; their names otherwise. */
async function soundFiles(
  folder: string,
  database: string,
  db: Database,
  isToCheck: boolean,
): Promise<ReadonlySet<string>> {
  const tables = await knownFiles(db);
  const missing = [...tables].filter(([file]) => !fs.existsSync(path.join(database, file)));
  const faults = [
    ...missing.map(([file, name]) => `pg/${file} (${name}) is missing`),
    ...(isToCheck ? await damageIn(database) : []),
  ];
  if (faults.length > 0) throw new FolderTorn(folder, faults, true);
  return new Set(tables.keys());
}

const GO_ON =
  'Or open it with what can be read: start it once with ZESTY_HOUND_LEAVE_LOG=1, and its log is kept beside it as it is.';

/** Refuses a database that is not whole, or ends its log where it can be read no further if that is wanted; whether it was left open. */
async function lookOver(folder: string, database: string): Promise<boolean> {
  const { faults, isUnclean, isUpTo } = await lookThrough(database);
  if (faults.length === 0) return isUnclean;
  if (!isUpTo) throw new FolderTorn(folder, faults);
  if (process.env.ZESTY_HOUND_LEAVE_LOG !== '1') throw new FolderTorn(folder, faults, false, GO_ON);
  const kept = endLogWhereReadable(folder, database);
  process.stderr.write(`${folder}: ${faults.join(', ')}. It is kept as it was in ${kept}.\n`);
  return isUnclean;
}

/** What was begun in a folder and is newer or torn is refused; whether it is new, and how it was closed. */
async function lookAt(folder: string, database: string) {
  const settled = settleIntents(folder);
  if (settled) process.stderr.write(`${settled}\n`);
  const newest = knownVersion(migrationsFolder());
  const found = folderVersion(folder);
  if (found && found.when > newest.when) throw new FolderTooNew(`The data folder ${folder}`);
  refuseTorn(folder);
  const isNew = !fs.existsSync(database) || fs.readdirSync(database).length === 0;
  if (isNew) beginCreating(folder);
  const isUnclean = isNew ? false : await lookOver(folder, database);
  if (!isNew && found?.when !== newest.when) {
    keepCopy(folder, database, found);
    forgetInventory(database);
  }
  if (!isNew) noteOpening(database);
  return { newest, isNew, isOlder: found?.when !== newest.when, isUnclean };
}

async function openFolder(folder: string): Promise<DatabaseHandle> {
  fs.mkdirSync(folder, { recursive: true });
  const unlock = await lockFolder(folder);
  try {
    const { migrate } = await import('drizzle-orm/pglite/migrator');
    const database = path.join(folder, 'pg');
    const { newest, isNew, isOlder, isUnclean } = await lookAt(folder, database);
    const { engine, ...handle } = await engineOn(folder, database, isNew);
    if ((await newestApplied(handle.db)) > newest.when) {
      await handle.close();
      throw new FolderTooNew(`The data folder ${folder}`);
    }
    await migrate(handle.db as Parameters<typeof migrate>[0], {
      migrationsFolder: migrationsFolder(),
    });
    await engine.prepare(prepareWholeJob());
    if (isOlder) writeFolderVersion(folder, newest);
    if (isNew) endCreating(folder);
    const isLarge = bytesOfTables(database) > CHECKED_AT_ONCE;
    const known = await soundFiles(folder, database, handle.db, isUnclean && !isLarge).catch(
      async (error: unknown) => {
        await handle.close();
        throw error;
      },
    );
    writeInventory(database, known);
    engine.onKept = () => writeInventory(database, known);
    return {
      ...handle,
      toCheck: isUnclean && isLarge ? database : null,
      close: async () => {
        await handle.close();
        writeInventory(database, 'closed');
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw error;
  }
}

/**
 * Opens a database and brings its schema up to date: a PostgreSQL server when `url` is
 * given, else the embedded engine in `folder`. A folder in use, or made by a newer version,
 * is refused in words; an older one is copied before it is migrated.
 */
export function openDatabase(where: {
  readonly url?: string | undefined;
  readonly folder: string;
}): Promise<DatabaseHandle> {
  if (process.env.NEXT_PHASE === 'phase-production-build') {
    throw new Error('The database must not be opened during a build');
  }
  return where.url ? openServer(where.url) : openFolder(path.resolve(where.folder));
}
