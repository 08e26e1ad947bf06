import 'server-only';
import { AsyncLocalStorage } from 'node:async_hooks';
import { ExpectedError } from '../core/expected';
import { FolderInUse, lockFolder } from '../db/connect/folderLock';
import { openDatabase, type Database, type DatabaseHandle } from '../db/client';
import type { Answer } from './answer';
import { environment } from './environment';
import { currentStore, type Store } from './store';

/** One handle a process and store, kept through reloads of this module in development. */
const kept = globalThis as typeof globalThis & {
  zestyHoundDatabases?: Map<Store, Promise<DatabaseHandle>>;
  zestyHoundTransaction?: AsyncLocalStorage<UnderWay>;
  zestyHoundHearers?: Set<Hearer>;
  /** The handles on which is listened. */
  zestyHoundHeard?: WeakSet<DatabaseHandle>;
};
const handles = (kept.zestyHoundDatabases ??= new Map());
const heard = (kept.zestyHoundHeard ??= new WeakSet());

/**
 * What the database is told, by whichever server of the program: `zh_written` with the job and the
 * browser that wrote, `zh_here` with who is where. Nothing where some of it may have been missed.
 */
export type Channel = (typeof CHANNELS)[number];
const CHANNELS = ['zh_written', 'zh_here'] as const;
type Hearer = (channel: Channel, payload: string) => void;
const hearers = (kept.zestyHoundHearers ??= new Set<Hearer>());

/** The transaction that is under way: whatever is asked meanwhile is asked in it. */
interface UnderWay {
  readonly tx: Database;
  /** The records that it is of: those of another are asked beside it. */
  readonly of: Store;
  /** Use cases in it are parts of one whole: what one of them refuses undoes all of it. */
  readonly isWhole: boolean;
  /** Whether one of its parts refused. */
  hasRefused: boolean;
}
const underWay = (kept.zestyHoundTransaction ??= new AsyncLocalStorage<UnderWay>());

/** Opens the database once; a failed opening may be tried again. */
export function databaseHandle(): Promise<DatabaseHandle> {
  const which = currentStore();
  const open = handles.get(which);
  if (open) return open;
  return keepHandle(which, openDatabase(environment()).then(hear));
}

/** Keeps the handle that is being opened on a store; a failed opening may be tried again. */
function keepHandle(which: Store, opening: Promise<DatabaseHandle>): Promise<DatabaseHandle> {
  const handle = opening.catch((error: unknown) => {
    if (handles.get(which) === handle) handles.delete(which);
    throw error;
  });
  handles.set(which, handle);
  return handle;
}

/** Listens on an open database, where somebody wants to hear of it, once; the next one tries again where it fails. */
async function hear(handle: DatabaseHandle): Promise<DatabaseHandle> {
  if (hearers.size === 0 || heard.has(handle)) return handle;
  heard.add(handle);
  try {
    for (const channel of CHANNELS) {
      await handle.listen(channel, (payload) => {
        for (const hearer of hearers) hearer(channel, payload);
      });
    }
  } catch (error) {
    // Screens that hear nothing ask by themselves; records that are open stay so.
    heard.delete(handle);
    process.stderr.write(`The database is not listened to: ${String(error)}\n`);
  }
  return handle;
}

/** Hears of every write and of who is where, by this server or another on the same database; answers what ends it. */
export async function onNews(hearer: Hearer): Promise<() => void> {
  hearers.add(hearer);
  await hear(await databaseHandle());
  return () => hearers.delete(hearer);
}

/** The transaction that is under way in the records that are asked just now. */
const ownTransaction = (): UnderWay | undefined => {
  const own = underWay.getStore();
  return own?.of === currentStore() ? own : undefined;
};

/** The database, or the transaction that is under way. */
export const database = async (): Promise<Database> =>
  ownTransaction()?.tx ?? (await databaseHandle()).db;

/** What a use case refused after it had begun to write: everything of it is undone. */
class Undone extends ExpectedError {
  constructor(readonly answer: Answer<never>) {
    super(answer.ok ? 'undone' : answer.message);
  }
}

/** What PostgreSQL answers where two transactions were in each other’s way: one is tried again. */
const IN_THE_WAY = ['40001', '40P01'];
const TRIES = 4;

const codeOf = (error: unknown): unknown =>
  error instanceof Error && error.cause instanceof Error && 'code' in error.cause
    ? error.cause.code
    : error instanceof Error && 'code' in error
      ? error.code
      : undefined;

/** A part refused, and what asked it went on: it has to be undone by itself. */
class PartRefused extends Error {}

/** A use case as a part of the one that is under way, which is undone with it. */
async function asItsPart<Value>(
  whole: UnderWay,
  useCase: (tx: Database) => Promise<Answer<Value>>,
): Promise<Answer<Value>> {
  const answer = await useCase(whole.tx);
  if (!answer.ok) whole.hasRefused = true;
  return answer;
}

/** A use case as one transaction, or undone by itself within another. */
const asOne = <Value>(
  db: Database,
  useCase: (tx: Database) => Promise<Answer<Value>>,
  isWhole: boolean,
): Promise<Answer<Value>> =>
  db.transaction((tx) => {
    const own: UnderWay = { tx, of: currentStore(), isWhole, hasRefused: false };
    return underWay.run(own, async () => {
      const answer = await useCase(tx);
      if (!answer.ok) throw new Undone(answer);
      if (own.hasRefused) throw new PartRefused('A part of it was refused.');
      return answer;
    });
  });

/**
 * One use case as one transaction: everything that it writes, or nothing where it refuses or
 * fails. Inside another it is a part of that one, undone by itself where it refuses. What two
 * writers in each other’s way break off is begun again.
 *
 * `isWhole` says that what a part refuses is what the whole answers: then no part needs to be undone by itself, which
 * costs two questions each. Where it went on after all it is begun again with parts that can be.
 */
export async function inTransaction<Value>(
  useCase: (tx: Database) => Promise<Answer<Value>>,
  { isWhole = false } = {},
): Promise<Answer<Value>> {
  const outer = ownTransaction();
  if (outer?.isWhole) return asItsPart(outer, useCase);
  if (!outer) (await databaseHandle()).refuseFull();
  const db = outer?.tx ?? (await databaseHandle()).db;
  let hasParts = !isWhole;
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await asOne(db, useCase, !hasParts);
    } catch (error) {
      if (error instanceof Undone) return error.answer;
      if (error instanceof PartRefused) {
        hasParts = true;
        continue;
      }
      const isWorthATry = !outer && attempt < TRIES && IN_THE_WAY.includes(String(codeOf(error)));
      if (!isWorthATry) throw error;
    }
  }
}

/**
 * Closes the database, does something with its folder, and opens it again: whoever asks for it
 * meanwhile waits. It is opened again even where that fails, which is then thrown.
 */
export async function exchangeDatabase(exchange: () => void): Promise<void> {
  // Records that do not open are exchanged as well: what takes their place is what mends them.
  const old = await databaseHandle().catch((error: unknown) => {
    if (error instanceof FolderInUse) throw error;
    return null;
  });
  let failed: unknown;
  const exchanged = (async () => {
    await old?.close();
    const unlock = await lockFolder(environment().folder);
    try {
      exchange();
    } catch (error) {
      failed = error;
    } finally {
      unlock();
    }
    return hear(await openDatabase(environment()));
  })();
  await keepHandle(currentStore(), exchanged);
  if (failed !== undefined) throw failed instanceof Error ? failed : new Error(String(failed));
}

/** Closes what was opened, the records of practice among it; whoever asks for them later opens them anew. */
export async function closeDatabase(): Promise<void> {
  const open = [...handles.values()];
  handles.clear();
  for (const handle of open) await (await handle).close();
}
