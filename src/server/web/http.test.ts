import { behindGate, problemResponse, readJson, refusedResponse } from './http';

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
