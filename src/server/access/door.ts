import 'server-only';
import { NextRequest } from 'next/server';
import { holds } from '../../core/access';
import { findAtDoor, findProgram, touch, touchProgram, type Found } from '../../db/repositories';
import { database } from '../database';
import { hashOf } from './hash';
import { DEVICE_COOKIE, DOOR_HEADERS, SESSION_COOKIE } from './mode';

/** A request as it stands at the door, before anything of the program has seen it. */
export interface Knock {
  readonly method: string;
  /** Path and query. */
  readonly url: string;
  readonly cookie: string;
  /** What another program shows: “Bearer” and its key. */
  readonly authorization?: string;
  /** The address that it comes from. */
  readonly peer: string;
  /** Whether that is the server’s own machine, and not by a proxy there. */
  readonly isOwnMachine: boolean;
  /** Whether a browser wants a page of its own for it, and not data for one that it shows. */
  readonly isPage: boolean;
}

/** What the door says: come in as somebody, go to another page, or no. */
export type Door =
  | { readonly is: 'open'; readonly headers: Readonly<Record<string, string>> }
  | { readonly is: 'elsewhere'; readonly to: string }
  | { readonly is: 'shut'; readonly status: 401; readonly message: string };

/** Files of the program itself: the same for everybody, and nothing of the shop is in them. */
const PROGRAM =
  /^\/(_next\/static\/|icon\.svg$|(icon(-maskable)?-\d+|apple-icon)\.png$|manifest\.webmanifest$)/;
const PAIRING = ['/pair', '/api/v1/pair'];
const SIGNING_IN = ['/sign-in', '/api/v1/session'];
/** What a screen asks for by itself: nobody has to be there for it. */
const BY_ITSELF = /^\/api\/(health$|v1\/live$|v1\/jobs\/[^/]+\/version$)/;
const TOUCH_EVERY_MS = 30_000;

const NOT_PAIRED = 'This screen is not paired with the program. Open /pair on it.';
const NOBODY = 'Nobody is signed in at this screen. Open /sign-in on it.';

const shut = (message: string): Door => ({ is: 'shut', status: 401, message });

/** All that a program may ask which only looks whether all is well. */
const WATCHING = ['/api/health', '/api/metrics'];
const NO_KEY = 'This key does not count, or not for this.';

/** Another program of the shop comes in by its key: to the routes of data, never to a page. */
async function answerProgram(authorization: string, pathname: string, now: number): Promise<Door> {
  const key = /^Bearer (\S{20,200})$/.exec(authorization)?.[1] ?? '';
  const program = await findProgram(await database(), hashOf(key));
  const mayAsk =
    program?.role === 'monitor' ? WATCHING.includes(pathname) : pathname.startsWith('/api/');
  if (!program || !mayAsk) return shut(NO_KEY);
  if (now - (program.usedAt?.getTime() ?? 0) > TOUCH_EVERY_MS) {
    await touchProgram(await database(), program.id);
  }
  return { is: 'open', headers: { [DOOR_HEADERS.program]: program.id } };
}

/** Who shows these cookies; null where the screen is not paired. */
async function whoShows(cookies: NextRequest['cookies']): Promise<Found | null> {
  const [device = '', key = ''] = (cookies.get(DEVICE_COOKIE)?.value ?? '').split('.');
  if (!/^[0-9a-f-]{36}$/.test(device) || key === '') return null;
  const session = cookies.get(SESSION_COOKIE)?.value;
  return findAtDoor(await database(), {
    ...{ device, key: hashOf(key) },
    session: session ? hashOf(session) : null,
  });
}

/** A session that still holds, of somebody who still works here; null otherwise. */
function heldSession({ session, person }: Found, now: number) {
  if (!session || !person) return null;
  const { beganAt, usedAt, endedAt } = session;
  const times = { beganAt: beganAt.getTime(), usedAt: usedAt.getTime() };
  return holds({ ...times, endedAt: endedAt?.getTime() ?? null }, now) ? { session, person } : null;
}

/** What is said of who came in, for the program behind the door. */
function headersOf({ device }: Found, held: ReturnType<typeof heldSession>, now: number) {
  return {
    [DOOR_HEADERS.device]: device.id,
    [DOOR_HEADERS.deviceName]: encodeURIComponent(device.name),
    ...(held && {
      [DOOR_HEADERS.person]: held.person.id,
      [DOOR_HEADERS.session]: held.session.hash,
      ...((held.session.sureUntil?.getTime() ?? 0) > now ? { [DOOR_HEADERS.sure]: '1' } : {}),
    }),
  };
}

/**
 * Judges a request before anything else does: a screen that is not paired gets the pairing page and
 * nothing else, one without a person the page to sign in. Throws where the records cannot be asked.
 */
export async function answerDoor(knock: Knock, now = Date.now()): Promise<Door> {
  const { pathname, search } = new URL(knock.url, 'http://here');
  const peer = {
    [DOOR_HEADERS.peer]: knock.peer,
    ...(knock.isOwnMachine ? { [DOOR_HEADERS.ownMachine]: '1' } : {}),
  };
  if (PROGRAM.test(pathname)) return { is: 'open', headers: peer };
  if (knock.authorization) return answerProgram(knock.authorization, pathname, now);
  const headers = { cookie: knock.cookie };
  const found = await whoShows(new NextRequest('http://here', { headers }).cookies);
  if (!found) {
    if (PAIRING.includes(pathname)) return { is: 'open', headers: peer };
    return knock.isPage ? { is: 'elsewhere', to: '/pair' } : shut(NOT_PAIRED);
  }
  const held = heldSession(found, now);
  await touchNowAndThen(found, held !== null && !BY_ITSELF.test(pathname), now);
  const open: Door = { is: 'open', headers: { ...peer, ...headersOf(found, held, now) } };
  if (held || SIGNING_IN.includes(pathname)) return open;
  const back =
    knock.method === 'GET' && pathname !== '/'
      ? `?to=${encodeURIComponent(pathname + search)}`
      : '';
  return knock.isPage ? { is: 'elsewhere', to: `/sign-in${back}` } : shut(NOBODY);
}

async function touchNowAndThen(
  { device, session }: Found,
  isAtWork: boolean,
  now: number,
): Promise<void> {
  const isOld = (at: Date): boolean => now - at.getTime() > TOUCH_EVERY_MS;
  const own = isAtWork && session && isOld(session.usedAt) ? session.hash : null;
  if (own === null && !isOld(device.seenAt)) return;
  await touch(await database(), { device: device.id, session: own });
}
