import type { PgliteDatabase } from 'drizzle-orm/pglite';
import { sql } from 'drizzle-orm';
import type * as schema from '../schema';

/** What of the engine’s folder is a running engine’s own, and no part of its records: left out. */
export const LEFT_OUT = [
  'postmaster.pid',
  'postmaster.opts',
  'pg_internal.init',
  'inventory.json',
] as const;
/** Folders that a copy has, and that are empty in it at first. */
export const EMPTIED = ['pg_wal', 'pg_replslot', 'pg_stat_tmp', 'pg_dynshmem'] as const;

/** How a copy of a running database is written: the tables while it is written to, then the log. */
export interface CopySteps {
  /** Copies the files of the database but for those named; they may change meanwhile. */
  readonly files: (database: string) => Promise<void>;
  /** Adds parts of the log, which do not change any more, and the label that says where it begins. */
  readonly log: (database: string, parts: readonly string[], label: string) => Promise<void>;
}

type Db = PgliteDatabase<typeof schema>;

async function one<Row>(db: Pick<Db, 'execute'>, query: ReturnType<typeof sql>): Promise<Row> {
  const { rows } = await db.execute(query);
  const [row] = rows;
  if (!row) throw new Error('The database did not answer');
  return row as Row;
}

/** What keeps the log of a copy from being written over; it goes with the engine that made it. */
const SLOT = 'zesty_hound_copy';

/**
 * Copies a running database by the engine’s own means: its files as they are written to, and the
 * log of that time, which makes one moment of them: the one in which `look` was asked. Nobody
 * waits but for the beginning and for that moment.
 */
export async function copyRunning<Found>(
  db: Db,
  database: string,
  look: (tx: Db) => Promise<Found>,
  steps: CopySteps,
): Promise<Found> {
  // What is not in the tables yet is brought there before, in short turns.
  await db.execute(sql`checkpoint`);
  await db.execute(sql`select pg_create_physical_replication_slot(${SLOT}, true, true)`);
  try {
    const { first } = await one<{ first: string }>(
      db,
      sql`select pg_walfile_name(pg_backup_start('copy', true)) as first`,
    );
    let isStopped = false;
    try {
      await steps.files(database);
      const end = await db.transaction(async (tx) => {
        const found = await look(tx as unknown as Db);
        const stop = await one<{ last: string; label: string }>(
          tx,
          sql`select pg_walfile_name(lsn) as last, labelfile as label from pg_backup_stop(false)`,
        );
        return { found, ...stop };
      });
      isStopped = true;
      const { rows } = await db.execute(
        sql`select name from pg_ls_waldir() where name >= ${first} and name <= ${end.last} and length(name) = 24 order by name`,
      );
      const parts = (rows as { name: string }[]).map(({ name }) => name);
      await steps.log(database, parts, end.label);
      return end.found;
    } finally {
      if (!isStopped) await db.execute(sql`select pg_backup_stop(false)`).catch(() => undefined);
    }
  } finally {
    await db.execute(sql`select pg_drop_replication_slot(${SLOT})`).catch(() => undefined);
  }
}
