// What the server says of itself: a line a request that was slow or went wrong (every one on the network), and
// figures in the open text format. Never a query, a name or a word of a customer: a place is told by its pattern.
import pino from 'pino';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';

/** What takes longer is named. */
const SLOW_MS = 1000;
/** Places are told apart up to so many: an address that somebody makes up is none. */
const MOST_PLACES = 200;
const ID = /[0-9a-f]{8}-[0-9a-f-]{27}|(?<=\/)\d+(?=\/|$)/gi;
/** A stream is open for minutes: that is no slowness. */
const STREAMS = ['/api/v1/live'];

/** Where a request goes, without what is its own: ids and the query. */
export function placeOf(url) {
  const [place = '/'] = url.split('?');
  if (place.startsWith('/_next/')) return '/_next';
  return place.replace(ID, ':id').split('/').slice(0, 7).join('/');
}

/** Watches requests; `log` writes lines of JSON. */
export function createWatch({ level, destination }) {
  const log = pino({ level, base: null, timestamp: pino.stdTimeFunctions.isoTime }, destination);
  const register = new Registry();
  collectDefaultMetrics({ register, prefix: 'zesty_hound_' });
  const took = new Histogram({
    name: 'zesty_hound_request_seconds',
    help: 'How long requests took, by place and status.',
    labelNames: ['method', 'place', 'status'],
    buckets: [0.01, 0.03, 0.1, 0.3, 1, 3, 10],
    registers: [register],
  });
  const open = new Gauge({
    name: 'zesty_hound_requests_open',
    help: 'Requests and streams that are open now.',
    registers: [register],
  });
  const places = new Set();
  const known = (place) => {
    if (places.size < MOST_PLACES) places.add(place);
    return places.has(place) ? place : 'other';
  };
  return {
    log,
    /** The figures as text, with the type that they are sent as. */
    figures: async () => ({ type: register.contentType, text: await register.metrics() }),
    /** Begins to watch a request. */
    begin(request, response) {
      const since = performance.now();
      const { method = 'GET', url = '/' } = request;
      open.inc();
      response.once('close', () => {
        open.dec();
        const ms = Math.round(performance.now() - since);
        const place = placeOf(url);
        const { statusCode: status } = response;
        const told = { method, place, status, ms, ...whoAsked(request.headers) };
        if (!STREAMS.includes(place)) {
          took.observe({ method, place: known(place), status }, ms / 1000);
        }
        if (status >= 500) log.error(told, 'went wrong');
        else if (ms >= SLOW_MS && !STREAMS.includes(place)) log.warn(told, 'slow');
        else log[place === '/_next' ? 'debug' : 'info'](told, 'answered');
      });
    },
  };
}

/** Ids of who asked, as the door wrote them down. */
const whoAsked = (headers) =>
  Object.fromEntries(
    ['device', 'person', 'program']
      .map((name) => [name, headers[`x-zh-${name}`]])
      .filter(([, id]) => id !== undefined),
  );
