import { addTallies, NO_TALLIES, type ProvingPlan, type Tallies } from '../core/bench';

/** The corners that one worker tries: every `step`th of so many. */
export interface ProvingPart {
  readonly plan: ProvingPlan;
  readonly from: number;
  readonly step: number;
  readonly corners: number;
}

/** What a worker says: what came of the corners since it last spoke, or why there is nothing. */
export type ProvingSaid =
  | { readonly kind: 'progress' | 'done'; readonly tallies: Tallies; readonly done: number }
  | { readonly kind: 'none' }
  | { readonly kind: 'failed'; readonly message: string };

/** How a study stands. */
export interface ProvingState {
  readonly tallies: Tallies;
  /** Corners that were tried. */
  readonly done: number;
  readonly isOver: boolean;
  /** Why it ended before its end, in words. */
  readonly trouble: string | null;
}

export const NOT_BEGUN: ProvingState = {
  ...{ tallies: NO_TALLIES, done: 0, isOver: false, trouble: null },
};

/** As many as keep the machine at work and leave it usable. */
const WORKERS = 2;
const NONE =
  'With these figures every corner is within: nothing is left to try. Make hub, rotor or thickness variation larger, or a limit smaller.';

const newWorker = (): Worker =>
  new Worker(new URL('./proving.worker.ts', import.meta.url), { type: 'module' });

/**
 * Tries the policies of a plan on so many corners, away from the page. `onState` hears how it stands;
 * the answer ends it, with what was tried so far kept.
 */
export function startProving(
  plan: ProvingPlan,
  corners: number,
  onState: (state: ProvingState) => void,
  open: () => Worker = newWorker,
): () => void {
  let state = NOT_BEGUN;
  let running = WORKERS;
  const workers = Array.from({ length: WORKERS }, open);
  const stop = (): void => workers.forEach((worker) => worker.terminate());
  const put = (more: Partial<ProvingState>): void => {
    state = { ...state, ...more };
    onState(state);
  };
  const end = (trouble: string): void => {
    stop();
    put({ isOver: true, trouble });
  };
  workers.forEach((worker, from) => {
    worker.onerror = (event) => end(`It stopped: ${event.message || 'the worker did not start'}.`);
    worker.onmessage = ({ data }: MessageEvent<ProvingSaid>) => {
      if (data.kind === 'none') return end(NONE);
      if (data.kind === 'failed') return end(`It stopped: ${data.message}.`);
      if (data.kind === 'done') running -= 1;
      put({
        tallies: addTallies(state.tallies, data.tallies),
        done: state.done + data.done,
        isOver: running === 0,
      });
    };
    worker.postMessage({ plan, from, step: WORKERS, corners } satisfies ProvingPart);
  });
  return () => {
    stop();
    put({ isOver: true });
  };
}
