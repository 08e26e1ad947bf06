'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useTransition } from 'react';

/** Whether the server answers just now: a page that cannot be loaded anew is left as it is. */
async function isServerThere(): Promise<boolean> {
  if (!navigator.onLine) return false;
  try {
    return (await fetch('/api/health', { cache: 'no-store' })).ok;
  } catch {
    return false;
  }
}

/**
 * Loads what the page shows anew, where the server answers: without this check a lost network
 * would put the browser’s own page in the place of the application.
 */
export function useRefresh(): {
  /** `whenBegun` is called when the server is there and is about to read its records. */
  readonly refresh: (whenBegun?: () => void) => void;
  readonly isLoading: boolean;
} {
  const router = useRouter();
  const [isLoading, begin] = useTransition();
  const refresh = useCallback(
    (whenBegun?: () => void) => {
      begin(async () => {
        if (!(await isServerThere())) return;
        whenBegun?.();
        begin(() => router.refresh());
      });
    },
    [router],
  );
  return { refresh, isLoading };
}
