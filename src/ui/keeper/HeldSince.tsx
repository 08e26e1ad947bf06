'use client';

import { format, isToday } from 'date-fns';
import { useSyncExternalStore } from 'react';

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
    <p className="zh-card mb-3 zh-no-print" role="status">
      Without the server. What stands here is of{' '}
      {format(moment, isToday(moment) ? 'HH:mm' : 'd MMM, HH:mm')}; what is typed waits on this
      screen.
    </p>
  );
}
