import { expect, test } from '@playwright/test';

const RUNOUT = {
  unit: 'mm',
  face: 'outboard',
  laps: [[0, 0.01, 0.02, 0.03, 0.03, 0.02, 0.01, 0]],
  gauge: { resolution: 0.001, repeatability: 0.001 },
  limit: 0.05,
};

test('the solvers answer over HTTP and refuse in words', async ({ request }) => {
  const good = await request.post('/api/v1/solve/runout', { data: RUNOUT });
  expect(good.status()).toBe(200);
  expect((await good.json()).verdict.state).toBe('within');
  const bad: [unknown, RegExp][] = [
    [{ ...RUNOUT, extra: 1 }, /Unknown key "extra"/],
    [{ ...RUNOUT, laps: [['0.01', 0, 0, 0]] }, /has no unit/],
    [{ ...RUNOUT, laps: [new Array(100_000).fill(0)] }, /at most 72/],
    [{ ...RUNOUT, laps: [] }, /at least one lap/],
    [{ ...RUNOUT, laps: undefined }, /laps is missing/],
    ['{not json', /JSON/],
    [null, /must be/],
  ];
  for (const [data, message] of bad) {
    const answer = await request.post('/api/v1/solve/runout', {
      headers: { 'content-type': 'application/json' },
      data: Buffer.from(typeof data === 'string' ? data : JSON.stringify(data)),
    });
    expect(answer.status()).toBe(400);
    const { error } = await answer.json();
    expect(error.message).toMatch(message);
    expect(Object.keys(error).sort()).toEqual(['code', 'message', 'path']);
  }
  expect((await request.post('/api/v1/solve/nothing', { data: {} })).status()).toBe(404);
});

test('the OpenAPI document lists every solver', async ({ request }) => {
  const document = await (await request.get('/api/v1/openapi.json')).json();
  const solvers = ['runout', 'thickness', 'index', 'plate', 'machining', 'diagnose'];
  expect(Object.keys(document.paths)).toEqual(
    expect.arrayContaining(solvers.map((name) => `/api/v1/solve/${name}`)),
  );
});

test('a foreign host and a foreign origin are turned away', async ({ request }) => {
  const host = await request.get('/', { headers: { host: 'elsewhere.example' } });
  expect(host.status()).toBe(403);
  const origin = await request.post('/api/v1/solve/runout', {
    headers: { origin: 'http://elsewhere.example' },
    data: RUNOUT,
  });
  expect(origin.status()).toBe(403);
});

test('pages carry the strict headers', async ({ request }) => {
  const headers = (await request.get('/')).headers();
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[0-9a-f]{32}'/);
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['x-frame-options']).toBe('DENY');
  expect(headers['x-powered-by']).toBeUndefined();
});

test('readings of a set are checked again by the server', async ({ request }) => {
  const nowhere = '/api/v1/sets/00000000-0000-4000-8000-000000000000/readings';
  const reading = { lap: 0, position: 0, text: '0.01', unit: 'mm' };
  const gone = await request.put(nowhere, { data: { readings: [reading] } });
  expect(gone.status()).toBe(400);
  expect((await gone.json()).error.message).toMatch(/not on file/);
  const malformed = await request.put(nowhere, { data: { readings: [{ ...reading, lap: -1 }] } });
  expect(malformed.status()).toBe(400);
});
