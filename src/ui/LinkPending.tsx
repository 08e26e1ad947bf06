'use client';

import { useLinkStatus } from 'next/link';
import styles from './pending.module.css';

/** Shown at once where a link was pressed, until its page is there: a tap is answered by something seen. */
export function LinkPending() {
  const { pending } = useLinkStatus();
  return pending && <span className={styles.pending} aria-hidden="true" />;
}
