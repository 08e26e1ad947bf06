/** What the server tells of writes: of which job, and by which browser; or that some may have been missed. */
export type Heard =
  | { readonly is: 'written'; readonly job: string; readonly by: string }
  | { readonly is: 'missed' }
  /** Somebody is at a corner of a job, or on one of its other pages. */
  | {
      readonly is: 'at';
      readonly job: string;
      readonly corner: string | null;
      readonly by: string;
      readonly who: string | null;
      readonly screen: string | null;
    }
  | { readonly is: 'here' };

type Hearer = (heard: Heard) => void;

const NAME = 'zesty-hound-live';
/** The server says that it is there every fifteen seconds; without that for so long it may not be. */
const SILENT_MS = 25_000;
const AGAIN_AFTER_MS = 2000;

const hearers = new Set<Hearer>();
let heardAt = -Infinity;
let hasBegun = false;

function hear(heard: Heard): void {
  heardAt = Date.now();
  for (const hearer of hearers) hearer(heard);
}

/** Whether the server tells of writes just now: nothing has to be asked for now and then. */
export const isLive = (): boolean => Date.now() - heardAt < SILENT_MS;

/** When the server was heard last (milliseconds since 1970); null where it never was on this page. */
export const heardLast = (): number | null => (heardAt === -Infinity ? null : heardAt);

/** Listens as long as the page lives, and tells the other tabs of this browser. */
function listen(channel: BroadcastChannel | null): void {
  const source = new EventSource('/api/v1/live');
  const tell = (heard: Heard): void => {
    hear(heard);
    channel?.postMessage(heard);
  };
  source.addEventListener('message', ({ data }: MessageEvent<string>) =>
    tell(JSON.parse(data) as Heard),
  );
  // What was written while nobody listened.
  source.addEventListener('open', () => tell({ is: 'missed' }));
  source.addEventListener('error', () => {
    // A browser tries again by itself, unless the answer was a no.
    if (source.readyState !== EventSource.CLOSED) return;
    setTimeout(() => listen(channel), AGAIN_AFTER_MS);
  });
}

/** One tab of the browser listens for all: a browser keeps few connections to one server. */
function begin(): void {
  if (hasBegun || typeof EventSource === 'undefined') return;
  hasBegun = true;
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(NAME);
  channel?.addEventListener('message', ({ data }: MessageEvent<Heard>) => hear(data));
  const stayOn = (): Promise<never> => {
    listen(channel);
    return new Promise<never>(() => undefined);
  };
  if ('locks' in navigator) void navigator.locks.request(NAME, stayOn);
  else void stayOn();
}

/** Hears of every write from now on; answers what ends it. */
export function onHeard(hearer: Hearer): () => void {
  hearers.add(hearer);
  begin();
  return () => hearers.delete(hearer);
}
