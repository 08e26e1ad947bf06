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

/**
 * Gives a lead a password by the command on the server, opens it to the network, pairs every screen by a code that
 * the office makes, and signs somebody of the shop in at each by a PIN of their own.
 */
export async function pairScreens(
  folder: string,
  names: readonly string[],
  ids: Ids,
  start: () => Promise<Served>,
): Promise<{ readonly server: Served; readonly screens: readonly Carried[] }> {
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
  const screens: Carried[] = [];
  for (const [i, name] of names.entries()) {
    // Somebody may be at two screens, as in a shop of three.
    const at = i % ids.people.length;
    const [person, pin] = [ids.people[at]!, pinOf(at)];
    const made = await send('/api/v1/devices', {}, desk.cookie);
    const { code } = made.value as { readonly code: string };
    const paired = await send('/api/v1/pair', { name, code }, '');
    const signed = await send('/api/v1/session', { person, secret: pin }, paired.cookie);
    screens.push({ cookie: signed.cookie, by: person });
  }
  return { server, screens };
}

/** The lead’s id, as the page where people sign in has it. */
function leadOn(page: string): string {
  const [, id] =
    new RegExp(String.raw`\\"id\\":\\"([0-9a-f-]{36})\\",\\"name\\":\\"${LEAD}\\"`).exec(page) ??
    [];
  if (!id) throw new Error('The lead is not among those who sign in');
  return id;
}
