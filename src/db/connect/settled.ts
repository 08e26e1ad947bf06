import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { PGlite } from '@electric-sql/pglite';

/** Opens a copy of a running database, reads its log into its tables, asks it something, and closes it. */
export async function withSettled<Found>(
  database: string,
  ask: (db: PgliteDatabase) => Promise<Found>,
): Promise<Found> {
  const engine = await PGlite.create({
    dataDir: database,
    // A copy is packed with its log: it is to be short.
    startParams: [...PGlite.defaultStartParams, '-c', 'min_wal_size=32MB'],
  });
  try {
    return await ask(drizzle(engine));
  } finally {
    await engine.close();
  }
}
