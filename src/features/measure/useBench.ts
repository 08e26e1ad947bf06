'use client';

import { useEffect, useReducer, useRef, useState } from 'react';
import { parseLength } from '@/core/units';
import { useKeeper, useRefresh, type KeptAnswer } from '@/ui/keeper';
import { heardOf, type Heard } from './heard';
import { begunSet, overWaiting } from './held';
import {
  currentSet,
  enter,
  firstOpen,
  openBench,
  readingAt,
  reduce,
  unitOf,
  type BenchCorner,
  type BenchEvent,
  type BenchReading,
  type BenchSet,
  type BenchState,
  type Cursor,
  type DoubtedReading,
} from './model';
import type { SetPlan } from './plan';
import { askedPlace, solveSet } from './result';
import { useHeld, type SaveState } from './useHeld';
import {
  readingPlace,
  writeDetails,
  writeLap,
  writeReading,
  writeSet,
  writeSetAside,
  writeSetBack,
} from './writes';

export interface Bench {
  readonly state: BenchState;
  readonly set: BenchSet | undefined;
  readonly save: SaveState;
  /** What an action could not do, in words. */
  readonly trouble: string | null;
  readonly dispatch: (event: Parameters<typeof reduce>[1]) => void;
  /** Takes what is in the field, or the text given: of a pad or a gauge. */
  readonly pressEnter: (text?: string) => void;
  /** Takes a correction that is offered for a reading. */
  readonly correct: (doubted: DoubtedReading) => void;
  readonly start: (plan: SetPlan) => void;
  readonly anotherLap: () => void;
  /** Sets the set aside with a reason, and then does what is to follow. */
  readonly putAside: (reason: string, andThen?: () => void) => void;
  readonly takeBack: (set: BenchSet) => void;
  /** Goes to what the set asks for beyond its laps: a slow turn, or a place of thickness. */
  readonly readOn: () => void;
  /** Says that the wheel was pressed inboard at each reading. */
  readonly sayPressed: () => void;
}

/**
 * State and actions of the measuring bench: the sets as they are on file, with everything laid
 * over them that this device holds. What is pressed shows at once and goes by the keeper.
 */
export function useBench(
  sets: readonly BenchSet[],
  corner: BenchCorner,
  wanted?: BenchSet['kind'],
  onHeard?: (heard: Heard, setId: string) => void,
): Bench {
  const { refresh } = useRefresh();
  const keeper = useKeeper();
  const [state, dispatch] = useReducer(reduce, sets, (all) => openBench(all, wanted));
  const [trouble, setTrouble] = useState<string | null>(null);
  const { held, refused, save } = useHeld(sets, corner);
  const set = currentSet(state);
  const { jobId, phase } = corner;

  const latest = useRef(held);
  useEffect(() => {
    latest.current = held;
    dispatch({ type: 'hold', held });
  }, [held]);
  // What the page was loaded with anew stands; what this device holds is laid over it.
  useEffect(() => {
    dispatch({ type: 'sync', sets, held: latest.current });
  }, [sets]);
  // What was refused does not stand: the page shows again what does.
  const refusals = refused.length;
  useEffect(() => {
    if (refusals > 0) refresh();
  }, [refusals, refresh]);

  /** Shows why something could not be done; what the server has is shown again then. */
  const heed = (kept: Promise<KeptAnswer<unknown>>): void => {
    setTrouble(null);
    void kept.then((answer) => {
      if (answer.ok || answer.isDropped) return;
      setTrouble(answer.message);
      refresh();
    });
  };

  const put = (own: BenchSet, reading: BenchReading, unit: string, isLast: boolean): void => {
    const { lap, position, text } = reading;
    const place = readingPlace({ setId: own.id, lap, position });
    const shown = readingAt(own, reading)?.text ?? null;
    const was = overWaiting(keeper?.current().writes ?? [], place, shown);
    const typed = { setId: own.id, lap, position, text, unit: unit as 'mm', was };
    void writeReading(jobId, typed, isLast);
  };

  const pressEnter = (text = state.draft): void => {
    const event = enter(state, corner, text);
    dispatch(event);
    if (!set) return;
    const then = reduce(state, event);
    const after = currentSet(then) ?? set;
    const next = goOn(then.cursor, event, after);
    if (event.type === 'read') {
      const result = next ? null : solveSet(after, corner);
      onHeard?.(heardOf(after, event.reading, next, result, corner), after.id);
    }
    if (event.type === 'read') {
      put(set, event.reading, unitOf(set, corner), firstOpen(after) === null);
    }
  };

  /** Once the laps are read the set may ask for more: a slow turn, or places until it is settled. */
  const goOn = (cursor: Cursor | null, { type }: BenchEvent, after: BenchSet): Cursor | null => {
    // What is asked for may be left out.
    const isLeftOut = type === 'skip' && (state.cursor?.position ?? 0) > after.positions;
    if (cursor !== null || isLeftOut || (type !== 'read' && type !== 'skip')) return cursor;
    if (firstOpen(after) !== null) return null;
    const asked = askedPlace(after, solveSet(after, corner));
    if (asked) dispatch({ type: 'pick-place', cursor: asked });
    return asked;
  };

  const correct = ({ place, slip }: DoubtedReading): void => {
    if (!set) return;
    const own = parseLength(slip.text, unitOf(set, corner));
    if (!own.ok) return;
    const { value, text, unit } = own.length;
    const reading = { ...place, valueUm: value as number, text, unit };
    dispatch({ type: 'read', reading });
    put(set, reading, unitOf(set, corner), firstOpen(set) === null);
  };

  const start = (plan: SetPlan): void => {
    const own = {
      ...plan,
      id: crypto.randomUUID(),
      jobId,
      phase,
      corner: corner.corner,
      angles: plan.angles ? [...plan.angles] : null,
      left: plan.left && [...plan.left],
      ...(corner.practice && { isVirtual: true }),
    };
    dispatch({ type: 'add-set', set: begunSet(own) });
    const begun = writeSet(own);
    heed(begun);
    // What the server knows of the gauge comes with the page.
    void begun.then((answer) => {
      if (answer.ok) refresh();
    });
  };

  return {
    state,
    set,
    save,
    trouble,
    dispatch,
    pressEnter,
    correct,
    start,
    anotherLap: () => {
      if (!set) return;
      dispatch({ type: 'add-lap', id: set.id });
      heed(writeLap(jobId, set.id, set.laps));
    },
    putAside: (reason, andThen) => {
      if (!set) return;
      dispatch({ type: 'replace-set', set: { ...set, isAside: true, setAsideReason: reason } });
      dispatch({ type: 'pick-set', id: null });
      heed(writeSetAside(jobId, set.id, reason));
      andThen?.();
    },
    readOn: () => {
      const asked = set && askedPlace(set, solveSet(set, corner));
      if (asked) dispatch({ type: 'pick-place', cursor: asked });
    },
    sayPressed: () => {
      if (!set) return;
      dispatch({ type: 'replace-set', set: { ...set, pressed: true } });
      heed(writeDetails(jobId, { setId: set.id, pressed: true }));
    },
    takeBack: (back) => {
      dispatch({ type: 'replace-set', set: { ...back, isAside: false } });
      dispatch({ type: 'pick-set', id: back.id });
      heed(writeSetBack(jobId, back.id));
    },
  };
}
