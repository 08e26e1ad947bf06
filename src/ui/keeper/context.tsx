'use client';

import { usePathname } from 'next/navigation';
import { useEffect, useMemo, useRef, useSyncExternalStore, type ReactNode } from 'react';
import { browserKeeper } from './browser';
import { NOTHING_KEPT, type Keeper, type KeeperState } from './Keeper';
import { setWriter } from './keepWrite';
import type { KeptWrite } from './types';
import { useRefresh } from './useRefresh';

const never = (): (() => void) => () => undefined;
const nothing = (): KeeperState => NOTHING_KEPT;

/** A burst of answers is followed by one reload of what the page shows. */
const REFRESH_AFTER_MS = 60;

/** Whether a page shows something that a write changes: the job’s own pages, or any for one of the shop. */
const isShown = ({ jobId }: KeptWrite, path: string): boolean =>
  jobId === null || path.startsWith(`/jobs/${jobId}`) || !path.startsWith('/jobs/');

/** Loads what the page shows anew when something that it shows was written, here or in another tab. */
function useRefreshAfterWrites(keeper: Keeper | null): void {
  const { refresh } = useRefresh();
  const path = usePathname();
  const isStale = useRef(false);
  useEffect(() => {
    if (!keeper) return;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const stop = keeper.whenSettled((write, how, isOwn) => {
      if (how.state !== 'done') return;
      // The page shows it; others, which the browser may have kept, do not.
      if (isOwn && write.refresh === 'later') isStale.current = true;
      if (isOwn && write.refresh !== undefined) return;
      if (!isShown(write, window.location.pathname)) return;
      if (timer) clearTimeout(timer);
      timer = setTimeout(refresh, REFRESH_AFTER_MS);
    });
    return () => {
      if (timer) clearTimeout(timer);
      stop();
    };
  }, [keeper, refresh]);
  useEffect(() => {
    if (!isStale.current) return;
    isStale.current = false;
    refresh();
  }, [path, refresh]);
}

/** Asks before the window is closed or another site is opened while something is not on the server. */
function useAskBeforeLeaving(keeper: Keeper | null): void {
  useEffect(() => {
    if (!keeper) return;
    const ask = (event: BeforeUnloadEvent): void => {
      if (keeper.current().writes.length > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [keeper]);
}

/** What every page stands in: what is typed or pressed goes through its keeper. */
export function KeeperProvider({
  who,
  children,
}: {
  readonly who: string | null;
  readonly children: ReactNode;
}) {
  const keeper = useKeeper();
  useRefreshAfterWrites(keeper);
  useAskBeforeLeaving(keeper);
  useEffect(() => setWriter(who), [who]);
  useEffect(() => {
    // Before this nothing that is pressed would be kept.
    document.documentElement.dataset.alive = '';
  }, []);
  return children;
}

/** The keeper of this page; null while the server renders it. */
export const useKeeper = (): Keeper | null =>
  useMemo(() => (typeof window === 'undefined' ? null : browserKeeper()), []);

/** Everything that is not on the server yet. */
export function useKeeperState(): KeeperState {
  const keeper = useKeeper();
  return useSyncExternalStore(keeper?.subscribe ?? never, keeper?.current ?? nothing, nothing);
}
