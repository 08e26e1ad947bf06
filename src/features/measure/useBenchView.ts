'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import type { SweepRecord } from '@/core/assessment';
import type { RotorMove } from '@/ui/rotor';
import {
  counted,
  lastShift,
  likelyPlan,
  missingKind,
  moveOf,
  suspectsOf,
  wantedPlan,
} from './likely';
import { sayResult } from './heard';
import { gaugeOf, type BenchCorner, type BenchSet } from './model';
import { planFor, planOf, type SetPlan } from './plan';
import { advisedMove } from './result';
import { sound, useSound } from './sounds';
import { useBench, type Bench } from './useBench';
import type { Solving } from './solve';
import type { Shown } from './VirtualGauge';

interface BenchStart {
  readonly corner: BenchCorner;
  readonly sets: readonly BenchSet[];
  readonly expectedShift: number | null;
  readonly wanted: BenchSet['kind'] | undefined;
}

/** Nothing is said of a corner while a set is read, and until what judges it is here. */
const UNJUDGED = { judged: null, advice: null, words: null, isSeatAsked: false } as const;

/** The corner as it is judged, and what that says on the bench. */
function useJudged({ state, set }: Bench, corner: BenchCorner, solving: Solving | null) {
  const isReading = set !== undefined && state.cursor !== null;
  // While a set is read its figures stand alone; the corner is judged when it is read. A quick
  // check goes on answering: typing goes first, the answer follows when there is time.
  const calm = useDeferredValue(state.sets);
  const toJudge = corner.isCheck ? calm : isReading ? null : state.sets;
  return useMemo(
    () => (toJudge && solving ? solving.judgeSets(toJudge, corner) : UNJUDGED),
    [toJudge, corner, solving],
  );
}

/** What a gauge at the bench shows, of the set that it stands at and of no other. */
function useShown({ set, dispatch, pressEnter }: Bench) {
  const [live, setLive] = useState<{ readonly setId: string; readonly shown: Shown | null }>();
  const shown = set !== undefined && live?.setId === set.id ? live.shown : null;
  const takeShown = (own: Shown | null = shown): void => {
    if (!own) return;
    const { reading, refuse, turn } = own;
    // One key goes all the way round: it turns, then takes.
    if (turn) turn();
    else if (refuse) dispatch({ type: 'refuse', message: refuse });
    else pressEnter(`${reading.text} ${reading.unit}`);
  };
  return { shown, setLive, takeShown };
}

/** How the next set is asked for, and the plan it is asked with. */
function useNextSet({ state, set, dispatch, start, putAside }: Bench, props: BenchStart) {
  const { corner } = props;
  const [asked, setAsked] = useState<SetPlan | null>(wantedPlan(props.wanted, props.sets, corner));
  const likely = likelyPlan(state.sets, corner, props.expectedShift);
  /** Opens the starter with a plan: every set is prepared before it is read. */
  const ask = (next: SetPlan): void => {
    // A quick check asks nothing before a set: what was not asked is said with its verdict.
    if (corner.isCheck && next.shift === set?.shift) return start(next);
    setAsked(next);
    dispatch({ type: 'pick-set', id: null });
  };
  return {
    plan: asked ?? likely,
    /** Something of it was chosen or typed: what comes in from elsewhere moves nothing of it any more. */
    hold: (): void => setAsked(asked ?? likely),
    ask,
    askMounting: (shift: number | null): void => {
      const base = set ?? counted(state.sets).at(-1);
      if (shift !== null && base) ask({ ...planFor('runout', planOf(base), corner), shift });
    },
    askAgain: (reason: string): void => {
      if (set) putAside(reason, () => setAsked(planOf(set)));
    },
    begin: (chosen: SetPlan): void => {
      setAsked(null);
      start(chosen);
    },
    pick: (id: string | null): void => {
      setAsked(null);
      dispatch({ type: 'pick-set', id });
    },
  };
}

/** Everything that the parts of the bench show and do, derived once; figures where what solves them is here. */
export function useBenchView(props: BenchStart, solving: Solving | null) {
  const { corner } = props;
  const hearing = useSound();
  const [told, setTold] = useState('');
  // The set of which a reading was taken on this visit.
  const [readOf, setReadOf] = useState<string | null>(null);
  // The curve as far as the wheel has turned, while it is swept.
  const [curve, setCurve] = useState<readonly (number | null)[] | null>(null);
  const bench = useBench(props, solving, (heard, setId) => {
    setReadOf(setId);
    setTold(heard.told);
    sound(heard, hearing);
  });
  const { state, set } = bench;
  const result = useMemo(
    () => (set && solving ? solving.solveSet(set, corner) : null),
    [set, corner, solving],
  );
  const isReading = set !== undefined && state.cursor !== null;
  const corners = useJudged(bench, corner, solving);
  const gauge = useShown(bench);
  const next = useNextSet(bench, props);
  const advised = advisedMove(corners.advice, corner);
  // A move is drawn once it is asked for: to be made before a set, or advised by those that are read.
  const move = (): RotorMove | null => {
    if (isReading || corners.isSeatAsked) return null;
    if (!set) return moveOf(lastShift(state.sets), next.plan.shift, corner.studs);
    return advised?.from === set.shift ? moveOf(set.shift, advised.to, corner.studs) : null;
  };
  return {
    ...{ corner, bench, result, isReading, told, advised, next, curve, setCurve },
    /** The wheel turns: while it is swept nothing else is on the screen. */
    beginSweep: (): void => setReadOf(set?.id ?? null),
    /** Takes a lap that was swept: it is heard like the end of one that was read. */
    takeSweep: (lap: number, sweep: SweepRecord): void => {
      const swept = bench.sweep(lap, sweep);
      if (!swept) return;
      const read = solving?.solveSet(swept, corner);
      const verdict = read ? sayResult(read, corner) : '';
      setReadOf(swept.id);
      setTold(`Lap ${lap + 1} is swept. ${verdict}.`);
      sound({ as: 'end', spoken: verdict, told: '' }, hearing);
    },
    ...corners,
    ...gauge,
    // While readings are taken nothing else is on the screen.
    isAlone: isReading && (corner.isCheck === true || readOf === set.id),
    suspects: suspectsOf(result),
    missing: missingKind(state.sets, corner),
    move: move(),
    isLive:
      set !== undefined &&
      (set.isVirtual || corner.practice !== undefined || Boolean(gaugeOf(set, corner)?.lineFormat)),
  };
}

export type BenchView = ReturnType<typeof useBenchView>;
