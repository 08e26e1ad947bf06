'use client';

import { useLinkStatus } from 'next/link';
import { useEffect } from 'react';
import { moveOn } from './keeper/leave';
import { isServerThere } from './keeper/serverThere';
import styles from './pending.module.css';

/** A page that was pressed and does not come for so long, though the server is there, is opened as a whole. */
const PATIENCE_MS = 6000;

/**
 * Shown at once where a link was pressed, until its page is there: a tap is answered by something seen. The router
 * holds a page back while an earlier one is being loaded anew; where that does not end, the browser opens it.
 */
export function LinkPending({ href }: { readonly href: string }) {
  const { pending } = useLinkStatus();
  useEffect(() => {
    if (!pending) return;
    let isOver = false;
    const timer = setTimeout(() => {
      void isServerThere().then((isThere) => {
        if (isThere && !isOver) moveOn(new URL(href, window.location.href));
      });
    }, PATIENCE_MS);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [pending, href]);
  return pending && <span className={styles.pending} aria-hidden="true" />;
}
