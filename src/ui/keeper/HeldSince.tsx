'use client';

import { useSyncExternalStore } from 'react';
import { sayTime } from '../sayTime';

let since: number | null = null;
const listeners = new Set<() => void>();

/** Says of when the page that is open is, where this screen held it; null once the server rendered it anew. */
export function setHeldSince(moment: number | null): void {
  since = moment;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** How old what this page shows is, where it is one that the screen held. */
export function HeldSince() {
  const moment = useSyncExternalStore(
    subscribe,
    () => since,
    () => null,
  );
  if (moment === null) return null;
  return (
    // On paper as well: whoever reads it there is to know.
    <p className="zh-card mb-3" role="status">
      Without the server. What stands here is of {sayTime(moment)}: what other screens found since
      is not in it. What is typed waits on this screen.
    </p>
  );
}
