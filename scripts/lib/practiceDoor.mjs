// What comes by the door of practice: pages and what they ask, of the records of practice; signing in, of the shop's;
// nothing that takes records out of practice or brings any in.

/** Who somebody is, is known by the shop alone. */
const OF_SHOP = /^\/(sign-in|pair)(\/|$)|^\/api\/v1\/(session|pair|secrets)(\/|$)/;

/** What the pages of a job ask and write; whatever else the program answers to is the shop's. */
const ASKED_BY_PAGES =
  /^\/api\/(health$|v1\/(writes|live|line|find|who)$|v1\/(solve|photos|road-tests)\/|v1\/jobs\/[^/]+\/(photos|readings|version|report\.pdf|estimate\.pdf)$|v1\/sets\/[^/]+\/(changes|readings)$|v1\/vehicles\/[^/]+\/effects$)/;

/** Which records a request by the door of practice is about; null for what is closed there. */
export function storeOfPractice(url = '/') {
  const [place] = url.split('?');
  if (OF_SHOP.test(place)) return 'shop';
  return place.startsWith('/api/') && !ASKED_BY_PAGES.test(place) ? null : 'practice';
}

/** What is said where a request is closed there. */
export const CLOSED_IN_PRACTICE = [
  403,
  'In practice nothing goes out and nothing comes in: open it in the shop’s own records.',
  'forbidden',
];

/** Listens at an address, or at any port of it that is free; answers at which. */
const listen = (door, { hostname, port }) =>
  new Promise((resolve, reject) => {
    door.once('listening', () => resolve(door.address().port));
    door.once('error', () => {
      door.once('error', reject);
      door.listen(0, hostname);
    });
    door.listen(port, hostname);
  });

/**
 * Opens a door when it is first asked for, and answers at which port it is found, then and whenever it is asked for
 * again; one that failed is tried anew. `opened` is told of it.
 */
export function practiceOpener(make, place, opened = () => undefined) {
  let port = null;
  const open = async () => {
    const door = make();
    const at = await listen(door, place);
    opened(door);
    return at;
  };
  return () =>
    (port ??= open().catch((error) => {
      port = null;
      throw error;
    }));
}
