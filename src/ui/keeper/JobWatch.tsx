'use client';

import { useEffect, useRef } from 'react';
import { saySignedOut } from '../access/sure';
import { useKeeper } from './context';
import { isLive, onHeard } from './live';
import { useRefresh } from './useRefresh';

const LOOK_EVERY_MS = 10_000;

/** How far a job was written by now, by whichever screen; null where the server does not say. */
async function writtenUpTo(jobId: string): Promise<number | null> {
  if (!navigator.onLine) return null;
  try {
    const answer = await fetch(`/api/v1/jobs/${jobId}/version`, { cache: 'no-store' });
    if (answer.status === 401) saySignedOut();
    return answer.ok ? ((await answer.json()) as { version: number }).version : null;
  } catch {
    return null;
  }
}

/**
 * Loads a page of a job anew when another screen wrote in it: what stands on this one and is
 * called saved is what the record says. The server tells of it at once; where it does not, the page
 * looks now and then while it is seen, and as soon as it is seen again.
 */
export function JobWatch({ jobId, version }: { readonly jobId: string; readonly version: number }) {
  const { refresh } = useRefresh();
  const keeper = useKeeper();
  const shown = useRef(version);
  useEffect(() => {
    shown.current = version;
  }, [version]);
  useEffect(() => {
    const look = async (): Promise<void> => {
      // What is typed here is on its way: its answer loads the page anew.
      if (document.hidden || (keeper && keeper.current().writes.length > 0)) return;
      const now = await writtenUpTo(jobId);
      if (now === null || now <= shown.current) return;
      shown.current = now;
      refresh();
    };
    const lookNow = (): void => void look();
    const timer = setInterval(() => {
      if (!isLive()) lookNow();
    }, LOOK_EVERY_MS);
    document.addEventListener('visibilitychange', lookNow);
    const deafen = onHeard((heard) => {
      if (heard.is === 'missed') lookNow();
      // What this browser wrote its tabs know already.
      if (heard.is !== 'written' || heard.job !== jobId) return;
      void keeper?.device().then((own) => {
        if (own !== heard.by) lookNow();
      });
    });
    return () => {
      deafen();
      clearInterval(timer);
      document.removeEventListener('visibilitychange', lookNow);
    };
  }, [jobId, keeper, refresh]);
  return null;
}
