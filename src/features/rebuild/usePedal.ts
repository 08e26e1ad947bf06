'use client';

import { useEffect, useEffectEvent, useRef, useState, type ReactNode } from 'react';
import { chime } from '@/ui/chime';
import { hasSingleKeys, isKeyFor, type KeyUse } from '@/ui/keys';
import type { StepView } from './model';
import { useStep } from './StepTick';

export interface PedalStopProps {
  readonly jobId: string;
  /** Steps that still count; null where they are open. */
  readonly firm: StepView | null;
  readonly held: StepView | null;
  readonly level: StepView | null;
  /** What is on file, counting or not: what is written over. */
  readonly stored: Readonly<Record<'firm' | 'hold' | 'held' | 'level', StepView | null>>;
  /** Seconds since the minute was begun, or null. */
  readonly begun: number | null;
  readonly holdSeconds: number;
  /** Why the pedal must not be touched now, in words, or null. */
  readonly loose: string | null;
  /** What the house does about pumping. */
  readonly rule: string;
  readonly moved: readonly string[];
  /** Who is here: the name that is put under it. */
  readonly who: ReactNode;
}

/** Counts the minute down from when it was begun; null while it was not. */
function useMinute(begun: number | null, seconds: number): number | null {
  const [left, setLeft] = useState<number | null>(begun === null ? null : seconds - begun);
  useEffect(() => {
    if (begun === null) return;
    const end = performance.now() + (seconds - begun) * 1000;
    const tick = (): void => setLeft(Math.max(0, (end - performance.now()) / 1000));
    tick();
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, [begun, seconds]);
  return begun === null ? null : left;
}

/** A step at the pedal that its letter presses while it is open. */
interface KeyStep {
  readonly use: KeyUse;
  readonly isOpen: boolean;
  readonly press: () => void;
}

/** Listens for the letters of the steps; for none while the pedal must not be touched. */
function usePedalKeys(isOff: boolean, steps: readonly KeyStep[]): void {
  // A key is for the steps as they stand on the screen, from the moment on in which they are seen there.
  const press = useEffectEvent((event: globalThis.KeyboardEvent): void => {
    const step = steps.find(({ use }) => isKeyFor(use, event.key));
    if (!step?.isOpen) return;
    event.preventDefault();
    step.press();
  });
  useEffect(() => {
    if (isOff) return;
    const listen = (event: globalThis.KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      if (hasSingleKeys()) press(event);
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [isOff]);
}

/** The steps at the pedal as they stand, what writes them, and the minute as it runs. */
export function usePedal(props: PedalStopProps) {
  const { jobId, firm, held, level, stored, loose, holdSeconds } = props;
  const key = (item: string) => ({ jobId, kind: 'pedal' as const, place: '', item });
  const writeFirm = useStep(key('firm'), stored.firm);
  const writeHold = useStep(key('hold'), stored.hold);
  const writeHeld = useStep(key('held'), stored.held);
  const writeLevel = useStep(key('level'), stored.level);
  const left = useMinute(firm && !held ? props.begun : null, holdSeconds);
  const isOver = left !== null && left <= 0;
  const rung = useRef(false);
  useEffect(() => {
    if (isOver && !rung.current) chime('done');
    rung.current = isOver;
  }, [isOver]);
  const sank = held?.value === 'sank';
  const trouble = writeFirm.trouble ?? writeHold.trouble ?? writeHeld.trouble ?? writeLevel.trouble;
  const busy = writeFirm.busy || writeHold.busy || writeHeld.busy || writeLevel.busy;
  usePedalKeys(loose !== null, [
    { use: 'firm', isOpen: firm === null, press: () => writeFirm.write('done') },
    {
      use: 'hold',
      isOpen: firm !== null && held === null && left === null,
      press: () => writeHold.write('done'),
    },
    { use: 'held', isOpen: isOver && held === null, press: () => writeHeld.write('held') },
    {
      use: 'sank',
      isOpen: firm !== null && held === null && left !== null,
      press: () => writeHeld.write('sank'),
    },
    {
      use: 'level',
      isOpen: held?.value === 'held' && level === null,
      press: () => writeLevel.write('done'),
    },
  ]);
  return { writeFirm, writeHold, writeHeld, writeLevel, left, isOver, sank, trouble, busy };
}

export type Pedal = ReturnType<typeof usePedal>;
