'use client';

import { useEffect, useState } from 'react';
import { sayClock } from '../sayTime';
import { heardLast, isLive } from './live';

const LOOK_EVERY_MS = 5000;

/** Says since when the server is not heard: what the page shows is of then, and what is typed waits here. */
export function AloneSince() {
  const [since, setSince] = useState<number | null>(null);
  useEffect(() => {
    const look = (): void => setSince(isLive() ? null : heardLast());
    const timer = setInterval(look, LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  return (
    <span className="zh-muted" role="status">
      {since !== null &&
        ` · without the server since ${sayClock(since)}: what stands here is of then`}
    </span>
  );
}
