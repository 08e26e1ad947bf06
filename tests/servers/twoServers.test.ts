import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { DEVICE_COOKIE, SESSION_COOKIE } from '@/server/access/mode';
import { createDatabase } from '../support/postgres';

/**
 * Two application servers behind a proxy, on one PostgreSQL database: who is paired and signed in at one
 * is so at the other, and what is written at one is heard at the other.
 */

const PASSWORD = 'wet rust on the lift';
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-two-'));
const env = { ...process.env, DATABASE_URL: createDatabase(), ZESTY_HOUND_DATA: folder };

interface Running {
  readonly child: ChildProcess;
  readonly address: string;
  readonly said: () => string;
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });

async function start(): Promise<Running> {
  const port = await freePort();
  const child = spawn(process.execPath, ['scripts/server.mjs', '--network'], {
    stdio: ['ignore', 'pipe', 'pipe'],
    env: {
      ...env,
      ...{ NODE_ENV: 'production', TRUST_PROXY: '1', HOST: '127.0.0.1', PORT: String(port) },
      ...{
        NEXT_MANUAL_SIG_HANDLE: '1',
        NODE_OPTIONS: '',
        ZESTY_HOUND_ADDRESS: 'https://shop.example',
      },
    },
  });
  let text = '';
  for (const stream of [child.stdout, child.stderr]) {
    stream.on('data', (chunk: Buffer) => (text += chunk.toString()));
  }
  return { child, address: `http://127.0.0.1:${port}`, said: () => text };
}

async function until<Value>(look: () => Value | null | Promise<Value | null>): Promise<Value> {
  for (let i = 0; i < 600; i += 1) {
    const found = await look();
    if (found !== null) return found;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('It did not come about');
}

let one: Running;
let other: Running;
let cookie = '';

/** Asks a server as the shop’s proxy passes it on. */
const ask = (
  server: Running,
  place: string,
  {
    body,
    method,
    cookies = cookie,
  }: {
    readonly body?: unknown;
    readonly method?: string;
    readonly cookies?: string;
  } = {},
): Promise<Response> =>
  fetch(server.address + place, {
    method: method ?? (body === undefined ? 'GET' : 'POST'),
    redirect: 'manual',
    headers: {
      cookie: cookies,
      'x-forwarded-for': '192.0.2.44',
      'x-forwarded-proto': 'https',
      'content-type': 'application/json',
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });

const cookieIn = (answer: Response, name: string): string =>
  answer.headers
    .getSetCookie()
    .map((each) => each.split(';')[0]!)
    .find((each) => each.startsWith(name)) ?? '';

beforeAll(async () => {
  // Where no lead could let anybody in it is not opened.
  const refused = await start();
  await new Promise((resolve) => refused.child.once('exit', resolve));
  expect(refused.child.exitCode).toBe(1);
  expect(refused.said()).toMatch(/no lead has a password yet/);
  execFileSync(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', 'src/cli/lead.ts', 'Ines'],
    { input: `${PASSWORD}\n`, env: { ...env, NODE_OPTIONS: '' } },
  );
  // Both at once: one waits for the other’s migration.
  [one, other] = await Promise.all([start(), start()]);
  for (const server of [one, other]) {
    await until(() => (/answers at/.test(server.said()) ? true : null));
  }
});
afterAll(() => {
  for (const server of [one, other]) server?.child.kill('SIGKILL');
  fs.rmSync(folder, { recursive: true, force: true });
});

test('a code that one server shows pairs at the other, once', async () => {
  const code = await until(() => /with the code (\d{8})/.exec(one.said())?.[1] ?? null);
  expect((await ask(other, '/api/health')).status).toBe(401);
  const paired = await ask(other, '/api/v1/pair', { body: { name: 'office', code } });
  expect(paired.status).toBe(200);
  cookie = cookieIn(paired, DEVICE_COOKIE);
  expect(paired.headers.getSetCookie().join()).toMatch(/HttpOnly.*SameSite=strict/i);
  const again = await ask(one, '/api/v1/pair', { body: { name: 'another', code }, cookies: '' });
  expect(again.status).toBe(409);
});

test('who is signed in at one server is so at the other', async () => {
  expect((await ask(one, '/api/health')).status).toBe(401);
  const page = await (await ask(one, '/sign-in')).text();
  const person = /"id\\?":\\?"([0-9a-f-]{36})\\?",\\?"name\\?":\\?"Ines/.exec(page)?.[1];
  expect(person).toBeDefined();
  const signed = await ask(one, '/api/v1/session', { body: { person, secret: PASSWORD } });
  expect(signed.status).toBe(200);
  cookie = `${cookie}; ${cookieIn(signed, SESSION_COOKIE)}`;
  for (const server of [one, other]) expect((await ask(server, '/api/health')).status).toBe(200);
});

test('what is written at one server is heard at the other at once', async () => {
  const stream = (await ask(other, '/api/v1/live')).body!.getReader();
  const heard = async (what: string): Promise<void> => {
    for (let text = ''; !text.includes(what);) {
      text += new TextDecoder().decode((await stream.read()).value);
    }
  };
  await heard('here');
  const write = {
    id: crypto.randomUUID(),
    name: 'units',
    place: 'units',
    number: 1,
    input: 'thou',
  };
  const device = crypto.randomUUID();
  const answer = await ask(one, '/api/v1/writes', {
    body: { device, writes: [{ ...write, by: null }] },
  });
  // Under nobody’s name nothing is written.
  expect(await answer.json()).toMatchObject({ results: [{ state: 'refused' }] });
  const person = /"id":"([^"]+)"/.exec(JSON.stringify(await me()))![1]!;
  const mine = { ...write, id: crypto.randomUUID(), number: 2, by: person };
  const done = await ask(one, '/api/v1/writes', { body: { device, writes: [mine] } });
  expect(await done.json()).toMatchObject({ results: [{ state: 'done' }] });
  const since = performance.now();
  await heard(device);
  // How quick it is on a quiet machine, `bench/live.ts` measures.
  expect(performance.now() - since).toBeLessThan(5000);
  await stream.cancel();
  // Sent again to the other server it is known, and done once.
  const twice = await ask(other, '/api/v1/writes', { body: { device, writes: [mine] } });
  expect(await twice.json()).toMatchObject({ results: [{ state: 'done' }] });
});

/** Who the page says is signed in. */
async function me(): Promise<{ id: string }> {
  const page = await (await ask(one, '/sign-in')).text();
  return { id: /"id\\?":\\?"([0-9a-f-]{36})\\?",\\?"name\\?":\\?"Ines/.exec(page)![1]! };
}

test('a monitor of the shop asks by its key how a server is, and gets nothing else', async () => {
  const made = await ask(one, '/api/v1/programs', {
    body: { name: 'wall', role: 'monitor', days: 9 },
  });
  const { value } = (await made.json()) as { value: { key: string } };
  const watch = (server: Running, place: string): Promise<Response> =>
    fetch(server.address + place, { headers: { authorization: `Bearer ${value.key}` } });
  for (const server of [one, other]) {
    const health = (await (await watch(server, '/api/health')).json()) as Record<string, unknown>;
    expect(health).toMatchObject({ ok: true, copy: null, warnings: [] });
    expect(health.database).toBeGreaterThan(0);
    expect(await (await watch(server, '/api/metrics')).text()).toMatch(
      /request_seconds_count\{method="POST",place="\/api\/v1\/pair",status="\d+"\} \d/,
    );
    expect((await watch(server, '/api/v1/jobs.csv')).status).toBe(401);
  }
  // To others it says that it is there, and no more.
  expect(await (await ask(one, '/api/health')).json()).toEqual({ ok: true });
});

test('one server dies, the other goes on; a key taken away there is taken away', async () => {
  one.child.kill('SIGKILL');
  expect((await ask(other, '/api/health')).status).toBe(200);
  const devices = await (await ask(other, '/workshop')).text();
  const own = cookie.slice(DEVICE_COOKIE.length + 1).split('.')[0]!;
  expect(devices).toContain('office');
  const taken = await ask(other, `/api/v1/devices/${own}`, { method: 'DELETE' });
  expect(taken.status).toBe(200);
  expect((await ask(other, '/api/health')).status).toBe(401);
});
