import { problemResponse, readJson } from './http';

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
