// Makes the pictures of docs/screenshots from a fresh demo workshop of its own:
// npm run screenshots [-- name ...]
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { build, chromium as browserOfDebian, install, ROOT } from './lib/prepare.mjs';

const PORT = '3391';
const BASE = `http://127.0.0.1:${PORT}`;
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Name, demo job (or none), path, size, colour scheme, what is pressed there. */
const VIEWS = [
  ['start', null, '/', DESK],
  ['complaint', 103, 'complaint', DESK],
  ['road-test', 105, 'road-test', DESK],
  ['knowledge', null, '/knowledge', DESK],
  ['strip', 110, 'strip/RL', DESK],
  ['measure', 104, 'measure/FR', DESK],
  ['measure-phone', 109, 'measure/RL', PHONE],
  ['quick-check', null, 'quick', DESK],
  ['estimate', 113, 'estimate', DESK],
  ['decide', 113, 'decide', DESK],
  ['correct', 105, 'correct/FL', DESK],
  ['torque', 114, 'rebuild/FL/torque', DESK],
  ['pedal', 115, 'rebuild/pedal', DESK],
  ['prove', 101, 'prove', DESK],
  ['report', 101, 'report', DESK],
  ['owner', 101, 'report/owner', DESK],
  ['insights', null, '/insights', DESK],
  [
    'practice',
    null,
    '/practice/FB-0000B',
    DESK,
    'light',
    [/^Work it on the stages/, /^Ask/, /^Ask/],
  ],
  ['workshop', null, '/workshop', DESK],
];

/** A lap of runout in steps of the dial, and a lap of thickness, as they are keyed in a quick check. */
const RUNOUT = [34, 44, 42, 29, 8, -15, -34, -44, -42, -29, -8, 15, 34];
const THICKNESS = [25_412, 25_414, 25_415, 25_413, 25_410, 25_408, 25_407, 25_409];

/** Begins a quick check and reads runout and thickness; answers with its address. */
async function quickCheck(page) {
  await page.goto(`${BASE}/checks/new`);
  await page.locator('html[data-alive]').waitFor({ state: 'attached' });
  await page.getByLabel(/Discard thickness/).fill('24.0');
  await page.getByRole('button', { name: /FL/ }).click();
  await page.locator('#reading').waitFor();
  const key = async (text) => {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  for (const step of RUNOUT) await key(`${step / 1000}`);
  // The slow turn is left out, and thickness begins.
  for (let press = 0; press < 2; press += 1) await page.keyboard.press('Enter');
  await page.getByLabel(/Position 1 of 8/).waitFor();
  for (const um of THICKNESS) await key(`${um / 1000}`);
  await page.waitForTimeout(800);
  return new URL(page.url()).pathname;
}

const wanted = process.argv.slice(2);
install();
build();
const { chromium } = await import('@playwright/test');
const folder = mkdtempSync(path.join(os.tmpdir(), 'zesty-pictures-'));
const server = spawn(process.execPath, [path.join(ROOT, 'scripts/serveForTests.mjs')], {
  env: { ...process.env, PORT, HOST: '127.0.0.1', ZESTY_HOUND_DATA: folder, DATABASE_URL: '' },
  stdio: 'ignore',
});
process.once('exit', () => {
  server.kill();
  rmSync(folder, { recursive: true, force: true });
});
const isUp = async () => {
  try {
    return (await fetch(`${BASE}/api/health`)).ok;
  } catch {
    return false;
  }
};
while (!(await isUp())) await new Promise((resolve) => setTimeout(resolve, 500));
const browser = await chromium.launch({
  executablePath: browserOfDebian(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
});
for (const [name, job, place, viewport, colorScheme = 'light', press = []] of VIEWS) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  // A phone is worked by thumbs: it shows the pad.
  const hasTouch = viewport === PHONE;
  const page = await browser.newPage({ viewport, colorScheme, hasTouch, isMobile: hasTouch });
  await page.goto(BASE);
  let address = place;
  if (job !== null) {
    const link = page.getByRole('link', { name: new RegExp(`job ${job}\\b`) }).first();
    const [, , id] = (await link.getAttribute('href')).split('/');
    address = `/jobs/${id}/${place}`;
  } else if (place === 'quick') {
    address = await quickCheck(page);
  }
  await page.goto(BASE + address);
  await page.locator('html[data-alive]').waitFor({ state: 'attached' });
  if (await page.getByText('Nothing is decided for this corner yet').count()) {
    // What is decided is signed.
    await page.goto(`${BASE}/workshop`);
    await page.locator('html[data-alive]').waitFor({ state: 'attached' });
    await page.getByRole('button', { name: 'Ines', exact: true }).click();
    await page.waitForTimeout(1000);
    await page.goto(BASE + address.replace(/correct.*/, 'decide'));
    await page.locator('html[data-alive]').waitFor({ state: 'attached' });
    await page.getByRole('button', { name: 'Do this: put it on record' }).first().click();
    await page.getByText('On record for').first().waitFor();
    await page.goto(BASE + address);
    await page.locator('html[data-alive]').waitFor({ state: 'attached' });
  }
  for (const name of press) {
    await page.getByRole('button', { name }).first().click();
    await page.waitForLoadState('load');
  }
  await page.waitForTimeout(1500);
  await page.screenshot({ path: path.join(ROOT, 'docs/screenshots', `${name}.png`) });
  console.log(name);
  await page.close();
}
await browser.close();
process.exit(0);
