'use client';

import { useRefresh } from '@/ui/keeper';
import type { Heard } from './heard';
import type { SweepRecord } from '@/core/assessment';
import { begunSet, withSweep } from './held';
import { currentSet, type BenchCorner, type BenchSet } from './model';
import type { SetPlan } from './plan';
import type { Solving } from './solve';
import { useBenchState, type HeldBench } from './useBenchState';
import { useReadings, type Readings } from './useReadings';
import {
  writeDetails,
  writeLap,
  writeSet,
  writeSetAside,
  writeSetBack,
  writeSweep,
} from './writes';

/** A corner, what is read of it, and the kind of set that the way here asks for. */
interface BenchOf {
  readonly corner: BenchCorner;
  readonly sets: readonly BenchSet[];
  readonly wanted?: BenchSet['kind'] | undefined;
}

/** What is done with a set as a whole. */
interface SetActions {
  readonly start: (plan: SetPlan) => void;
  readonly anotherLap: () => void;
  /** Sets the set aside with a reason, and then does what is to follow. */
  readonly putAside: (reason: string, andThen?: () => void) => void;
  readonly takeBack: (set: BenchSet) => void;
  /** Says that the wheel was pressed inboard at each reading. */
  readonly sayPressed: () => void;
  /** Takes a lap that was swept; answers the set as it stands with it. */
  readonly sweep: (lap: number, sweep: SweepRecord) => BenchSet | null;
}

export interface Bench extends Omit<HeldBench, 'heed'>, Readings, SetActions {
  readonly set: BenchSet | undefined;
}

function useSetActions({ state, dispatch, heed }: HeldBench, corner: BenchCorner): SetActions {
  const { refresh } = useRefresh();
  const set = currentSet(state);
  const { jobId, phase } = corner;
  return {
    start: (plan) => {
      const own = {
        ...plan,
        id: crypto.randomUUID(),
        jobId,
        phase,
        corner: corner.corner,
        angles: plan.angles ? [...plan.angles] : null,
        left: plan.left && [...plan.left],
        ...(corner.practice && !corner.isPracticeJob && { isVirtual: true }),
      };
      dispatch({ type: 'add-set', set: begunSet(own) });
      const begun = writeSet(own);
      heed(begun);
      // What the server knows of the gauge comes with the page.
      void begun.then((answer) => {
        if (answer.ok) refresh();
      });
    },
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
    sayPressed: () => {
      if (!set) return;
      dispatch({ type: 'replace-set', set: { ...set, pressed: true } });
      heed(writeDetails(jobId, { setId: set.id, pressed: true }));
    },
    sweep: (lap, sweep) => {
      if (!set) return null;
      const swept = withSweep(set, lap, sweep);
      dispatch({ type: 'replace-set', set: swept });
      dispatch({ type: 'pick-set', id: set.id });
      // The server makes its places of the same numbers again.
      heed(writeSweep(jobId, { setId: set.id, lap, sweep }));
      return swept;
    },
    takeBack: (back) => {
      dispatch({ type: 'replace-set', set: { ...back, isAside: false } });
      dispatch({ type: 'pick-set', id: back.id });
      heed(writeSetBack(jobId, back.id));
    },
  };
}

/**
 * State and actions of the measuring bench: the sets as they are on file, with everything laid
 * over them that this device holds. What is pressed shows at once and goes by the keeper.
 */
export function useBench(
  { sets, corner, wanted }: BenchOf,
  solving: Solving | null,
  onHeard?: (heard: Heard, setId: string) => void,
): Bench {
  const held = useBenchState(sets, corner, wanted);
  const readings = useReadings(held, corner, solving, onHeard);
  const actions = useSetActions(held, corner);
  const { state, save, trouble, dispatch } = held;
  return { state, set: currentSet(state), save, trouble, dispatch, ...readings, ...actions };
}
