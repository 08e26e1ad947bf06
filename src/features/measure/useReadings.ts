import { useEffect, useEffectEvent, useRef } from 'react';
import { parseLength } from '@/core/units';
import { useKeeper } from '@/ui/keeper';
import { heardOf, isLapRead, type Heard } from './heard';
import { overWaiting } from './held';
import {
  currentSet,
  enter,
  firstOpen,
  readingAt,
  reduce,
  unitOf,
  type BenchCorner,
  type BenchEvent,
  type BenchReading,
  type BenchSet,
  type Cursor,
  type DoubtedReading,
} from './model';
import { askedPlace } from './result';
import type { HeldBench } from './useBenchState';
import type { Solving } from './solve';
import { readingPlace, writeReading } from './writes';

export interface Readings {
  /** Takes what is in the field, or the text given: of a pad or a gauge. */
  readonly pressEnter: (text?: string) => void;
  /** Takes a correction that is offered for a reading. */
  readonly correct: (doubted: DoubtedReading) => void;
  /** Goes to what the set asks for beyond its laps: a slow turn, or a place of thickness. */
  readonly readOn: () => void;
}

/** Notes a set whose laps were read before what solves it was here; once it is, what it asks for is gone to. */
function useAskLater(canAsk: boolean, ask: (id: string) => void): (set: BenchSet) => void {
  const unasked = useRef<string | null>(null);
  const askNow = useEffectEvent(() => {
    if (unasked.current !== null) ask(unasked.current);
    unasked.current = null;
  });
  useEffect(() => {
    if (canAsk) askNow();
  }, [canAsk]);
  return ({ id }) => {
    unasked.current = id;
  };
}

/** Goes to what a set asks for beyond its laps, as soon as they are read and what solves it is here. */
function useGoOn(
  { state, dispatch }: Pick<HeldBench, 'state' | 'dispatch'>,
  corner: BenchCorner,
  solving: Solving | null,
) {
  const set = currentSet(state);
  const goToAsked = (of: BenchSet): Cursor | null => {
    const asked = askedPlace(of, solving?.solveSet(of, corner) ?? null);
    if (asked) dispatch({ type: 'pick-place', cursor: asked });
    return asked;
  };

  const askLater = useAskLater(solving !== null, (id) => {
    if (set?.id === id && state.cursor === null) goToAsked(set);
  });

  /** Once the laps are read the set may ask for more: a slow turn, or places until it is settled. */
  const goOn = (cursor: Cursor | null, { type }: BenchEvent, after: BenchSet): Cursor | null => {
    // What is asked for may be left out.
    const isLeftOut = type === 'skip' && (state.cursor?.position ?? 0) > after.positions;
    if (cursor !== null || isLeftOut || (type !== 'read' && type !== 'skip')) return cursor;
    if (firstOpen(after) !== null) return null;
    if (solving === null) askLater(after);
    return goToAsked(after);
  };
  return { goToAsked, goOn };
}

/** Takes readings into the set at hand: each shows at once, is heard, and goes by the keeper. */
export function useReadings(
  { state, dispatch }: HeldBench,
  corner: BenchCorner,
  solving: Solving | null,
  onHeard?: (heard: Heard, setId: string) => void,
): Readings {
  const keeper = useKeeper();
  const set = currentSet(state);

  const put = (own: BenchSet, reading: BenchReading, isLast: boolean): void => {
    const { lap, position, text } = reading;
    const place = readingPlace({ setId: own.id, lap, position });
    const shown = readingAt(own, reading)?.text ?? null;
    const was = overWaiting(keeper?.current().writes ?? [], place, shown);
    const unit = unitOf(own, corner);
    void writeReading(corner.jobId, { setId: own.id, lap, position, text, unit, was }, isLast);
  };

  const { goToAsked, goOn } = useGoOn({ state, dispatch }, corner, solving);

  return {
    pressEnter: (text = state.draft) => {
      const event = enter(state, corner, text);
      dispatch(event);
      if (!set) return;
      const then = reduce(state, event);
      const after = currentSet(then) ?? set;
      const next = goOn(then.cursor, event, after);
      if (event.type !== 'read') return;
      const isRead = isLapRead(after, event.reading, next);
      const result = isRead ? (solving?.solveSet(after, corner) ?? null) : null;
      onHeard?.(heardOf(after, event.reading, next, result, corner), after.id);
      put(set, event.reading, firstOpen(after) === null);
    },
    correct: ({ place, slip }) => {
      if (!set) return;
      const own = parseLength(slip.text, unitOf(set, corner));
      if (!own.ok) return;
      const { value, text, unit } = own.length;
      const reading = { ...place, valueUm: value as number, text, unit };
      dispatch({ type: 'read', reading });
      put(set, reading, firstOpen(set) === null);
    },
    readOn: () => {
      if (set) goToAsked(set);
    },
  };
}
