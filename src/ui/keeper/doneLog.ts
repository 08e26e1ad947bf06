import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { DoneLog, DoneWrite } from './types';

interface Schema extends DBSchema {
  done: { key: number; value: DoneWrite & { readonly doneAt: number }; indexes: { at: number } };
}

const NAME = 'zesty-hound-done';
/** A page that was held longer ago than this is not shown any more. */
const KEPT_MS = 2 * 24 * 3600 * 1000;
/** Pictures are not laid over what a page shows. */
const LONGEST = 200_000;

const open = (): Promise<IDBPDatabase<Schema>> =>
  openDB<Schema>(NAME, 1, {
    upgrade: (db) => {
      db.createObjectStore('done', { autoIncrement: true }).createIndex('at', 'doneAt');
    },
  });

const isShort = ({ input }: DoneWrite): boolean => (JSON.stringify(input)?.length ?? 0) <= LONGEST;

/** The log of this browser, for all of its tabs. */
export function deviceLog(): DoneLog {
  let opened: Promise<IDBPDatabase<Schema>> | null = null;
  const database = (): Promise<IDBPDatabase<Schema>> => (opened ??= open());
  return {
    add: async (writes) => {
      const doneAt = Date.now();
      const tx = (await database()).transaction('done', 'readwrite');
      for (const write of writes.filter(isShort)) await tx.store.add({ ...write, doneAt });
      const old = IDBKeyRange.upperBound(doneAt - KEPT_MS);
      for await (const cursor of tx.store.index('at').iterate(old)) await cursor.delete();
      await tx.done;
    },
    since: async (moment) =>
      (await database()).getAllFromIndex('done', 'at', IDBKeyRange.lowerBound(moment)),
  };
}

/** A log that lasts as long as the page, where the browser keeps none. */
export function pageLog(): DoneLog {
  let log: { readonly write: DoneWrite; readonly doneAt: number }[] = [];
  return {
    add: (writes) => {
      log = [...log, ...writes.map((write) => ({ write, doneAt: Date.now() }))];
      return Promise.resolve();
    },
    since: (moment) =>
      Promise.resolve(log.filter(({ doneAt }) => doneAt >= moment).map(({ write }) => write)),
  };
}
