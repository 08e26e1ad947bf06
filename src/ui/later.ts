import { useEffect, useSyncExternalStore } from 'react';

const AGAIN_MS = 2000;

/**
 * A part of the program that a page does without at first: the hook answers null until it is here. It is asked for as
 * soon as the page is alive, so that it is here when it is wanted, also where the server is gone by then, and again
 * where the network lost it.
 */
export function later<Part>(load: () => Promise<Part>): () => Part | null {
  let here: Part | null = null;
  let asked: Promise<void> | null = null;
  const listeners = new Set<() => void>();

  const watch = (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  const ask = (): Promise<void> =>
    (asked ??= load()
      .then((part) => {
        here = part;
        for (const listener of listeners) listener();
      })
      .finally(() => (asked = null)));

  return function useLater() {
    const part = useSyncExternalStore(
      watch,
      () => here,
      () => null,
    );
    const isWanted = part === null;
    useEffect(() => {
      if (!isWanted) return;
      let timer: ReturnType<typeof setTimeout> | undefined;
      let isGone = false;
      const tryIt = (): void => {
        ask().catch(() => {
          if (!isGone) timer = setTimeout(tryIt, AGAIN_MS);
        });
      };
      tryIt();
      return () => {
        isGone = true;
        clearTimeout(timer);
      };
    }, [isWanted]);
    return part;
  };
}
