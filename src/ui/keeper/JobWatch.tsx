'use client';

import { useEffect, useRef } from 'react';
import { useKeeper } from './context';
import { useRefresh } from './useRefresh';

const LOOK_EVERY_MS = 10_000;

/** How far a job was written by now, by whichever screen; null where the server does not say. */
async function writtenUpTo(jobId: string): Promise<number | null> {
  if (!navigator.onLine) return null;
  try {
    const answer = await fetch(`/api/v1/jobs/${jobId}/version`, { cache: 'no-store' });
    return answer.ok ? ((await answer.json()) as { version: number }).version : null;
  } catch {
    return null;
  }
}

/**
 * Loads a page of a job anew when another screen wrote in it: what stands on this one and is
 * called saved is what the record says. Looks now and then while the page is seen, and as soon as
 * it is seen again.
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
    const timer = setInterval(lookNow, LOOK_EVERY_MS);
    document.addEventListener('visibilitychange', lookNow);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', lookNow);
    };
  }, [jobId, keeper, refresh]);
  return null;
}
