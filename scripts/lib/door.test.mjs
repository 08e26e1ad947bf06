/** @jest-environment node */
import { createDoor } from './door.mjs';

const request = (headers, { url = '/jobs', method = 'GET', peer = '192.0.2.9' } = {}) => ({
  ...{ url, method, headers },
  socket: { remoteAddress: peer },
});
const asked = [];
let says = { is: 'open', headers: { 'x-zh-person': 'ines' } };
beforeEach(() => {
  asked.length = 0;
  says = { is: 'open', headers: { 'x-zh-person': 'ines' } };
  globalThis.zestyHoundDoor = (knock) => {
    asked.push(knock);
    return Promise.resolve(says);
  };
});
const never = () => {
  throw new Error('was refused');
};

test('nobody says by a header who they are, or by which way they came', async () => {
  const sent = {
    'x-zh-person': 'somebody else',
    'x-zh-sure': '1',
    'x-forwarded-for': '127.0.0.1',
    'x-forwarded-proto': 'https',
    'x-middleware-subrequest': 'src/proxy',
    'x-invoke-path': '/jobs',
    accept: 'text/html',
  };
  const came = request(sent);
  const door = createDoor({ isNetwork: true, isBehindProxy: false });
  expect(await door(came, {}, never)).toBe(true);
  expect(came.headers).toEqual({ accept: 'text/html', 'x-zh-person': 'ines' });
  expect(asked).toMatchObject([{ peer: '192.0.2.9', isOwnMachine: false, isPage: true }]);

  // Without the network nobody is asked, and what only the door says is taken off all the same.
  const local = request({ 'x-zh-person': 'somebody else' }, { peer: '127.0.0.1' });
  expect(await createDoor({ isNetwork: false, isBehindProxy: false })(local, {}, never)).toBe(true);
  expect(local.headers).toEqual({});
  expect(asked).toHaveLength(1);
});

test('a trusted proxy says where a request came from; nobody behind it is the own machine', async () => {
  const door = createDoor({ isNetwork: true, isBehindProxy: true });
  await door(
    request({ 'x-forwarded-for': '127.0.0.1, 192.0.2.9' }, { peer: '127.0.0.1' }),
    {},
    never,
  );
  await door(request({ 'x-forwarded-for': '127.0.0.1' }, { peer: '127.0.0.1' }), {}, never);
  // A proxy that says nothing makes nobody the own machine.
  await door(request({}, { peer: '127.0.0.1' }), {}, never);
  expect(asked.map(({ peer, isOwnMachine }) => [peer, isOwnMachine])).toEqual([
    ['192.0.2.9', false],
    ['127.0.0.1', false],
    ['127.0.0.1', false],
  ]);
});

test('who may not come in is told, or led to where they may', async () => {
  const door = createDoor({ isNetwork: true, isBehindProxy: false });
  const told = [];
  says = { is: 'shut', status: 401, message: 'No.' };
  expect(await door(request({}), {}, (_response, why) => told.push(why))).toBe(false);
  expect(told).toEqual([[401, 'No.', 'not-in']]);
  says = { is: 'elsewhere', to: '/pair' };
  const written = [];
  const response = { writeHead: (...args) => written.push(args), end: () => written.push('end') };
  expect(await door(request({}), response, never)).toBe(false);
  expect(written[0][1]).toMatchObject({
    ...{ Location: '/pair', 'Cache-Control': 'no-store', 'X-Frame-Options': 'DENY' },
    'Content-Security-Policy': "default-src 'none'",
  });
  expect([written[0][0], written[1]]).toEqual([303, 'end']);
});

test('the command that makes a copy comes in by the pass of the folder, at this machine alone', async () => {
  says = { is: 'shut', status: 401, message: 'No.' };
  const door = createDoor({ isNetwork: true, isBehindProxy: false });
  const copy = { url: '/api/v1/backup/now', method: 'POST' };
  const pass = { authorization: 'pass' };
  expect(await door(request(pass, { ...copy, peer: '127.0.0.1' }), {}, never)).toBe(true);
  expect(await door(request({ ...pass }, copy), {}, () => undefined)).toBe(false);
});
