import { FORGET, HELD_AT, mayBeHeld, PAGES, PHOTOS, TITLE } from '@/workers/offline/held';
import { forgetDone } from '../keeper/doneLog';

const canHold = (): boolean => typeof window !== 'undefined' && 'caches' in window;

/** The address as pages are held under it: without its place in the page, and without what the router adds. */
function addressOf(href: string): URL {
  const address = new URL(href, window.location.href);
  address.hash = '';
  address.searchParams.delete('_rsc');
  return address;
}

async function held(href: string): Promise<Response | null> {
  if (!canHold()) return null;
  const pages = await caches.open(PAGES);
  return (await pages.match(addressOf(href).href, { ignoreVary: true })) ?? null;
}

/** Whether this screen holds a page other than the one that is open. */
export async function isHeldElsewhere(href: string): Promise<boolean> {
  if (addressOf(href).pathname === window.location.pathname) return false;
  return mayBeHeld(addressOf(href).pathname) && (await held(href).catch(() => null)) !== null;
}

/**
 * When the page that is open was rendered for this screen, in ms by its clock. A page that was held says so; it is
 * known by the number that the server gives each of its pages once (the nonce of its scripts).
 */
export async function renderedAt(): Promise<number> {
  const now = Math.floor(performance.timeOrigin);
  const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce;
  if (!nonce) return now;
  const stored = await held(window.location.href).catch(() => null);
  const policy = stored?.headers.get('content-security-policy') ?? '';
  return policy.includes(`'nonce-${nonce}'`) ? Number(stored?.headers.get(HELD_AT) ?? now) : now;
}

/** A page that is held: where it is, its title, and since when (ms). */
export interface HeldPage {
  readonly path: string;
  readonly title: string;
  readonly at: number;
}

/** Every page that this screen holds, the newest first. */
export async function heldPages(): Promise<HeldPage[]> {
  if (!canHold()) return [];
  const pages = await caches.open(PAGES);
  const found = await Promise.all(
    (await pages.keys()).map(async (request) => {
      const { headers } = (await pages.match(request)) ?? new Response();
      const { pathname, search } = new URL(request.url);
      return {
        path: pathname + search,
        title: decodeURIComponent(headers.get(TITLE) ?? ''),
        at: Number(headers.get(HELD_AT)),
      };
    }),
  );
  return found.sort((p, q) => q.at - p.at);
}

/** Throws away every page that this screen holds, and what was done on it: somebody else may come next. */
export async function forgetPages(): Promise<void> {
  if (!canHold()) return;
  const worker = await navigator.serviceWorker?.getRegistration();
  worker?.active?.postMessage(FORGET);
  await Promise.allSettled([caches.delete(PAGES), caches.delete(PHOTOS), forgetDone()]);
}
