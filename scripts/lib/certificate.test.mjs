/** @jest-environment node */
import { execFileSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import https from 'node:https';
import { isIP } from 'node:net';
import os from 'node:os';
import path from 'node:path';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-tls-'));
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

const SCRIPT = `
const [place, folder, names, now] = process.argv.slice(1);
const { certificateOf } = await import(place);
console.log(JSON.stringify(await certificateOf(folder, JSON.parse(names), Number(now))));`;

/** Signs for any names at all, as whoever stole the authority’s key would. */
const STOLEN = `
const [place, authority, names] = process.argv.slice(1);
const { makeCertificate } = await import(place);
console.log(JSON.stringify(await makeCertificate(JSON.parse(authority), JSON.parse(names), Date.now())));`;

/** Speaks with a server that has a certificate, as a screen that trusts an authority; what went wrong, or null. */
function speak({ cert, key }, ca, host) {
  return new Promise((resolve) => {
    const server = https.createServer({ cert, key }, (_asked, answer) => answer.end('here'));
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      const end = (why) => {
        server.close();
        resolve(why);
      };
      const options = { host: '127.0.0.1', port, ca, agent: false };
      const named = isIP(host) === 0 ? { servername: host } : {};
      https
        .get({ ...options, ...named }, (answer) => {
          answer.resume();
          end(null);
        })
        .on('error', ({ message }) => end(message));
    });
  });
}

/** In a process of its own: the package has classes named like globals that the runner hands to modules. */
const run = (script, ...args) =>
  JSON.parse(
    execFileSync(process.execPath, [
      ...['--input-type=module', '-e', script],
      ...[path.resolve('scripts/lib/certificate.mjs'), ...args],
    ]).toString(),
  );
const certificateOf = (of, names, now = Date.now()) =>
  run(SCRIPT, of, JSON.stringify(names), String(now));

const DAY = 24 * 3600 * 1000;
const NAMES = ['localhost', '127.0.0.1', '::1', 'shed.local'];

test('a certificate is made once, names the machine, and is renewed in time or when its names change', () => {
  const now = Date.now();
  const first = certificateOf(folder, NAMES, now);
  expect(first.isNew).toBe(true);
  const read = new X509Certificate(first.cert);
  expect(read.checkHost('shed.local')).toBe('shed.local');
  expect(read.checkIP('127.0.0.1')).toBe('127.0.0.1');
  expect(read.checkHost('elsewhere.example')).toBeUndefined();
  // No browser takes one that holds for longer than 398 days.
  const days = (new Date(read.validTo) - new Date(read.validFrom)) / DAY;
  expect(days).toBeGreaterThan(360);
  expect(days).toBeLessThan(398);
  expect(fs.statSync(path.join(folder, 'tls', 'key.pem')).mode & 0o077).toBe(0);

  const again = certificateOf(folder, NAMES, now + 300 * DAY);
  expect(again).toEqual({ ...first, isNew: false });
  const renewed = certificateOf(folder, NAMES, now + 370 * DAY);
  expect(renewed.isNew).toBe(true);
  const moved = certificateOf(folder, [...NAMES, '192.0.2.7'], now + 371 * DAY);
  expect(moved.isNew).toBe(true);
  expect(new X509Certificate(moved.cert).checkIP('192.0.2.7')).toBe('192.0.2.7');
});

const house = path.join(folder, 'house');

test('a screen that trusts the authority once is not asked again by a renewal or a new private address', async () => {
  const now = Date.now();
  const first = certificateOf(house, NAMES, now);
  expect(await speak(first, first.authority, '127.0.0.1')).toBeNull();
  expect(await speak(first, first.authority, 'shed.local')).toBeNull();
  expect(await speak(first, undefined, '127.0.0.1')).toMatch(/self-signed|unable to/i);
  const moved = certificateOf(house, [...NAMES, '192.168.7.20', 'fd00::7'], now);
  expect([moved.isNew, moved.authority]).toEqual([true, first.authority]);
  expect(await speak(moved, first.authority, '127.0.0.1')).toBeNull();
  for (const name of ['authority.pem', 'authority-key.pem']) {
    expect(fs.statSync(path.join(house, 'tls', name)).mode & 0o077).toBe(0);
  }
});

test('its authority vouches for nothing outside the house, whoever has its key', async () => {
  const { authority } = certificateOf(house, NAMES);
  const key = fs.readFileSync(path.join(house, 'tls', 'authority-key.pem'), 'utf8');
  const signFor = (...names) =>
    run(STOLEN, JSON.stringify({ cert: authority, key }), JSON.stringify(names));
  expect(await speak(signFor('other.local'), authority, 'other.local')).toBeNull();
  expect(await speak(signFor('bank.example'), authority, 'bank.example')).toMatch(
    /permitted subtree/i,
  );
  expect(await speak(signFor('127.0.0.1', '198.51.100.9'), authority, '127.0.0.1')).toMatch(
    /permitted subtree/i,
  );
});

test('a name outside the house that the shop gives makes a new authority, which vouches for it', async () => {
  const before = certificateOf(house, NAMES);
  const named = certificateOf(house, [...NAMES, 'brakes.example']);
  expect(named.authority).not.toBe(before.authority);
  expect(await speak(named, named.authority, 'brakes.example')).toBeNull();
  // What it could do it still can: the name may go again.
  expect(certificateOf(house, NAMES).authority).toBe(named.authority);
});

test('one that was damaged is made anew', () => {
  fs.writeFileSync(path.join(folder, 'tls', 'certificate.pem'), 'nonsense');
  expect(certificateOf(folder, NAMES).isNew).toBe(true);
});
