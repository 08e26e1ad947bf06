import type { KeptWrite } from './types';

/** A write on its way to the device’s store: it has no number yet. */
export type GoingWrite = Omit<KeptWrite, 'number'>;

/**
 * What is on its way to the device’s store, written down at once: the store answers some moments
 * later, and a page that is gone by then would take it along.
 */
export interface Going {
  /** Writes it down before anything else is done; answers with what ends that once it is stored. */
  readonly begin: (write: GoingWrite) => () => void;
  /** Hands over what pages that are gone had on its way, each page once it is gone. */
  readonly recover: (take: (writes: readonly GoingWrite[]) => Promise<void>) => void;
}

const PREFIX = 'zesty-hound going ';
/** Pictures are larger than what is written down at once may be. */
const LONGEST = 200_000;

const lockOf = (tab: string): string => `zesty-hound page ${tab}`;

/** Runs something once a page is gone; where the browser has no locks, at once. */
const onceGone = (tab: string, run: () => Promise<void>): Promise<void> =>
  'locks' in navigator ? navigator.locks.request(lockOf(tab), run) : run();

function readEntry(key: string): GoingWrite | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as GoingWrite | null;
  } catch {
    return null;
  }
}

const keysOf = (tab: string): string[] =>
  Object.keys(localStorage)
    .filter((key) => key.startsWith(`${PREFIX}${tab} `))
    .sort();

/** Takes over what one page left, in order; what is taken over is written down no more. */
async function takeOver(
  tab: string,
  take: (writes: readonly GoingWrite[]) => Promise<void>,
): Promise<void> {
  const keys = keysOf(tab);
  const writes = keys.flatMap((key) => readEntry(key) ?? []);
  if (writes.length > 0) await take(writes);
  for (const key of keys) localStorage.removeItem(key);
}

/** The storage of the browser that answers at once; all of its pages share it. */
export function browserGoing(): Going {
  const tab = crypto.randomUUID();
  let count = 0;
  // Held as long as the page lives: another page takes over what it leaves, not what it is at.
  if ('locks' in navigator) {
    void navigator.locks.request(lockOf(tab), () => new Promise(() => undefined));
  }
  return {
    begin: (write) => {
      count += 1;
      const key = `${PREFIX}${tab} ${String(count).padStart(9, '0')}`;
      const text = JSON.stringify(write);
      if (text.length > LONGEST) return () => undefined;
      try {
        localStorage.setItem(key, text);
      } catch {
        // Full or forbidden: the store itself is on its way.
      }
      return () => localStorage.removeItem(key);
    },
    recover: (take) => {
      const tabs = new Set(
        Object.keys(localStorage).flatMap((key) =>
          key.startsWith(PREFIX) ? [key.slice(PREFIX.length).split(' ')[0] ?? ''] : [],
        ),
      );
      tabs.delete(tab);
      for (const other of tabs) void onceGone(other, () => takeOver(other, take));
    },
  };
}
