import type { CheckChange } from './model';

/** What of the browser\u2019s storage is used: one tab\u2019s own, which outlives a reload. */
export type Store = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

const keyOf = (jobId: string): string => `zh-unsent-${jobId}`;

function read(store: Store, jobId: string): CheckChange[] {
  try {
    const kept: unknown = JSON.parse(store.getItem(keyOf(jobId)) ?? '[]');
    return Array.isArray(kept) ? (kept as CheckChange[]) : [];
  } catch {
    return [];
  }
}

/**
 * Changes on their way to the server, so that a page left in a hurry loses none: kept when
 * they are made, forgotten when they are answered, taken up again by the next page. What
 * cannot be stored is only not taken up.
 */
export function unsentChanges(store: Store, jobId: string) {
  const write = (changes: readonly CheckChange[]): void => {
    try {
      if (changes.length === 0) store.removeItem(keyOf(jobId));
      else store.setItem(keyOf(jobId), JSON.stringify(changes));
    } catch {
      // A full or forbidden store: the change is still on its way.
    }
  };
  return {
    keep: (change: CheckChange): void => write([...read(store, jobId), change]),
    /** Forgets the oldest that equals this one. */
    forget: (change: CheckChange): void => {
      const all = read(store, jobId);
      const at = all.findIndex((each) => JSON.stringify(each) === JSON.stringify(change));
      write(at < 0 ? all : all.toSpliced(at, 1));
    },
    /** Takes what a page before left unsent; nobody else gets it then. */
    take: (): CheckChange[] => {
      const all = read(store, jobId);
      write([]);
      return all;
    },
  };
}
