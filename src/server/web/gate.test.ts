import { allowedHosts, contentPolicy, hostName, ownAddress, turnedAway } from './gate';

const knock = {
  ...{ method: 'GET', host: 'localhost:3000', origin: null, fetchSite: null },
  ...{ scheme: 'http', isData: false, ownAddress: null },
};
const allowed = allowedHosts({});

test('loopback names come in, others do not', () => {
  for (const host of ['localhost:3000', '127.0.0.1', '[::1]:80', 'LOCALHOST']) {
    expect(turnedAway({ ...knock, host }, allowed)).toBeNull();
  }
  for (const host of ['evil.example', 'localhost.evil.example', '', 'a b', '127.0.0.1@x', null]) {
    expect(turnedAway({ ...knock, host }, allowed)).toMatch(/does not answer to that name/);
  }
});

test('its own address and the given names are allowed; "everywhere" is no name', () => {
  expect(allowedHosts({ HOST: '192.168.1.5' })).toContain('192.168.1.5');
  expect(allowedHosts({ HOST: '0.0.0.0' })).not.toContain('0.0.0.0');
  expect(allowedHosts({ ZESTY_HOUND_HOSTS: 'Bench.local, tablet' })).toEqual(
    expect.arrayContaining(['bench.local', 'tablet']),
  );
});

test('a change must come from a page of ours', () => {
  const post = { ...knock, method: 'POST' };
  expect(turnedAway(post, allowed)).toBeNull();
  expect(turnedAway({ ...post, origin: 'http://localhost:3000' }, allowed)).toBeNull();
  for (const origin of ['http://evil.example', 'http://localhost:3001', 'null', 'garbage']) {
    expect(turnedAway({ ...post, origin }, allowed)).toMatch(/own pages/);
  }
  expect(turnedAway({ ...post, fetchSite: 'cross-site' }, allowed)).toMatch(/own pages/);
  // 2026-11-27: the scheme of an origin was not looked at; four GETs of a foreign page stalled the server.
  expect(turnedAway({ ...post, origin: 'https://localhost:3000' }, allowed)).toMatch(/own pages/);
  const data = { ...knock, isData: true, fetchSite: 'cross-site' };
  expect(turnedAway(data, allowed)).toMatch(/own pages/);
  expect(turnedAway({ ...data, isData: false }, allowed)).toBeNull();
});

test('behind a proxy that hands the name on without its port, the stated address is ours too', () => {
  const post = { ...knock, method: 'POST', host: 'brakes.example', scheme: 'https' };
  const origin = 'https://brakes.example:8443';
  const named = allowedHosts({ ZESTY_HOUND_HOSTS: 'brakes.example' });
  expect(turnedAway({ ...post, origin }, named)).toMatch(/own pages/);
  const stated = { TRUST_PROXY: '1', ZESTY_HOUND_ADDRESS: `${origin}/` };
  const behind = { ...post, ownAddress: ownAddress(stated) };
  expect(turnedAway({ ...behind, origin }, named)).toBeNull();
  for (const other of ['https://brakes.example:8444', 'http://brakes.example:8443', 'null']) {
    expect(turnedAway({ ...behind, origin: other }, named)).toMatch(/own pages/);
  }
  // Nobody who is asked directly takes an address for granted.
  expect(ownAddress({ ...stated, TRUST_PROXY: '' })).toBeNull();
  expect(ownAddress({ TRUST_PROXY: '1', ZESTY_HOUND_ADDRESS: 'no address' })).toBeNull();
});

test('host names are read strictly', () => {
  expect(hostName('EXAMPLE.org:8080')).toBe('example.org');
  expect(hostName('a/b')).toBeNull();
});

test('the policy allows scripts by nonce only, and no inline style', () => {
  const policy = contentPolicy('abc', false);
  expect(policy).toContain("script-src 'self' 'nonce-abc' 'strict-dynamic'");
  expect(policy).not.toContain('unsafe');
});
