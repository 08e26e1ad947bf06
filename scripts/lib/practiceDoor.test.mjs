import { createServer } from 'node:http';
import { practiceOpener, storeOfPractice } from './practiceDoor.mjs';

const ID = '0b7f5f0e-95a5-4c51-8b39-0d5f9a1d2c3e';

test.each([
  '/',
  `/jobs/${ID}/measure/FL?kind=hub`,
  '/_next/static/chunks/1.js',
  '/api/health',
  '/api/v1/writes',
  '/api/v1/live',
  '/api/v1/find?q=x',
  `/api/v1/jobs/${ID}/report.pdf`,
  `/api/v1/road-tests/${ID}/recording`,
  `/api/v1/sets/${ID}/readings`,
])('%s is of practice', (url) => {
  expect(storeOfPractice(url)).toBe('practice');
});

test.each(['/sign-in?to=%2Fjobs', '/pair', '/api/v1/session', '/api/v1/pair'])(
  'by %s the shop knows who it is',
  (url) => {
    expect(storeOfPractice(url)).toBe('shop');
  },
);

test.each([
  '/api/v1/archive',
  '/api/v1/archive/schema.json',
  '/api/v1/backup',
  '/api/v1/backup/now',
  '/api/v1/copies',
  `/api/v1/copies/${ID}`,
  `/api/v1/staged/${ID}`,
  '/api/v1/jobs.csv',
  '/api/v1/readings.csv',
  '/api/v1/rotors.csv',
  '/api/v1/due.ics',
  `/api/v1/jobs/${ID}`,
  `/api/v1/jobs/${ID}/parts.csv`,
  `/api/v1/sets/${ID}/csv`,
  `/api/v1/sets/${ID}/case`,
  '/api/v1/programs',
  '/api/v1/devices',
  '/api/v1/practice',
])('%s is closed there', (url) => {
  expect(storeOfPractice(url)).toBeNull();
});

test('the door is opened once, at another port where its own is taken', async () => {
  const hostname = '127.0.0.1';
  const other = createServer().listen(0, hostname);
  await new Promise((resolve) => other.once('listening', resolve));
  const { port } = other.address();
  const opened = [];
  const open = practiceOpener(
    () => createServer(),
    { hostname, port },
    (door) => opened.push(door),
  );
  const at = await open();
  expect(at).not.toBe(port);
  expect(await open()).toBe(at);
  expect(opened).toHaveLength(1);
  for (const server of [other, ...opened]) server.close();
});
