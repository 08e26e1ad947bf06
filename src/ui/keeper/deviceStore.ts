import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Going, GoingWrite } from './going';
import type { KeptWrite, WriteStore } from './types';

interface Schema extends DBSchema {
  writes: { key: number; value: KeptWrite };
  device: { key: string; value: string };
}

/** Where nothing can be written down at once. */
const NOTHING_GOING: Going = { begin: () => () => undefined, recover: () => undefined };

const NAME = 'zesty-hound';

const open = (): Promise<IDBPDatabase<Schema>> =>
  openDB<Schema>(NAME, 1, {
    upgrade: (db) => {
      db.createObjectStore('writes', { keyPath: 'number', autoIncrement: true });
      db.createObjectStore('device');
    },
  });

/**
 * The store of this browser: it outlives a reload, a crash and a closed lid, and all tabs share it.
 * What a page had on its way to it when it ended is taken over by the next; `onFound` is told so.
 */
export function deviceStore(
  going: Going = NOTHING_GOING,
  onFound = (): void => undefined,
): WriteStore {
  let opened: Promise<IDBPDatabase<Schema>> | null = null;
  const database = (): Promise<IDBPDatabase<Schema>> => (opened ??= open());
  /** What a page that is gone had on its way: once each, unless a later one of its place is there. */
  const takeOver = async (writes: readonly GoingWrite[]): Promise<void> => {
    const tx = (await database()).transaction('writes', 'readwrite', { durability: 'strict' });
    for (const write of writes) {
      const kept = await tx.store.getAll();
      if (kept.some(({ id }) => id === write.id)) continue;
      const ofPlace = kept.filter(({ place }) => place === write.place);
      if (ofPlace.some(({ at }) => at > write.at)) continue;
      for (const { number, status } of ofPlace) {
        if (status.state !== 'waiting') await tx.store.delete(number);
      }
      await tx.store.add(write as KeptWrite);
    }
    await tx.done;
    onFound();
  };
  going.recover(takeOver);
  return {
    device: async () => {
      const tx = (await database()).transaction('device', 'readwrite');
      const known = await tx.store.get('id');
      const id = known ?? crypto.randomUUID();
      if (!known) await tx.store.put(id, 'id');
      await tx.done;
      return id;
    },
    all: async () => (await database()).getAll('writes'),
    add: async (write, instead) => {
      const stored = going.begin(write);
      const tx = (await database()).transaction('writes', 'readwrite', { durability: 'strict' });
      const dropped = (await tx.store.getAll()).filter(instead);
      for (const { number } of dropped) await tx.store.delete(number);
      // The store gives the number: it rises with every write of this device.
      const number = await tx.store.add(write as KeptWrite);
      await tx.done;
      stored();
      return { write: { ...write, number }, dropped };
    },
    change: async (write) => {
      const tx = (await database()).transaction('writes', 'readwrite');
      // One that was settled or dropped meanwhile is not brought back.
      if (await tx.store.get(write.number)) await tx.store.put(write);
      await tx.done;
    },
    remove: async (numbers) => {
      if (numbers.length === 0) return;
      const tx = (await database()).transaction('writes', 'readwrite');
      for (const number of numbers) await tx.store.delete(number);
      await tx.done;
    },
  };
}

/** A store that lasts as long as the page, where the browser keeps none. */
export function pageStore(): WriteStore {
  const device = crypto.randomUUID();
  let last = 0;
  let writes: KeptWrite[] = [];
  return {
    device: () => Promise.resolve(device),
    all: () => Promise.resolve(writes),
    add: (write, instead) => {
      const dropped = writes.filter(instead);
      last += 1;
      const own = { ...write, number: last };
      writes = [...writes.filter((each) => !dropped.includes(each)), own];
      return Promise.resolve({ write: own, dropped });
    },
    change: (write) => {
      writes = writes.map((each) => (each.number === write.number ? write : each));
      return Promise.resolve();
    },
    remove: (numbers) => {
      writes = writes.filter(({ number }) => !numbers.includes(number));
      return Promise.resolve();
    },
  };
}
