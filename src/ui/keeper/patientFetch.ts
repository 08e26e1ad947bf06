const AGAIN_AFTER_MS = 1000;

/** Whether a request is the router’s, for what a page shows. */
const isForAPage = (init: RequestInit | undefined): boolean =>
  new Headers(init?.headers).has('rsc');

/**
 * A fetch that asks again for what a page shows until the server has answered in full. Where its
 * own fetch fails, the router loads the address as a whole: with the server or the network gone
 * that puts the browser’s own page in the place of what is being worked on.
 */
export const patientFetch =
  (plain: typeof fetch): typeof fetch =>
  async (input, init) => {
    if (!isForAPage(init)) return plain(input, init);
    for (;;) {
      try {
        const response = await plain(input, init);
        await response.clone().arrayBuffer();
        return response;
      } catch (fault) {
        if (init?.signal?.aborted) throw fault;
        await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER_MS));
      }
    }
  };
