// Who comes in: every request is judged before the program sees it. What the program is told of it stands in headers
// that nobody but this file writes.
import { isLoopback } from './reach.mjs';

/** Names of headers that say who came in: nothing that is sent under them gets through. */
const OURS = /^x-zh-/;
/** What the framework says to itself: nobody outside has it to say. */
const FRAMEWORK = /^x-(middleware|invoke|matched|now)-/;
/** What a proxy says of whom it passes on. */
const FORWARDED = /^(forwarded|x-forwarded-|x-real-ip$)/;
/** The command that makes a copy shows a pass that only the data folder has. */
const FOLDER_PASS = '/api/v1/backup/now';
const LOOK_EVERY_MS = 50;
/** A way elsewhere carries them as well as any answer. */
const STRICT_HEADERS = {
  'Cache-Control': 'no-store',
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'no-referrer',
  'Content-Security-Policy': "default-src 'none'",
};

/** The last of a list: what our own proxy added. Whatever stands before it anybody may have sent. */
const last = (value) =>
  String(value ?? '')
    .split(',')
    .at(-1)
    .trim();

/**
 * Judges requests. Without the network everybody at this machine comes in; with it the program says who: a screen that is
 * not paired gets the pairing page, one without a person the page to sign in.
 */
export function createDoor({ isNetwork, isBehindProxy }) {
  /** Takes off what only the door or a trusted proxy may say; answers where the request came from. */
  function clean(request) {
    const peer = isBehindProxy ? last(request.headers['x-forwarded-for']) : '';
    for (const name of Object.keys(request.headers)) {
      const isOurs = OURS.test(name) || FRAMEWORK.test(name);
      if (isOurs || (!isBehindProxy && FORWARDED.test(name))) delete request.headers[name];
    }
    return peer || (request.socket.remoteAddress ?? '');
  }

  async function door(request, response, refuse) {
    const peer = clean(request);
    if (!isNetwork) return true;
    const { method, url, headers } = request;
    const isHere = isLoopback(request.socket.remoteAddress);
    if (isHere && method === 'POST' && url === FOLDER_PASS && headers.authorization) return true;
    // Behind a proxy everybody comes from this machine: then nobody counts as sitting at it.
    const isOwnMachine = isHere && !isBehindProxy;
    const answer = await globalThis.zestyHoundDoor({
      ...{ method, url, peer, isOwnMachine },
      ...{ cookie: headers.cookie ?? '', authorization: headers.authorization ?? '' },
      isPage:
        headers['sec-fetch-dest'] === 'document' ||
        (!headers.rsc && /text\/html/.test(headers.accept ?? '')),
    });
    if (answer.is === 'open') {
      Object.assign(headers, answer.headers);
      return true;
    }
    if (answer.is === 'shut') refuse(response, [answer.status, answer.message, 'not-in']);
    else {
      response.writeHead(303, { Location: answer.to, ...STRICT_HEADERS });
      response.end();
    }
    return false;
  }

  /** The program makes the door while it opens its records; one that may not be opened ends the process with words. */
  door.isReady = async () => {
    while (isNetwork && !globalThis.zestyHoundDoor) {
      await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
    }
  };

  /** Where no screen is paired yet, this terminal is the one that is in: it shows a code, and another at each Enter. */
  door.sayFirstCode = async (address) => {
    const say = async () => {
      const code = await globalThis.zestyHoundFirstCode?.();
      if (!code) return;
      console.log(
        `Pair the first screen at ${address}/pair with the code ${code} (two minutes, once).`,
      );
    };
    await say();
    if (!process.stdin.isTTY) return;
    console.log('Press Enter for another code.');
    process.stdin.on('data', () => void say());
    process.stdin.unref();
  };
  return door;
}
