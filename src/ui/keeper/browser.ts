import { saySignedOut } from '../access/sure';
import { deviceStore, pageStore } from './deviceStore';
import { deviceLog, pageLog } from './doneLog';
import { browserGoing } from './going';
import { Keeper, type Crier } from './Keeper';
import { apartFromPractice } from './practiceRoom';
import type { SendWrites, WriteAnswer } from './types';

const NAME = 'zesty-hound-keeper';

/** Sends to this application’s server; throws when it does not answer or is in trouble. */
export const sendToServer: SendWrites = async (device, writes) => {
  const response = await fetch('/api/v1/writes', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      device,
      writes: writes.map(({ id, name, place, number, input, by, seen }) => ({
        ...{ id, name, place, number, input, by, seen },
      })),
    }),
  });
  // Whatever is no answer to the writes themselves settles none of them: they wait.
  if (response.status === 401) saySignedOut();
  if (!response.ok) throw new Error(`The server answered ${response.status}`);
  const { results } = (await response.json()) as { results: readonly WriteAnswer[] };
  return results;
};

/** One tab of the browser at a time; in a browser without locks, this tab by itself. */
const alone = async (run: () => Promise<void>): Promise<void> => {
  if ('locks' in navigator) await navigator.locks.request(NAME, run);
  else await run();
};

function crier(): Crier {
  if (typeof BroadcastChannel === 'undefined') {
    return { tell: () => undefined, listen: () => undefined };
  }
  const channel = new BroadcastChannel(NAME);
  return {
    tell: (note) => channel.postMessage(note),
    listen: (listener) => {
      channel.addEventListener('message', ({ data }) =>
        listener(data as Parameters<typeof listener>[0]),
      );
    },
  };
}

const pause = (ms: number): Promise<void> =>
  new Promise((resolve) => {
    const end = (): void => {
      window.removeEventListener('online', end);
      clearTimeout(timer);
      resolve();
    };
    const timer = setTimeout(end, ms);
    window.addEventListener('online', end);
  });

/** Whether this screen holds pages. */
const isHolding = (): boolean => Boolean(navigator.serviceWorker?.controller);

let keeper: Keeper | null = null;

/** The keeper of this tab. */
export function browserKeeper(): Keeper {
  keeper ??= new Keeper({
    store:
      typeof indexedDB === 'undefined'
        ? pageStore()
        : deviceStore(browserGoing(), () => void keeper?.found()),
    log: typeof indexedDB === 'undefined' ? pageLog() : deviceLog(isHolding),
    send: apartFromPractice(sendToServer),
    alone,
    crier: crier(),
    pause,
  });
  return keeper;
}
