import type { Role } from '../../core/job';
import {
  behindGate,
  forRole,
  isKeepable,
  problemResponse,
  readJson,
  readUpTo,
  refusedResponse,
} from './http';

const here = { role: null as Role | null };
jest.mock('./who', () => ({
  whoIsHere: () => Promise.resolve(here.role && { name: 'Wren', role: here.role }),
}));

const request = (body: string, headers: Record<string, string> = {}): Request =>
  new Request('http://localhost/', { method: 'POST', body, headers });

test('a JSON body is read', async () => {
  expect(await readJson(request('{"a":1}'))).toEqual({ ok: true, json: { a: 1 } });
});

test.each([
  ['', 'invalid-json'],
  ['{', 'invalid-json'],
  ['x'.repeat(5_000_001), 'too-large'],
])('what cannot be read is refused in words', async (body, code) => {
  const read = await readJson(request(body));
  expect(read).toMatchObject({ ok: false, problem: { code, path: '' } });
});

test('a body that is announced too large is not read at all', async () => {
  const announced = request('{}', { 'content-length': '99999999' });
  expect(await readJson(announced)).toMatchObject({ ok: false, problem: { code: 'too-large' } });
  expect(announced.bodyUsed).toBe(false);
});

// 2026-11-27: a chunked archive of 410 MB was held in memory whole before it was refused.
test('a body that comes in pieces is read up to the most, and broken off there', async () => {
  let pulled = 0;
  const endless = new ReadableStream<Uint8Array>({
    pull: (controller) => {
      pulled += 1;
      controller.enqueue(new Uint8Array(1000));
    },
  });
  const init = { method: 'POST', body: endless, duplex: 'half' };
  expect(await readUpTo(new Request('http://localhost/', init), 10_000)).toBe('too-large');
  expect(pulled).toBeLessThan(20);
  const whole = await readUpTo(request('abc'), 3);
  expect(whole === 'too-large' ? whole : Buffer.from(whole).toString()).toBe('abc');
  expect(await readUpTo(new Request('http://localhost/'), 3)).toHaveLength(0);
});

// 2026-11-27: NUL and half a character went as far as the database, which answered with a fault.
describe('what cannot be kept is refused before anything is asked', () => {
  test.each([
    ['NUL in a text', '{"a":"x\\u0000"}'],
    ['NUL in a name', '{"\\u0000":1}'],
    ['half a character', '{"a":["\\ud800"]}'],
    ['a document too deep', `${'['.repeat(60)}${']'.repeat(60)}`],
  ])('%s', async (_, body) => {
    expect(await readJson(request(body))).toMatchObject({
      ok: false,
      problem: { code: 'unreadable' },
    });
  });

  test('whole characters of any script are kept', () => {
    expect(isKeepable({ note: 'Großbuchstabe 🛞 ブレーキ', list: [1, null, true, 'µ'] })).toBe(
      true,
    );
  });
});

describe('a handler for a role', () => {
  const handler = forRole('lead', () => Promise.resolve(Response.json({ done: true })));
  const ask = (): Promise<Response> => handler(new Request('http://localhost/'));

  test.each<[Role | null, number]>([
    [null, 403],
    ['apprentice', 403],
    ['technician', 403],
    ['lead', 200],
  ])('asked by %s answers %d', async (role, status) => {
    here.role = role;
    expect((await ask()).status).toBe(status);
  });
});

test('a problem is answered as the contract says', async () => {
  const response = problemResponse({ code: 'c', message: 'm', path: 'p' });
  expect(response.status).toBe(400);
  expect(await response.json()).toEqual({ error: { code: 'c', message: 'm', path: 'p' } });
});

describe('a handler that takes large files', () => {
  const seen: string[] = [];
  const handler = behindGate(async (asked: Request, place: string) => {
    seen.push(`${asked.method} ${place}`);
    return Promise.resolve(Response.json({ place }));
  });
  const from = (method: string, headers: Record<string, string>): Promise<Response> =>
    handler(new Request('http://127.0.0.1:3000/x', { method, headers }), 'here');
  beforeEach(() => (seen.length = 0));

  test('lets its own pages in, and sets the strict headers', async () => {
    const own = { host: '127.0.0.1:3000', origin: 'http://127.0.0.1:3000' };
    const answer = await from('POST', own);
    expect(await answer.json()).toEqual({ place: 'here' });
    expect(answer.headers.get('x-frame-options')).toBe('DENY');
    expect(answer.headers.get('content-security-policy')).toBe("default-src 'none'");
    expect(seen).toEqual(['POST here']);
  });

  test.each<[string, string, Record<string, string>]>([
    ['a foreign name', 'GET', { host: 'rebound.example' }],
    ['no name', 'GET', {}],
    ['another page', 'POST', { host: '127.0.0.1', origin: 'http://elsewhere.example' }],
    ['another site', 'POST', { host: '127.0.0.1', 'sec-fetch-site': 'cross-site' }],
    ['nonsense for an origin', 'POST', { host: '127.0.0.1', origin: 'null' }],
  ])('keeps %s out before the body is read', async (_, method, headers) => {
    const answer = await from(method, headers);
    expect(answer.status).toBe(403);
    expect(await answer.json()).toMatchObject({ error: { code: 'forbidden' } });
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
    expect(seen).toEqual([]);
  });
});

test('a refusal in words has its status', async () => {
  const answer = refusedResponse('It is torn.', 409);
  expect(answer.status).toBe(409);
  expect(await answer.json()).toMatchObject({ error: { message: 'It is torn.' } });
});
