'use client';

import { useEffect, useRef } from 'react';
import { useKeeper } from './context';
import type { Reach } from './types';

/**
 * Says what a page shows of the ledger: what is written on it tells the server so, and what
 * another wrote there after that is not written over unseen.
 */
export function SeenMark({ reach }: { readonly reach: Reach }) {
  const keeper = useKeeper();
  const opened = useRef(reach);
  useEffect(() => {
    keeper?.shows({ typed: opened.current, shown: reach });
  }, [keeper, reach]);
  useEffect(() => () => keeper?.shows(null), [keeper]);
  return null;
}
