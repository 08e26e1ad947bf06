import { drizzle } from 'drizzle-orm/pglite';
import { PGlite } from '@electric-sql/pglite';
import { countRecords, newestLine, type Manifest } from './manifest';

/** What a copy has once its log was read into its tables. */
export interface SettledCopy {
  readonly counts: Manifest['counts'];
  /** The newest line of its ledger: what was written last is in it. */
  readonly newest: number;
}

/** Opens a copy of a running database, reads its log into its tables, and closes it. */
export async function settleCopy(database: string): Promise<SettledCopy> {
  const engine = await PGlite.create({
    dataDir: database,
    // A copy is packed with its log: it is to be short.
    startParams: [...PGlite.defaultStartParams, '-c', 'min_wal_size=32MB'],
  });
  try {
    const db = drizzle(engine);
    return { counts: await countRecords(db), newest: await newestLine(db) };
  } finally {
    await engine.close();
  }
}
