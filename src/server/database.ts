import 'server-only';
import { openDatabase, type Database, type DatabaseHandle } from '../db/client';
import { environment } from './environment';

/** One handle a process, kept through reloads of this module in development. */
const store = globalThis as typeof globalThis & { zestyHoundDatabase?: Promise<DatabaseHandle> };

/** Opens the database once; a failed opening may be tried again. */
export function databaseHandle(): Promise<DatabaseHandle> {
  store.zestyHoundDatabase ??= openDatabase(environment()).catch((error: unknown) => {
    store.zestyHoundDatabase = undefined;
    throw error;
  });
  return store.zestyHoundDatabase;
}

export const database = async (): Promise<Database> => (await databaseHandle()).db;

/**
 * Closes the database, does something with its folder, and opens it again: whoever asks for it
 * meanwhile waits. It is opened again even where that fails, which is then thrown.
 */
export async function exchangeDatabase(exchange: () => void): Promise<void> {
  const old = await databaseHandle();
  let failed: unknown;
  store.zestyHoundDatabase = (async () => {
    await old.close();
    try {
      exchange();
    } catch (error) {
      failed = error;
    }
    return openDatabase(environment());
  })().catch((error: unknown) => {
    store.zestyHoundDatabase = undefined;
    throw error;
  });
  await store.zestyHoundDatabase;
  if (failed !== undefined) throw failed instanceof Error ? failed : new Error(String(failed));
}

/** Closes the database if it was opened; whoever asks for it later opens it anew. */
export async function closeDatabase(): Promise<void> {
  const open = store.zestyHoundDatabase;
  store.zestyHoundDatabase = undefined;
  if (open) await (await open).close();
}
