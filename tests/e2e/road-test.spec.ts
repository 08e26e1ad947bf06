import { mkdtempSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { expect, test, type Page } from '@playwright/test';
import { logDrive, type VirtualDrive } from '@/core/bench';
import { seededRandom } from '@/core/numeric';
import { beHere, complaintsOf, openJob } from './helpers';

const DRIVE: VirtualDrive = {
  parts: [
    { from: 24, to: 24, seconds: 40 },
    { from: 24, to: 9, seconds: 9 },
    { from: 9, to: 24, seconds: 15 },
    { from: 24, to: 9, seconds: 9 },
  ],
  diameter: 0.66,
  shakes: [{ order: 1, amplitude: 0.5, during: 'braking', axis: 'x' }],
  noise: 0.15,
  rate: 200,
  speedEvery: 1,
  jitter: 1,
};
const LOG = logDrive(DRIVE, seededRandom(8));

async function drop(page: Page, text: string | Buffer, name = 'drive.csv'): Promise<void> {
  const buffer = typeof text === 'string' ? Buffer.from(text) : text;
  await page.setInputFiles('input[type=file]', { name, mimeType: 'text/csv', buffer });
}

test.beforeEach(async ({ page }) => {
  await beHere(page, 'Tobiah');
  await page.goto(`/jobs/${await openJob(page, 110)}/road-test`);
  await page.getByLabel(/Tyre code/).fill('0.66');
});

test('a recording is dropped in, read, kept with its file, and weighs in the nose', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await drop(page, LOG);
  await expect(page.getByText('comes under braking: look at the brakes')).toBeVisible();
  await expect(page.locator('[class*="_facts"]').first()).toContainText(/0\.[45]\d m\/s²/);
  await page.getByLabel(/Keep the recording itself/).check();
  await page.getByRole('button', { name: 'Keep it with the job' }).click();
  await expect(page.getByText('Kept with the job.')).toBeVisible();
  const nose = page.getByRole('complementary', { name: 'The nose' });
  await nose.locator('summary', { hasText: 'Everything found' }).click();
  await expect(nose).toContainText('Order 1, braking only');
  await page.reload();
  const link = page.getByRole('link', { name: /The recording/ });
  const kept = await page.request.get((await link.getAttribute('href')) ?? '');
  expect(gunzipSync(await kept.body()).toString()).toBe(LOG);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(link).toBeHidden();
  expect(complaints).toEqual([]);
});

test('columns and units that are not plain are asked for, and nothing is lost', async ({
  page,
}) => {
  const renamed = LOG.replace(/^.*\n/, 'moment;forward;left;up;pace\n')
    .split('\n')
    .map((line, i) => (i === 0 ? line : line.replaceAll(',', ';').replaceAll('.', ',')))
    .join('\n');
  await drop(page, renamed);
  await expect(page.getByText(/No column is known as time/)).toBeVisible();
  await page.getByLabel('Time', { exact: true }).selectOption('moment');
  await page.getByLabel('Acceleration, first axis').selectOption('forward');
  await page.getByLabel('Speed', { exact: true }).selectOption('pace');
  await page.getByRole('button', { name: 'Read it so' }).click();
  await expect(page.getByText(/unit of speed is not in the header/)).toBeVisible();
  await page.getByLabel('Unit of speed').selectOption({ label: 'km/h' });
  await page.getByRole('button', { name: 'Read it so' }).click();
  await expect(page.getByText('comes under braking: look at the brakes')).toBeVisible();
});

for (const [name, content, words] of [
  ['empty', '', 'The file is empty.'],
  ['one row', LOG.split('\n').slice(0, 2).join('\n'), /fewer than two rows|no rows/],
  ['binary', Buffer.from([0x50, 0x4b, 0, 1, 2, 3, 0, 0]), /This is not text/],
  [
    'time backwards',
    `${LOG.split('\n')[0]}\n5,0,0,9.8,50\n6,0,0,9.8,50\n1,0,0,9.8,50\n`,
    /backwards/,
  ],
  ['not numbers', `${LOG.split('\n')[0]}\n${'a,b,c,d,e\n'.repeat(30)}`, /first in line 2, column/],
] as const) {
  test(`a bad file is refused in words and the page lives: ${name}`, async ({ page }) => {
    await drop(page, content as string | Buffer);
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
    await drop(page, LOG);
    await expect(page.getByText('comes under braking: look at the brakes')).toBeVisible();
  });
}

test('a file of 2 GB is refused before it is read', async ({ page }) => {
  // A file of holes: as long as it says, and no room taken.
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'zh-large-')), 'large.csv');
  writeFileSync(file, '');
  truncateSync(file, 2 ** 31);
  await page.setInputFiles('input[type=file]', file);
  const refusal = page.getByRole('alert').filter({ hasText: '500 MB are the most' });
  await expect(refusal).toBeVisible();
  rmSync(path.dirname(file), { recursive: true });
});

test('reading is cancelled, and the next file is read', async ({ page }) => {
  const [head = '', ...rows] = LOG.trimEnd().split('\n');
  const long = [head, ...Array.from({ length: 45 }, () => rows).flat()].join('\n');
  await drop(page, long);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('button', { name: 'Cancel' })).toBeHidden();
  await drop(page, LOG);
  await expect(page.getByText('comes under braking: look at the brakes')).toBeVisible();
});

test('a felt rate is tapped, matched to an order and put on record', async ({ page }) => {
  await page.getByLabel(/^Speed \(/).fill('60');
  await page.getByLabel(/Or counted/).fill('8,1');
  await expect(page.getByText('Once a turn of the wheel.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('On record.')).toBeVisible();
  await page.getByLabel(/Or counted/).fill('');
  const tap = page.getByRole('button', { name: /Tap here/ });
  for (let i = 0; i < 6; i += 1) {
    await tap.or(page.getByRole('button', { name: /a second/ })).click();
    await page.waitForTimeout(120);
  }
  await expect(page.getByRole('button', { name: /a second/ })).toBeVisible();
});

test('no drive is advised where metal is on metal', async ({ page }) => {
  await page.goto(`/jobs/${await openJob(page, 106)}/road-test`);
  await expect(page.getByText('Do not drive it: metal is on metal.').first()).toBeVisible();
  await expect(page.getByText('Before you drive')).toBeHidden();
});
