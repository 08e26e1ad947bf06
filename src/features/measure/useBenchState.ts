import { useEffect, useReducer, useRef, useState } from 'react';
import { useRefresh, type KeptAnswer } from '@/ui/keeper';
import { openBench, reduce, type BenchCorner, type BenchSet, type BenchState } from './model';
import { useHeld, type SaveState } from './useHeld';

/** The sets of a corner as they are on file, with what this device holds laid over them. */
export interface HeldBench {
  readonly state: BenchState;
  readonly save: SaveState;
  /** What an action could not do, in words. */
  readonly trouble: string | null;
  readonly dispatch: (event: Parameters<typeof reduce>[1]) => void;
  /** Shows why something could not be done; what the server has is shown again then. */
  readonly heed: (kept: Promise<KeptAnswer<unknown>>) => void;
}

/** Keeps the bench in step with the server and with what this device holds. */
export function useBenchState(
  sets: readonly BenchSet[],
  corner: BenchCorner,
  wanted?: BenchSet['kind'],
): HeldBench {
  const { refresh } = useRefresh();
  const [state, dispatch] = useReducer(reduce, sets, (all) => openBench(all, wanted));
  const [trouble, setTrouble] = useState<string | null>(null);
  const { held, refused, save } = useHeld(sets, corner);

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

  const heed = (kept: Promise<KeptAnswer<unknown>>): void => {
    setTrouble(null);
    void kept.then((answer) => {
      if (answer.ok || answer.isDropped) return;
      setTrouble(answer.message);
      refresh();
    });
  };
  return { state, save, trouble, dispatch, heed };
}
