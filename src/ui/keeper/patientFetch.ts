const AGAIN_AFTER_MS = 1000;

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
 * begins to wait for the server, and when that is over.
 */
export const patientFetch =
  (plain: typeof fetch, onWait: (isWaiting: boolean) => void = () => undefined): typeof fetch =>
  async (input, init) => {
    if (!isForAPage(init)) return plain(input, init);
    for (let isWaiting = false; ; isWaiting = true) {
      try {
        const response = await plain(input, init);
        await response.clone().arrayBuffer();
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
