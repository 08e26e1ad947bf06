'use client';

import { usePathname } from 'next/navigation';
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { isHeldElsewhere, renderedAt } from '../offline';
import { browserKeeper } from './browser';
import { replayEarly } from './early';
import { NOTHING_KEPT, type Keeper, type KeeperState } from './Keeper';
import { setHeldSince } from './HeldSince';
import { isMovingOn, moveOn } from './leave';
import { setWriter } from './keepWrite';
import { patientFetch } from './patientFetch';
import type { DoneWrite, KeptWrite } from './types';
import type { Reloads } from './Reloads';
import { ReloadsContext, useRefreshBy, useReloads } from './useRefresh';
import keeping from './keeping.module.css';

const never = (): (() => void) => () => undefined;
const nothing = (): KeeperState => NOTHING_KEPT;

/** A burst of answers is followed by one reload of what the page shows. */
const REFRESH_AFTER_MS = 60;
/** A page that came so long before it was opened was held by this screen. */
const HELD_BEFORE_MS = 1000;
/** A server that was not there for it is asked again. */
const AGAIN_AFTER_MS = 2000;

/** Whether a page shows something that a write changes: the job’s own pages, or any for one of the shop. */
const isShown = ({ jobId }: KeptWrite, path: string): boolean =>
  jobId === null || path.startsWith(`/jobs/${jobId}`) || !path.startsWith('/jobs/');

const isOnItsPage = ({ href }: KeptWrite): boolean =>
  new URL(href, window.location.href).pathname === window.location.pathname;

/**
 * Loads what the page shows anew when something that it shows was written, here or in another
 * tab, and again until the server was there for it. Until then what was written is laid over
 * what the page was rendered from (`lately`).
 */
function useRefreshAfterWrites(keeper: Keeper | null, reloads: Reloads): void {
  const { refresh, isLoading } = useRefreshBy(reloads);
  const path = usePathname();
  const isWanted = useRef(false);
  const shown = useRef<readonly DoneWrite[]>([]);
  const load = useCallback(() => {
    isWanted.current = true;
    refresh(() => {
      isWanted.current = false;
      shown.current = keeper?.current().lately ?? [];
    });
  }, [keeper, refresh]);
  useEffect(() => {
    if (!keeper) return;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const stop = keeper.whenSettled((write, how, isOwn) => {
      // What another screen wrote is shown as soon as it is known to stand there.
      if (how.state !== 'done' && how.state !== 'conflict') return;
      // The page that it was written on sees to it itself.
      if (isOwn && write.refresh !== undefined && isOnItsPage(write)) return;
      if (!isShown(write, window.location.pathname)) return;
      if (timer) clearTimeout(timer);
      timer = setTimeout(load, REFRESH_AFTER_MS);
    });
    return () => {
      if (timer) clearTimeout(timer);
      stop();
    };
  }, [keeper, load]);
  useEffect(() => {
    if (isLoading) return;
    keeper?.isShown(shown.current);
    shown.current = [];
    if (!isWanted.current) return setHeldSince(null);
    const again = setTimeout(load, AGAIN_AFTER_MS);
    return () => clearTimeout(again);
  }, [keeper, isLoading, load]);
  useEffect(() => {
    const look = async (): Promise<void> => {
      const asked = Math.floor(performance.timeOrigin);
      const rendered = await renderedAt();
      const isHeld = rendered < asked - HELD_BEFORE_MS;
      if (isHeld) {
        setHeldSince(rendered);
        await keeper?.recall(rendered);
      }
      // What was done while this page was on its way to the browser.
      if (isHeld || (await keeper?.isDoneSince(rendered))) load();
    };
    void look();
  }, [keeper, load]);
  useEffect(() => {
    // The browser may have kept this page from before.
    if (keeper && keeper.current().lately.length > 0) load();
  }, [keeper, path, load]);
}

/** Asks before the window is closed or another site is opened while something is not on the server. */
function useAskBeforeLeaving(keeper: Keeper | null): void {
  useEffect(() => {
    if (!keeper) return;
    const ask = (event: BeforeUnloadEvent): void => {
      if (!isMovingOn() && keeper.current().writes.length > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [keeper]);
}

/** Opens a page that this screen holds; false where it holds none. */
async function openHeld(href: string): Promise<boolean> {
  if (!(await isHeldElsewhere(href))) return false;
  const address = new URL(href, window.location.href);
  address.searchParams.delete('_rsc');
  moveOn(address);
  return true;
}

/** Makes the router wait for the server; whether it does so just now. */
function usePatience(): boolean {
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production') return;
    const plain = window.fetch;
    const onWait = (isWaiting: boolean): void =>
      setWaiting((count) => count + (isWaiting ? 1 : -1));
    window.fetch = patientFetch(plain.bind(window), onWait, openHeld);
    return () => void (window.fetch = plain);
  }, []);
  return waiting > 0;
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
  const reloads = useReloads();
  useRefreshAfterWrites(keeper, reloads);
  useAskBeforeLeaving(keeper);
  useEffect(() => setWriter(who), [who]);
  const waits = usePatience();
  useEffect(() => {
    document.documentElement.dataset.alive = '';
    void replayEarly();
  }, []);
  return (
    <ReloadsContext value={reloads}>
      {children}
      <p className={keeping.keeping} role="status">
        {waits && 'The server does not answer. The page opens when it is back.'}
      </p>
    </ReloadsContext>
  );
}

/** The keeper of this page; null while the server renders it. */
export const useKeeper = (): Keeper | null =>
  useMemo(() => (typeof window === 'undefined' ? null : browserKeeper()), []);

/** Everything that is not on the server yet. */
export function useKeeperState(): KeeperState {
  const keeper = useKeeper();
  return useSyncExternalStore(keeper?.subscribe ?? never, keeper?.current ?? nothing, nothing);
}
