import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { DoneLog, DoneWrite } from './types';

/** What was done, and when; without the write where it is not laid over a page. */
interface Entry {
  readonly write: DoneWrite | null;
  readonly doneAt: number;
}

interface Schema extends DBSchema {
  done: { key: number; value: Entry; indexes: { at: string } };
}

const NAME = 'zesty-hound-done';
/** A page that was held longer ago than this is not shown any more. */
const KEPT_MS = 2 * 24 * 3600 * 1000;
/** Pictures are not laid over what a page shows. */
const LONGEST = 200_000;

const isShort = ({ input }: DoneWrite): boolean => (JSON.stringify(input)?.length ?? 0) <= LONGEST;

const entryOf = (write: DoneWrite, isHolding: boolean): Entry => ({
  write: isHolding && isShort(write) ? write : null,
  doneAt: Date.now(),
});

let opened: Promise<IDBPDatabase<Schema>> | null = null;
const database = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>(NAME, 1, {
    upgrade: (db) => {
      db.createObjectStore('done', { autoIncrement: true }).createIndex('at', 'doneAt');
    },
  }));

/** The log of this browser, for all of its tabs; what was written is in it only where pages are held. */
export const deviceLog = (isHolding: () => boolean): DoneLog => ({
  add: async (writes) => {
    const tx = (await database()).transaction('done', 'readwrite');
    for (const write of writes) await tx.store.add(entryOf(write, isHolding()));
    const old = IDBKeyRange.upperBound(Date.now() - KEPT_MS);
    for await (const cursor of tx.store.index('at').iterate(old)) await cursor.delete();
    await tx.done;
  },
  isSince: async (moment) =>
    (await (await database()).countFromIndex('done', 'at', IDBKeyRange.lowerBound(moment))) > 0,
  since: async (moment) => {
    const found = await (
      await database()
    ).getAllFromIndex('done', 'at', IDBKeyRange.lowerBound(moment));
    return found.flatMap(({ write }) => write ?? []);
  },
});

/** Throws the log of this browser away: what somebody wrote is not left for who comes next. */
export async function forgetDone(): Promise<void> {
  if (typeof indexedDB !== 'undefined') await (await database()).clear('done');
}

/** A log that lasts as long as the page, where the browser keeps none. */
export function pageLog(): DoneLog {
  let log: readonly Entry[] = [];
  const since = (moment: number): readonly Entry[] => log.filter(({ doneAt }) => doneAt >= moment);
  return {
    add: (writes) => {
      log = [...log, ...writes.map((write) => entryOf(write, true))];
      return Promise.resolve();
    },
    isSince: (moment) => Promise.resolve(since(moment).length > 0),
    since: (moment) => Promise.resolve(since(moment).flatMap(({ write }) => write ?? [])),
  };
}
