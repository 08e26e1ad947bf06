/** @jest-environment node */
import { EventEmitter } from 'node:events';
import { createWatch, placeOf } from './watch.mjs';

test('a place is told without ids, queries and files of the program', () => {
  const id = '00000000-0000-4000-8000-00000000000a';
  expect(placeOf(`/jobs/${id}/measure/FL?set=${id}`)).toBe('/jobs/:id/measure/FL');
  expect(placeOf('/api/v1/find?q=the+baker')).toBe('/api/v1/find');
  expect(placeOf('/_next/static/chunks/a.js')).toBe('/_next');
  expect(placeOf('/a/b/c/d/e/f/g/h/i')).toBe('/a/b/c/d/e/f');
});

const asked = async (watch, { url, status, headers = {} }) => {
  const response = Object.assign(new EventEmitter(), { statusCode: status });
  watch.begin({ method: 'GET', url, headers }, response);
  response.emit('close');
  await new Promise((resolve) => setImmediate(resolve));
};

test('what went wrong is named with who asked, and nothing of what; figures are in the open text format', async () => {
  const lines = [];
  const watch = createWatch({ level: 'info', destination: { write: (line) => lines.push(line) } });
  await asked(watch, {
    url: '/api/v1/find?q=the+baker+of+the+quay',
    status: 500,
    headers: { 'x-zh-device': 'd', 'x-zh-person': 'p', cookie: 'secret' },
  });
  await asked(watch, { url: '/', status: 200 });
  const [wrong, fine] = lines.map((line) => JSON.parse(line));
  expect(wrong).toMatchObject({
    ...{ msg: 'went wrong', method: 'GET', place: '/api/v1/find', status: 500 },
    ...{ device: 'd', person: 'p' },
  });
  expect(lines.join()).not.toMatch(/baker|secret/);
  expect(fine).toMatchObject({ msg: 'answered', place: '/' });
  const { text, type } = await watch.figures();
  expect(type).toMatch(/text\/plain/);
  expect(text).toContain(
    'zesty_hound_request_seconds_count{method="GET",place="/api/v1/find",status="500"} 1',
  );
});

test('addresses that somebody makes up are one place', async () => {
  const watch = createWatch({ level: 'silent' });
  for (let i = 0; i < 300; i += 1) await asked(watch, { url: `/x${i}y`, status: 404 });
  const { text } = await watch.figures();
  expect(text.match(/request_seconds_count/g).length).toBeLessThanOrEqual(202);
  expect(text).toContain('place="other"');
});
