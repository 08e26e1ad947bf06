import { useEffect, useEffectEvent, useRef, useState } from 'react';
import type { SweepRecord } from '@/core/assessment';
import { readSweep, type SweptLap } from '@/core/readings';
import type { LengthUnit, Micrometres } from '@/core/units';
import { beginTurn, curveSoFar, recordOf, type Turn } from './turn';

/** The curve is drawn so often, in milliseconds. */
const DRAW_EVERY = 200;
/** Who never comes back to the mark has left: what comes later is not kept. */
const LONGEST = 185_000;

export interface SweepAsked {
  readonly studs: number;
  /** Places that the set’s earlier laps have; undefined for its first. */
  readonly positions: number | undefined;
  /** The mark has left the probe. */
  readonly onBegun: () => void;
  readonly onSwept: (sweep: SweepRecord, lap: SweptLap) => void;
  /** The curve so far, one value a place, null where the wheel has not been; null once it ended. */
  readonly onDraw: (values: readonly (number | null)[] | null) => void;
}

export interface SweepState {
  readonly phase: 'ready' | 'turning';
  /** Marks so far: 1 once the chalk mark has left the probe. */
  readonly marked: number;
  readonly readings: number;
  /** What the gauge shows now, in micrometres; null before it sent anything. */
  readonly shows: Micrometres | null;
  /** Why the last turn was not taken. */
  readonly refused: string | null;
}

const READY: SweepState = { phase: 'ready', marked: 0, readings: 0, shows: null, refused: null };

const since = (turn: Turn): number => Math.round(performance.now() - turn.begun);

/**
 * One slow turn while a gauge sends: what comes is kept with its time, each stud is marked as it passes
 * the probe, and the turn ends when the chalk mark is back.
 */
export function useSweep(asked: SweepAsked) {
  const { studs, onSwept, onDraw } = asked;
  const [state, setState] = useState<SweepState>(READY);
  const going = useRef<Turn | null>(null);
  const tell = useEffectEvent(onDraw);
  useEffect(() => () => tell(null), []);

  /** The turn is over, taken or not. */
  const leave = (refused: string | null = null): void => {
    going.current = null;
    onDraw(null);
    setState({ ...READY, refused });
  };
  const end = (turn: Turn): void => {
    const sweep = recordOf(turn);
    const read = readSweep(sweep, studs, asked.positions);
    leave(read.ok ? null : read.message);
    if (read.ok) onSwept(sweep, read.lap);
  };
  const keep = (turn: Turn, value: Micrometres, unit: LengthUnit): void => {
    const at = since(turn);
    if (at > LONGEST) return leave('The mark did not come back: sweep again.');
    turn.times.push(at);
    turn.values.push(value);
    turn.unit = unit;
    setState((before) => ({ ...before, shows: value, readings: turn.times.length }));
    if (at - turn.drawnAt < DRAW_EVERY) return;
    turn.drawnAt = at;
    onDraw(curveSoFar(turn, studs));
  };

  return {
    state,
    /** A reading that the gauge sent. */
    take: (value: Micrometres, unit: LengthUnit): void => {
      if (going.current) keep(going.current, value, unit);
      else setState((before) => ({ ...before, shows: value }));
    },
    /** The mark leaves, a stud passes, or the mark is back. */
    mark: (): void => {
      const turn = going.current;
      if (!turn) {
        going.current = beginTurn(performance.now());
        asked.onBegun();
        return setState(({ shows }) => ({ ...READY, shows, phase: 'turning', marked: 1 }));
      }
      turn.marks.push(since(turn));
      if (turn.marks.length === studs + 1) end(turn);
      else setState((before) => ({ ...before, marked: turn.marks.length }));
    },
    /** The mark is back, and no stud was marked: the turn is taken as even. */
    ends: (): void => {
      const turn = going.current;
      turn?.marks.splice(1, Infinity, since(turn));
      if (turn) end(turn);
    },
    /** Leaves this turn. */
    again: (): void => leave(),
  };
}

export type Sweeping = ReturnType<typeof useSweep>;
