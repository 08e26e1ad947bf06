const AGAIN_AFTER_MS = 1000;
/** Where the page that is wanted is held, a server that does not answer for so long is taken for away. */
const PATIENCE_MS = 6000;

const hrefOf = (input: RequestInfo | URL): string =>
  input instanceof Request ? input.url : String(input);

class Away extends Error {}

/** Ends with `Away` where an answer takes too long. */
const within = <Value>(ms: number, answer: Promise<Value>): Promise<Value> =>
  new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Away('The server does not answer')), ms);
    void answer.then(resolve, reject).finally(() => clearTimeout(timer));
  });

/** Whether a request is the router’s, for a page that is wanted now: not one fetched ahead. */
function isForAPage(init: RequestInit | undefined): boolean {
  const headers = new Headers(init?.headers);
  const isAhead =
    headers.has('next-router-prefetch') || headers.has('next-router-segment-prefetch');
  return headers.has('rsc') && !isAhead;
}

/**
 * A fetch that asks again for what a page shows until the server has answered in full. Where its
 * own fetch fails, the router loads the address as a whole: with the server or the network gone
 * that puts the browser’s own page in the place of what is being worked on. `onWait` hears when it
 * begins to wait for the server, and when that is over. `openHeld` opens a page that this screen
 * holds in its place, and answers whether there is one.
 */
export const patientFetch =
  (
    plain: typeof fetch,
    onWait: (isWaiting: boolean) => void = () => undefined,
    openHeld: (href: string) => Promise<boolean> = () => Promise.resolve(false),
  ): typeof fetch =>
  async (input, init) => {
    if (!isForAPage(init)) return plain(input, init);
    /** Nobody waits any more: the page that asks is about to go. */
    const gone = new Promise<never>(() => undefined);
    const answered = async (): Promise<Response> => {
      const response = await plain(input, init);
      await response.clone().arrayBuffer();
      return response;
    };
    for (let isWaiting = false; ; isWaiting = true) {
      const answer = answered();
      try {
        const response = await within(PATIENCE_MS, answer).catch(async (fault: unknown) => {
          if (init?.signal?.aborted) throw fault;
          if (await openHeld(hrefOf(input))) return gone;
          if (fault instanceof Away) return answer;
          throw fault;
        });
        if (isWaiting) onWait(false);
        return response;
      } catch (fault) {
        if (init?.signal?.aborted) {
          if (isWaiting) onWait(false);
          throw fault;
        }
        if (!isWaiting) onWait(true);
        await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER_MS));
      }
    }
  };
