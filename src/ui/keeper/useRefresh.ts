'use client';

import { useRouter } from 'next/navigation';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  useTransition,
} from 'react';
import { Reloads } from './Reloads';
import { isServerThere } from './serverThere';

/** What loads the page anew for all that stands on it. */
export const ReloadsContext = createContext<Reloads | null>(null);

/** One line of reloads by the router; it ends when the page shows what was loaded. */
export function useReloads(): Reloads {
  const router = useRouter();
  const [isLoading, begin] = useTransition();
  const reloads = useMemo(
    () => new Reloads(isServerThere, () => begin(() => router.refresh())),
    [router],
  );
  useEffect(() => {
    if (!isLoading) reloads.loaded();
  }, [isLoading, reloads]);
  return reloads;
}

interface Refresh {
  /** `whenBegun` is called when the server is there and is about to read its records. */
  readonly refresh: (whenBegun?: () => void) => void;
  /** Whether the page does not show yet what was asked for here. */
  readonly isLoading: boolean;
}

/** Asks a line of reloads. */
export function useRefreshBy(reloads: Reloads): Refresh {
  const [wishes, setWishes] = useState(0);
  const refresh = useCallback(
    (whenBegun?: () => void) => {
      setWishes((count) => count + 1);
      reloads.ask({ whenBegun, whenOver: () => setWishes((count) => count - 1) });
    },
    [reloads],
  );
  return { refresh, isLoading: wishes > 0 };
}

/**
 * Loads what the page shows anew, where the server answers: without this check a lost network
 * would put the browser’s own page in the place of the application.
 */
export function useRefresh(): Refresh {
  const router = useRouter();
  const ofPage = useContext(ReloadsContext);
  const reloads = useMemo(() => ofPage ?? aloneBy(router), [ofPage, router]);
  return useRefreshBy(reloads);
}

/** Where no page stands around, nothing says when a reload is over: it is over at once. */
function aloneBy(router: ReturnType<typeof useRouter>): Reloads {
  const reloads: Reloads = new Reloads(isServerThere, () => {
    router.refresh();
    reloads.loaded();
  });
  return reloads;
}
