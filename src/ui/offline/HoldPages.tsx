'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { mayBeHeld, NOT_HELD, PROGRAM, type Hold } from '@/workers/offline/held';
import { forgetPages } from './heldPage';

const canWork = (): boolean =>
  process.env.NODE_ENV === 'production' && 'serviceWorker' in navigator;

/** Asks the worker of this screen to hold pages, once there is one. */
async function ask(hold: Omit<Hold, 'is'>): Promise<void> {
  const { active } = await navigator.serviceWorker.ready;
  active?.postMessage({ is: 'hold', ...hold } satisfies Hold);
}

/** Makes this screen hold the program and its start for when the server is away. Nothing is said where it cannot. */
export function HoldProgram() {
  // Where somebody takes over everything that was held goes, and is held anew after that.
  const isIn = mayBeHeld(usePathname());
  useEffect(() => {
    if (!isIn || !canWork()) return;
    navigator.serviceWorker
      .register('/offline.js', { updateViaCache: 'none' })
      .then(() => ask({ of: PROGRAM, version: 0, pages: [NOT_HELD, '/'] }))
      // A browser that does not trust the server’s certificate holds nothing.
      .catch(() => undefined);
    // What is typed and waits is not thrown away by a browser that is short of room.
    void navigator.storage?.persist?.().catch(() => undefined);
  }, [isIn]);
  return null;
}

/** Jobs that this page has held before. */
const held = new Set<string>();
/** A job that was just opened, and one in which something was written, are left in peace for so long. */
const AFTER_MS = { first: 4000, again: 45_000 };

/** Holds the pages of the job at hand, and again once work in it has paused. */
export function HoldJob({ of, version, pages }: Omit<Hold, 'is'>) {
  const list = pages.join(' ');
  useEffect(() => {
    if (!canWork()) return;
    const after = held.has(of) ? AFTER_MS.again : AFTER_MS.first;
    const timer = setTimeout(() => {
      held.add(of);
      void ask({ of, version, pages: list.split(' ') });
    }, after);
    return () => clearTimeout(timer);
  }, [of, version, list]);
  return null;
}

/** On pages on which nobody is in: what this screen held goes. */
export function ForgetPages() {
  useEffect(() => void forgetPages(), []);
  return null;
}
