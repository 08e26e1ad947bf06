import { execFileSync } from 'node:child_process';
import type { Served } from '../bench/serve';
import type { Ids } from './place';

/** What a screen sends with everything: its cookies, and who is at it. */
export interface Carried {
  readonly cookie: string;
  readonly by: string;
}

const PASSWORD = 'wet rust on the lift';
const LEAD = 'Ines';

type Send = (path: string, body: object, cookie: string) => Promise<Answer>;
interface Answer {
  readonly value: unknown;
  /** The cookies that were sent, with those that came. */
  readonly cookie: string;
}

const sendTo =
  (address: string): Send =>
  async (path, body, cookie) => {
    const answer = await fetch(address + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: address, cookie },
      body: JSON.stringify(body),
    });
    const text = await answer.text();
    if (!answer.ok) throw new Error(`${path} answers ${answer.status}: ${text}`);
    const came = answer.headers.getSetCookie().map((each) => each.split(';')[0]!);
    return {
      value: (JSON.parse(text) as { value: unknown }).value,
      cookie: [...(cookie === '' ? [] : [cookie]), ...came].join('; '),
    };
  };

/** A PIN that nobody would guess, another for each person. */
const pinOf = (number: number): string => String(402_917 + number * 73_153);

/** A server that is open to the network, and what a screen needs to come in. */
export interface OpenShop {
  readonly server: Served;
  readonly lead: string;
  /** Pairs one more screen by a code of the desk; its cookie, nobody signed in. */
  readonly pair: (name: string) => Promise<string>;
  /** Signs somebody in at a paired screen by the PIN that they were given. */
  readonly signIn: (paired: string, person: string) => Promise<Carried>;
}

/**
 * Gives a lead a password by the command on the server, opens it to the network, pairs a desk by that, and gives
 * everybody of the shop a PIN.
 */
export async function openShop(
  folder: string,
  ids: Ids,
  start: () => Promise<Served>,
): Promise<OpenShop> {
  // The server’s certificate is its own; everything here stays on this machine.
  process.env.NODE_TLS_REJECT_UNAUTHORIZED = '0';
  execFileSync(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', 'src/cli/lead.ts', LEAD],
    { input: `${PASSWORD}\n`, env: { ...process.env, ZESTY_HOUND_DATA: folder, DATABASE_URL: '' } },
  );
  const server = await start();
  const send = sendTo(server.address);
  const office = await send('/api/v1/pair', { name: 'desk', lead: LEAD, password: PASSWORD }, '');
  const people = await fetch(`${server.address}/sign-in`, { headers: { cookie: office.cookie } });
  const lead = leadOn(await people.text());
  const desk = await send('/api/v1/session', { person: lead, secret: PASSWORD }, office.cookie);
  for (const [i, person] of ids.people.entries()) {
    await send('/api/v1/secrets', { person, pin: pinOf(i) }, desk.cookie);
  }
  return {
    server,
    lead,
    pair: async (name) => {
      const made = await send('/api/v1/devices', {}, desk.cookie);
      const { code } = made.value as { readonly code: string };
      return (await send('/api/v1/pair', { name, code }, '')).cookie;
    },
    signIn: async (paired, person) => {
      const secret = pinOf(ids.people.indexOf(person));
      const signed = await send('/api/v1/session', { person, secret }, paired);
      return { cookie: signed.cookie, by: person };
    },
  };
}

/** Five screens, each paired and somebody signed in at it; in a shop of three somebody is at two. */
export async function pairScreens(
  shop: Pick<OpenShop, 'pair' | 'signIn'>,
  names: readonly string[],
  { people }: Ids,
): Promise<readonly Carried[]> {
  const screens: Carried[] = [];
  for (const [i, name] of names.entries()) {
    screens.push(await shop.signIn(await shop.pair(name), people[i % people.length]!));
  }
  return screens;
}

/** The lead’s id, as the page where people sign in has it. */
function leadOn(page: string): string {
  const [, id] =
    new RegExp(String.raw`\\"id\\":\\"([0-9a-f-]{36})\\",\\"name\\":\\"${LEAD}\\"`).exec(page) ??
    [];
  if (!id) throw new Error('The lead is not among those who sign in');
  return id;
}
