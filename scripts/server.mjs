// The built application behind a server of our own: what the framework’s router would fail on (a path that cannot be
// decoded, a method that it does not know) is refused before it, and so is whoever may not come in.
import { AsyncLocalStorage } from 'node:async_hooks';
import { existsSync } from 'node:fs';
import { createServer as createPlain } from 'node:http';
import { createServer as createSecure } from 'node:https';
import path from 'node:path';
import next from 'next';
import {
  authorityFile,
  certificateOf,
  fingerprintOf,
  ownAddresses,
  ownNames,
} from './lib/certificate.mjs';
import { createDoor } from './lib/door.mjs';
import { outliveReaders } from './lib/outlive.mjs';
import { CLOSED_IN_PRACTICE, practiceOpener, storeOfPractice } from './lib/practiceDoor.mjs';
import { createWatch } from './lib/watch.mjs';
import { isWithinReach, refusedAddress } from './lib/reach.mjs';

outliveReaders();

const METHODS = ['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE'];

/** Why a request cannot be read, with the status that says so; null where it can. */
function unreadable({ method, url = '/' }) {
  if (!METHODS.includes(method ?? '')) return [405, 'This method is not answered here.'];
  const [place] = url.split('?');
  try {
    decodeURIComponent(place);
    // A browser sends a path without steps back in it.
    if (new URL(place, 'http://here').pathname === place) return null;
  } catch {
    // Said below.
  }
  return [400, 'This address cannot be read.'];
}

function refuse(response, [status, message, code = 'unreadable']) {
  const error = { code, message, path: '' };
  response.writeHead(status, {
    'Content-Type': 'application/json',
    'Cache-Control': 'no-store',
    'X-Content-Type-Options': 'nosniff',
    'Content-Security-Policy': "default-src 'none'",
    ...(status === 405 ? { Allow: METHODS.join(', ') } : {}),
  });
  response.end(JSON.stringify({ error }));
}

function end(message) {
  console.error(message);
  process.exit(1);
}

const isNetwork = process.argv.includes('--network');
/** A proxy of the shop’s own on this machine speaks TLS for it; then it is plain HTTP on loopback. */
const isBehindProxy = isNetwork && process.env.TRUST_PROXY === '1';
const isSecure = isNetwork && !isBehindProxy;
/** On the network everybody in it is answered, unless one address is said. */
const EVERYWHERE = '0.0.0.0';
const hostname = process.env.HOST || (isSecure ? EVERYWHERE : '127.0.0.1');
const port = Number(process.env.PORT || 3000);
const folder = process.env.ZESTY_HOUND_DATA ?? 'data';
const refused = refusedAddress(hostname, isSecure);
if (refused !== null) end(refused);

const given = (process.env.ZESTY_HOUND_HOSTS ?? '').split(',').map((name) => name.trim());
const names = () => ownNames(given.filter(Boolean));
/** Where another screen finds this server: behind a proxy that is to be said. */
const saidAddress = process.env.ZESTY_HOUND_ADDRESS;
function address() {
  if (saidAddress) return saidAddress;
  const place = hostname === EVERYWHERE ? (ownAddresses()[0] ?? 'localhost') : hostname;
  return `${isSecure ? 'https' : 'http'}://${place.includes(':') ? `[${place}]` : place}:${port}`;
}
/** Tells the program by which names it is called and where it is found: a machine’s addresses may change. */
function sayWhere() {
  if (isSecure) {
    process.env.ZESTY_HOUND_HOSTS = names()
      .map((name) => (name.includes(':') ? `[${name}]` : name))
      .join(',');
  }
  process.env.ZESTY_HOUND_ADDRESS = address();
}
sayWhere();
process.env.ZESTY_HOUND_SIGN_IN = isNetwork ? '1' : '';

const app = next({ dev: false, hostname, port, dir: process.cwd() });
const handle = app.getRequestHandler();
await app.prepare();

// On one machine only what was slow or went wrong is said.
const watch = createWatch({
  level: process.env.ZESTY_HOUND_LOG_LEVEL || (isNetwork ? 'info' : 'warn'),
});
const door = createDoor({ isNetwork, isBehindProxy });
await door.isReady();
const ELSEWHERE = [403, 'This server answers on its own machine only.', 'forbidden'];
globalThis.zestyHoundFigures = watch.figures;

/** By which door a request came: the program asks the records of practice for what came by theirs. */
const store = (globalThis.zestyHoundStore ??= new AsyncLocalStorage());

async function answer(request, response, which) {
  watch.begin(request, response);
  // A proxy of the shop’s own stands on this machine, and nobody else reaches it.
  const isHere = isWithinReach(request.socket.remoteAddress, isSecure);
  const why = isHere ? unreadable(request) : ELSEWHERE;
  if (why) return refuse(response, why);
  try {
    if (!(await door(request, response, refuse))) return;
  } catch (error) {
    watch.log.error({ why: String(error) }, 'the door could not ask who came');
    return refuse(response, [503, 'The records do not answer just now.', 'unavailable']);
  }
  // Who may come in is known by the shop's records, whichever door it is.
  const records = which === 'practice' ? storeOfPractice(request.url) : which;
  if (records === null) return refuse(response, CLOSED_IN_PRACTICE);
  await store.run(records, () => handle(request, response));
}
const listenerOf = (which) => (request, response) => void answer(request, response, which);

const certificate = isSecure ? await certificateOf(folder, names()) : null;
// What the page to pair hands out: nothing behind a proxy, whose certificate is its own affair.
process.env.ZESTY_HOUND_AUTHORITY = certificate ? authorityFile(folder) : '';
function doorOf(which) {
  const made = certificate
    ? createSecure(certificate, listenerOf(which))
    : createPlain(listenerOf(which));
  // Longer than a browser keeps a connection that it does not use: it closes it, never we.
  made.keepAliveTimeout = 75_000;
  made.headersTimeout = 80_000;
  return made;
}
const server = doorOf('shop');
const doors = [server];
if (certificate) {
  const lookAgain = async () => {
    sayWhere();
    const now = await certificateOf(folder, names());
    if (!now.isNew) return;
    for (const each of doors) each.setSecureContext({ key: now.key, cert: now.cert });
  };
  const DAILY_MS = 24 * 3600 * 1000;
  setInterval(
    () => void lookAgain().catch((error) => console.error(String(error))),
    DAILY_MS,
  ).unref();
}
server.on('error', (error) =>
  end(
    error.code === 'EADDRINUSE'
      ? `Something listens at ${hostname}:${port} already: say another PORT.`
      : error.message,
  ),
);

/** The port after one, or any where that is the last. */
const beside = (at) => (at < 65_535 ? at + 1 : 0);
/** The door of practice: the same pages on records of its own, at an origin of its own; none where a proxy stands before us. */
if (!isBehindProxy) {
  globalThis.zestyHoundPractice = practiceOpener(
    () => doorOf('practice'),
    { hostname, port: Number(process.env.ZESTY_HOUND_PRACTICE_PORT || beside(port)) },
    (door) => doors.push(door),
  );
}
server.listen(port, hostname, () => {
  // Who practised before finds the door open: it may stand on a screen.
  if (existsSync(path.join(folder, 'practice'))) {
    globalThis.zestyHoundPractice?.().catch((error) => console.error(String(error)));
  }
  console.log(`Zesty Hound answers at ${isBehindProxy ? `http://${hostname}:${port}` : address()}`);
  if (certificate) {
    console.log(
      `Its certificate is its own: a browser asks once whether to go on. SHA-256 ${fingerprintOf(certificate.cert)}`,
    );
    console.log(
      `A screen that trusts the shop’s authority (${authorityFile(folder)}, or by the page to pair) is never asked, and goes on without the server. SHA-256 ${fingerprintOf(certificate.authority)}`,
    );
  }
  if (isNetwork) void door.sayFirstCode(address());
});
