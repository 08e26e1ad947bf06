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

/** Closes the database if it was opened. */
export async function closeDatabase(): Promise<void> {
  if (store.zestyHoundDatabase) await (await store.zestyHoundDatabase).close();
}
