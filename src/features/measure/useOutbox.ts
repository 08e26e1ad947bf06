'use client';

import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { ReadingOutbox, sendToServer, type OutboxStatus, type OutgoingReading } from './outbox';

const NOTHING_TO_SAVE: OutboxStatus = { state: 'saved' };
const neverChanges = (): (() => void) => () => undefined;
const nothing = (): OutboxStatus => NOTHING_TO_SAVE;

/** The outbox of one set, its status, and what a former visit left in it. */
export function useOutbox(
  setId: string | null,
  restore: (readings: readonly OutgoingReading[]) => void,
): { status: OutboxStatus; put: (reading: OutgoingReading) => void } {
  const outbox = useMemo(
    () =>
      setId && typeof window !== 'undefined'
        ? new ReadingOutbox(setId, window.localStorage, sendToServer)
        : null,
    [setId],
  );
  const status = useSyncExternalStore(
    outbox?.subscribe ?? neverChanges,
    outbox?.status ?? nothing,
    nothing,
  );
  useEffect(() => {
    if (outbox && outbox.waiting.length > 0) restore(outbox.waiting);
    // What a former visit left is restored once, when the set's outbox opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `restore` is new on every render
  }, [outbox]);
  return { status, put: (reading) => outbox?.put(reading) };
}
