// The built application behind an HTTP server of our own: what the framework’s router would fail
// on (a path that cannot be decoded, a method that it does not know) is refused before it.
import { createServer } from 'node:http';
import next from 'next';
import { isWithinReach, refusedAddress } from './lib/reach.mjs';

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

function refuse(response, [status, message]) {
  const error = { code: 'unreadable', message, path: '' };
  response.writeHead(status, {
    'Content-Type': 'application/json',
    'Cache-Control': 'no-store',
    'X-Content-Type-Options': 'nosniff',
    'Content-Security-Policy': "default-src 'none'",
    ...(status === 405 ? { Allow: METHODS.join(', ') } : {}),
  });
  response.end(JSON.stringify({ error }));
}

const hostname = process.env.HOST || '127.0.0.1';
const port = Number(process.env.PORT || 3000);
const isNetwork = process.argv.includes('--network');
const refused = refusedAddress(hostname, isNetwork);
if (refused !== null) {
  console.error(refused);
  process.exit(1);
}
const app = next({ dev: false, hostname, port, dir: process.cwd() });
const handle = app.getRequestHandler();
await app.prepare();
const ELSEWHERE = [403, 'This server answers on its own machine only.'];
const server = createServer((request, response) => {
  const isHere = isWithinReach(request.socket.remoteAddress, isNetwork);
  const why = isHere ? unreadable(request) : ELSEWHERE;
  if (why) refuse(response, why);
  else void handle(request, response);
});
server.on('error', (error) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Something listens at ${hostname}:${port} already: say another PORT.`
      : error.message,
  );
  process.exit(1);
});
// Longer than a browser keeps a connection that it does not use: it closes it, never we.
server.keepAliveTimeout = 75_000;
server.headersTimeout = 80_000;
server.listen(port, hostname, () => {
  console.log(`Zesty Hound answers at http://${hostname}:${port}`);
  if (isNetwork) {
    console.log(
      'It is open to the network, and nobody has to sign in: whoever reaches it can do everything.',
    );
  }
});
