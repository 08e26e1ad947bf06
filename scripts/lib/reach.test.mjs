import { isLoopback, isWithinReach, refusedAddress } from './reach.mjs';

test.each(['127.0.0.1', '127.8.9.10', '::1', '::ffff:127.0.0.1'])(
  '%s is this machine',
  (address) => {
    expect(isLoopback(address)).toBe(true);
  },
);

test.each([
  '10.0.0.5',
  '192.168.1.7',
  '::ffff:10.0.0.5',
  'fe80::1',
  '0.0.0.0',
  '::',
  '',
  undefined,
  'here',
])('%s is not', (address) => {
  expect(isLoopback(address)).toBe(false);
});

test('an address of the network is a decision', () => {
  expect(refusedAddress('127.0.0.1', false)).toBeNull();
  expect(refusedAddress('localhost', false)).toBeNull();
  expect(refusedAddress('0.0.0.0', false)).toMatch(/no sign-in yet[\s\S]*--network/);
  expect(refusedAddress('192.168.1.7', false)).toContain('192.168.1.7');
  expect(refusedAddress('0.0.0.0', true)).toBeNull();
});

test('without the decision nobody comes in from elsewhere', () => {
  expect(isWithinReach('::ffff:127.0.0.1', false)).toBe(true);
  expect(isWithinReach('192.168.1.7', false)).toBe(false);
  expect(isWithinReach(undefined, false)).toBe(false);
  expect(isWithinReach('192.168.1.7', true)).toBe(true);
});
