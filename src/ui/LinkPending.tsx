'use client';

import { useLinkStatus } from 'next/link';

/** Shown at once where a link was pressed, until its page is there: a tap is answered by something seen. */
export function LinkPending() {
  const { pending } = useLinkStatus();
  return pending && <span className="zh-pending" aria-hidden="true" />;
}
