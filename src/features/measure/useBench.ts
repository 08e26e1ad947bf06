'use client';

import { useRouter } from 'next/navigation';
import { useReducer, useState, useTransition } from 'react';
import { lengthUnitOf, parseLength } from '@/core/units';
import { addLapAction, beginSetAction, setAsideAction, takeBackAction } from './actions';
import {
  currentSet,
  enter,
  firstOpen,
  openBench,
  reduce,
  unitOf,
  type BenchCorner,
  type BenchSet,
  type BenchState,
  type DoubtedReading,
} from './model';
import type { OutboxStatus, OutgoingReading } from './outbox';
import type { SetPlan } from './plan';
import { useOutbox } from './useOutbox';

export interface Bench {
  readonly state: BenchState;
  readonly set: BenchSet | undefined;
  readonly status: OutboxStatus;
  readonly busy: boolean;
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
}

/** State and actions of the measuring bench. */
export function useBench(
  sets: readonly BenchSet[],
  corner: BenchCorner,
  wanted?: BenchSet['kind'],
): Bench {
  const router = useRouter();
  const [state, dispatch] = useReducer(reduce, sets, (all) => openBench(all, wanted));
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, begin] = useTransition();
  const set = currentSet(state);

  const restore = (left: readonly OutgoingReading[]): void => {
    for (const reading of left) {
      const parsed = parseLength(reading.text, lengthUnitOf(reading.unit));
      if (!parsed.ok) continue;
      const { value, text, unit } = parsed.length;
      const { lap, position } = reading;
      dispatch({ type: 'read', reading: { lap, position, valueUm: value as number, text, unit } });
    }
  };
  const { status, put } = useOutbox(state.currentId, restore);

  const pressEnter = (typed = state.draft): void => {
    const event = enter(state, corner, typed);
    dispatch(event);
    if (event.type !== 'read' || !set) return;
    const { lap, position, text } = event.reading;
    put({ lap, position, text, unit: unitOf(set, corner) });
    // The last reading of a set changes what the rest of the job says.
    if (firstOpen(reduce(state, event).sets.find(({ id }) => id === set.id) ?? set) === null) {
      router.refresh();
    }
  };

  const correct = ({ place, slip }: DoubtedReading): void => {
    if (!set) return;
    const unit = unitOf(set, corner);
    const own = parseLength(slip.text, unit);
    if (!own.ok) return;
    const { value, text, unit: typedUnit } = own.length;
    const reading = { ...place, valueUm: value as number, text, unit: typedUnit };
    dispatch({ type: 'read', reading });
    put({ ...place, text, unit });
  };

  /** Runs an action and shows why when it could not be done. */
  const act = (action: () => Promise<{ ok: true } | { ok: false; message: string }>): void => {
    setTrouble(null);
    begin(async () => {
      try {
        const answer = await action();
        if (!answer.ok) setTrouble(answer.message);
      } catch {
        setTrouble('The server did not answer. Nothing typed is lost; try again.');
      }
    });
  };

  const startSet = async (plan: SetPlan): ReturnType<typeof beginSetAction> => {
    const { jobId, phase } = corner;
    const answer = await beginSetAction({
      ...plan,
      jobId,
      phase,
      corner: corner.corner,
      angles: plan.angles ? [...plan.angles] : null,
      left: plan.left && [...plan.left],
    });
    if (answer.ok) dispatch({ type: 'add-set', set: answer.value });
    return answer;
  };

  return {
    state,
    set,
    status,
    busy,
    trouble,
    dispatch,
    pressEnter,
    correct,
    start: (plan) => act(() => startSet(plan)),
    anotherLap: () =>
      act(async () => {
        if (!set) return { ok: true };
        const answer = await addLapAction(set.id);
        if (answer.ok) dispatch({ type: 'add-lap', id: set.id });
        return answer;
      }),
    putAside: (reason, andThen) =>
      act(async () => {
        if (!set) return { ok: true };
        const answer = await setAsideAction(set.id, reason);
        if (answer.ok) {
          const aside = { ...set, isAside: true, setAsideReason: reason };
          dispatch({ type: 'replace-set', set: aside });
          dispatch({ type: 'pick-set', id: null });
          andThen?.();
          router.refresh();
        }
        return answer;
      }),
    takeBack: (back) =>
      act(async () => {
        const answer = await takeBackAction(back.id);
        if (!answer.ok) return answer;
        dispatch({ type: 'replace-set', set: { ...back, isAside: false } });
        dispatch({ type: 'pick-set', id: back.id });
        router.refresh();
        return answer;
      }),
  };
}
