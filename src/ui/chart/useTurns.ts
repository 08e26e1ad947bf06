'use client';

import { startTransition, useEffect, useState } from 'react';

/** Pause between two charts, in milliseconds: room for a key or a tap. */
const PAUSE = 60;

/** Counts up to `most`, a step at a time, so that charts are drawn one after another. */
export function useTurns(most: number, pause = PAUSE): number {
  const [turn, setTurn] = useState(0);
  useEffect(() => {
    if (turn >= most) return;
    // A transition is rendered in slices, so that the page answers in between.
    const timer = setTimeout(() => startTransition(() => setTurn(turn + 1)), pause);
    return () => clearTimeout(timer);
  }, [turn, most, pause]);
  return turn;
}
