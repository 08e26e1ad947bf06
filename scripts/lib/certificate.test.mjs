/** @jest-environment node */
import { execFileSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-tls-'));
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

const SCRIPT = `
const [place, folder, names, now] = process.argv.slice(1);
const { certificateOf } = await import(place);
console.log(JSON.stringify(await certificateOf(folder, JSON.parse(names), Number(now))));`;

/** In a process of its own: the package has classes named like globals that the runner hands to modules. */
const certificateOf = (folder, names, now = Date.now()) =>
  JSON.parse(
    execFileSync(process.execPath, [
      ...['--input-type=module', '-e', SCRIPT],
      ...[path.resolve('scripts/lib/certificate.mjs'), folder, JSON.stringify(names), String(now)],
    ]).toString(),
  );

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

test('one that was damaged is made anew', () => {
  fs.writeFileSync(path.join(folder, 'tls', 'certificate.pem'), 'nonsense');
  expect(certificateOf(folder, NAMES).isNew).toBe(true);
});
