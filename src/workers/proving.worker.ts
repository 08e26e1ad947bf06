import { addTallies, NO_TALLIES, proveCorner } from '../core/bench';
import type { ProvingPart, ProvingSaid } from './provingClient';

/** How long it works between two words of how far it is. */
const SAY_EVERY_MS = 250;

const say = (message: ProvingSaid): void => self.postMessage(message);

function prove({ plan, from, step, corners }: ProvingPart): void {
  let tallies = NO_TALLIES;
  let spoken = performance.now();
  let done = 0;
  for (let number = from; number < corners; number += step) {
    const tried = proveCorner(plan, number);
    if (!tried) return say({ kind: 'none' });
    tallies = addTallies(tallies, tried);
    done += 1;
    if (performance.now() - spoken < SAY_EVERY_MS) continue;
    say({ kind: 'progress', tallies, done });
    [tallies, spoken, done] = [NO_TALLIES, performance.now(), 0];
  }
  say({ kind: 'done', tallies, done });
}

self.onmessage = ({ data }: MessageEvent<ProvingPart>) => {
  try {
    prove(data);
  } catch (error) {
    say({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
};
