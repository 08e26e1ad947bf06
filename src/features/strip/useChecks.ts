'use client';

import { useEffect, useOptimistic, useRef, useState, useTransition } from 'react';
import { checkAction } from './actions';
import { checkAt, keyOf, withChange, type CheckChange, type CheckView } from './model';
import { unsentChanges } from './unsent';

/** A write that met what another screen wrote meanwhile. */
export interface Conflict {
  readonly mine: CheckChange;
  /** What stands there now; null where the other took it back. */
  readonly theirs: CheckView | null;
}

export interface Checks {
  readonly checks: readonly CheckView[];
  readonly write: (change: CheckChange) => void;
  readonly conflict: Conflict | null;
  /** Settles a conflict: writes mine over theirs, or leaves theirs. */
  readonly settle: (isMine: boolean) => void;
  readonly trouble: string | null;
  /** True until the server has answered to everything that was written. */
  readonly isKeeping: boolean;
}

/** Milliseconds in which a page that is left is gone. */
const LEAVING = 400;

/**
 * The checks of a job as this screen shows and writes them. What is written shows at once;
 * writes go one after the other, each with the stamp that was on the screen, so that what
 * another screen wrote meanwhile is never written over unseen. What a page that was left in
 * a hurry did not get answered is sent by the next one.
 */
export function useChecks(jobId: string, stored: readonly CheckView[]): Checks {
  const [shown, show] = useOptimistic(stored, withChange);
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isKeeping, begin] = useTransition();
  const latest = useRef(stored);
  const sent = useRef(new Map<string, string | null>());
  const queue = useRef(Promise.resolve());
  const unsent = useRef<ReturnType<typeof unsentChanges>>(null);
  const isLeaving = useRef(false);
  useEffect(() => {
    latest.current = stored;
    sent.current.clear();
  }, [stored]);

  const send = async (change: CheckChange, over?: string | null): Promise<void> => {
    const key = keyOf(change);
    const own = sent.current.get(key);
    // What was answered in the nose before stands without a stamp: it is no row of its own.
    const onScreen = own === undefined ? checkAt(latest.current, change)?.stamp || null : own;
    try {
      const seen = over === undefined ? onScreen : over;
      const answer = await checkAction({ jobId, ...change, seen });
      unsent.current?.forget(change);
      setTrouble(answer.ok ? null : answer.message);
      if (!answer.ok) return;
      if (answer.value.kept) sent.current.set(key, answer.value.stamp);
      else setConflict({ mine: change, theirs: answer.value.theirs });
    } catch {
      // A page that is being left breaks off its requests first and is told later: wait for it.
      await new Promise((resolve) => setTimeout(resolve, LEAVING));
      // Said and pressed again by hand, unless the page is just being left.
      if (!isLeaving.current) unsent.current?.forget(change);
      setTrouble('The server did not answer. What you pressed last was not kept; press it again.');
    }
  };

  const write = (change: CheckChange, over?: string | null): void => {
    unsent.current?.keep(change);
    begin(async () => {
      show(change);
      queue.current = queue.current.then(() => send(change, over));
      await queue.current;
    });
  };
  useEffect(() => {
    unsent.current = unsentChanges(window.sessionStorage, jobId);
    for (const change of unsent.current.take()) write(change);
    const leave = (): void => {
      isLeaving.current = true;
    };
    window.addEventListener('pagehide', leave);
    return () => window.removeEventListener('pagehide', leave);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the page opens
  }, []);

  return {
    checks: shown,
    write: (change) => write(change),
    conflict,
    settle: (isMine) => {
      setConflict(null);
      if (isMine && conflict) write(conflict.mine, conflict.theirs?.stamp ?? null);
    },
    trouble,
    isKeeping,
  };
}
