'use client';

import { useState } from 'react';

/**
 * Whether something that was asked of the server is under way. Unlike a transition it holds no page back that is
 * opened meanwhile.
 */
export function useBusy(): {
  readonly busy: boolean;
  readonly during: (work: () => Promise<void>) => void;
} {
  const [count, setCount] = useState(0);
  const during = (work: () => Promise<void>): void => {
    setCount((before) => before + 1);
    void work().finally(() => setCount((before) => before - 1));
  };
  return { busy: count > 0, during };
}
