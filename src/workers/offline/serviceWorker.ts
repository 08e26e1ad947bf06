/**
 * What stands between the pages of a paired screen and its server: it holds the program’s files and the pages of the
 * job at hand, and hands them out where the server cannot be reached. What is typed goes by the keeper, not by it.
 * A newer one takes over once no page of the older is open: work is never interrupted by it.
 */
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { registerRoute, setCatchHandler } from 'workbox-routing';
import {
  NetworkFirst,
  NetworkOnly,
  Strategy,
  type StrategyHandler,
  type StrategyOptions,
} from 'workbox-strategies';
import {
  HELD_AT,
  type Hold,
  isForget,
  isHold,
  isPhoto,
  mayBeHeld,
  NOT_HELD,
  PAGES,
  PHOTOS,
  PROGRAM,
  TITLE,
} from './held';

/** The program's files with their revisions, written here when it is built. */
declare const ZH_FILES: PrecacheEntry[];

/** As much of a worker's scope as is used here. */
interface Scope {
  readonly location: Location;
  readonly clients: { readonly claim: () => Promise<void> };
  readonly addEventListener: (
    name: 'activate' | 'message',
    heard: (event: ExtendableEvent & { readonly data?: unknown }) => void,
  ) => void;
}
interface ExtendableEvent extends Event {
  readonly waitUntil: (work: Promise<unknown>) => void;
}
const scope = self as unknown as Scope;

/** A server that does not answer for so long is taken for away, where the page is held. */
const PATIENCE_S = 8;
const TWO_DAYS_S = 2 * 24 * 3600;
/** Between two pages that are fetched to be held the server has others to answer. */
const PAUSE_MS = 200;

/** A page as it is stored: asked for when (ms), under which title, and the same for everybody who asks for it. */
async function stamped(response: Response, askedAt: number): Promise<Response> {
  const text = await response.text();
  const headers = new Headers(response.headers);
  headers.set(HELD_AT, String(askedAt));
  headers.set(TITLE, encodeURIComponent(/<title>([^<]*)</.exec(text)?.[1] ?? ''));
  headers.delete('vary');
  return new Response(text, { status: response.status, headers });
}

const isWholePage = ({ status, redirected, headers }: Response): boolean =>
  status === 200 && !redirected && /text\/html/.test(headers.get('content-type') ?? '');

type Plugin = NonNullable<StrategyOptions['plugins']>[number];

/** Stores whole pages only, stamped. */
const stamp: Plugin = {
  requestWillFetch: ({ request, state }) => {
    // What is written while the page is on its way may not be in it.
    if (state) state.askedAt = Date.now();
    return Promise.resolve(request);
  },
  cacheWillUpdate: ({ response, state }) =>
    isWholePage(response)
      ? stamped(response, Number(state?.askedAt ?? Date.now()))
      : Promise.resolve(null),
};

const kept: StrategyOptions = {
  cacheName: PAGES,
  matchOptions: { ignoreVary: true },
  plugins: [
    stamp,
    new ExpirationPlugin({
      ...{ maxEntries: 200, maxAgeSeconds: TWO_DAYS_S },
      ...{ matchOptions: { ignoreVary: true }, purgeOnQuotaError: true },
    }),
  ],
};

/** Fetches a page and stores it; nothing that is stored is handed out in its place. */
class Fetched extends Strategy {
  protected override _handle(request: Request, handler: StrategyHandler): Promise<Response> {
    return handler.fetchAndCachePut(request);
  }
}
const fetched = new Fetched(kept);

/** A photo never changes: it is stored as it comes. */
const photosKept: StrategyOptions = {
  cacheName: PHOTOS,
  matchOptions: { ignoreVary: true },
  plugins: [
    new ExpirationPlugin({
      ...{ maxEntries: 300, maxAgeSeconds: TWO_DAYS_S },
      ...{ matchOptions: { ignoreVary: true }, purgeOnQuotaError: true },
    }),
  ],
};
const fetchedPhoto = new Fetched(photosKept);

/** The version at which the pages of something were held last. */
const heldAt = new Map<string, number>();
/** The job that is at hand. */
let latest: Hold | null = null;

/** Counts how often everything was thrown away. */
let forgotten = 0;

/** Nobody is in, or somebody else: nothing that was rendered for one is handed out to another. */
async function forget(): Promise<void> {
  forgotten += 1;
  latest = null;
  heldAt.clear();
  await Promise.all([caches.delete(PAGES), caches.delete(PHOTOS)]);
}

/** Photos that are on this screen already. */
const isOnScreen = async (page: string): Promise<boolean> =>
  (await (await caches.open(PHOTOS)).match(page, { ignoreVary: true })) !== undefined;

/** Fetches a page or a photo to be held. */
const asked = (page: string, event: ExtendableEvent) => {
  const isOfPhoto = isPhoto(new URL(page, scope.location.origin).pathname);
  const request = new Request(page, isOfPhoto ? {} : { headers: { accept: 'text/html' } });
  const strategy = isOfPhoto ? fetchedPhoto : fetched;
  return { request, of: isOfPhoto ? PHOTOS : PAGES, under: strategy.handleAll({ event, request }) };
};

/** Holds pages one after the other, until the server is away, nobody is signed in, or others are wanted. */
async function hold(wanted: Hold, event: ExtendableEvent): Promise<void> {
  if (heldAt.get(wanted.of) === wanted.version) return;
  const before = forgotten;
  if (wanted.of !== PROGRAM) latest = wanted;
  for (const page of wanted.pages) {
    // Another job is at hand now.
    if (wanted.of !== PROGRAM && latest !== wanted) return;
    if (await isOnScreen(page)) continue;
    const {
      request,
      of,
      under: [answer, done],
    } = asked(page, event);
    const response = await answer.catch(() => null);
    await done.catch(() => undefined);
    if (forgotten !== before) {
      // It was on its way meanwhile.
      await (await caches.open(of)).delete(request, { ignoreVary: true });
      return;
    }
    if (!response || response.redirected || response.status === 401) return;
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
  }
  heldAt.set(wanted.of, wanted.version);
}

precacheAndRoute(ZH_FILES);
cleanupOutdatedCaches();

const isOwnPage = ({ request, url }: { request: Request; url: URL }): boolean =>
  request.mode === 'navigate' && url.origin === scope.location.origin;
registerRoute(
  ({ request, url }) =>
    request.method === 'GET' && url.origin === scope.location.origin && isPhoto(url.pathname),
  new NetworkFirst({ ...photosKept, networkTimeoutSeconds: PATIENCE_S }),
);
registerRoute(
  (page) => isOwnPage(page) && mayBeHeld(page.url.pathname),
  new NetworkFirst({ ...kept, networkTimeoutSeconds: PATIENCE_S }),
);
registerRoute(
  (page) => isOwnPage(page) && !page.url.pathname.startsWith('/api/'),
  new NetworkOnly(),
);
setCatchHandler(async ({ request }) => {
  const page = request.mode === 'navigate' && (await caches.match(NOT_HELD, { ignoreVary: true }));
  return page || Response.error();
});

scope.addEventListener('activate', (event) => event.waitUntil(scope.clients.claim()));
scope.addEventListener('message', (event) => {
  if (isHold(event.data)) event.waitUntil(hold(event.data, event));
  if (isForget(event.data)) event.waitUntil(forget());
});
