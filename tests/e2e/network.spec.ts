import { execFileSync, type ChildProcess } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { CHROMIUM_ARGS } from '../../playwright.config';
import { complaintsOf, drawnUp, expectAccessible, settled } from './helpers';
import { freePort, kill, startServer } from './ownServer';

/** The program open to the network, from an empty shop: one server, an office, a tablet, a phone of a guest. */

const PASSWORD = 'wet rust on the lift';
const PIN = { Ines: '402917', Tobiah: '718305' };
const NEW_PIN = '635204';
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-network-'));
let server: ChildProcess;
let address = '';
let said = '';
const contexts: BrowserContext[] = [];

test.describe.configure({ mode: 'serial' });
// As on a tablet that trusts the server’s certificate: a browser that only went on past its warning holds no pages.
test.use({
  launchOptions: {
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: [...CHROMIUM_ARGS, '--ignore-certificate-errors'],
  },
});

const until = async (pattern: RegExp): Promise<RegExpExecArray> => {
  await expect.poll(() => said, { timeout: 150_000 }).toMatch(pattern);
  return pattern.exec(said)!;
};

const start = (port: number): void => {
  said = '';
  server = startServer(port, folder, 'pipe', ['--network']);
  for (const stream of [server.stdout!, server.stderr!]) {
    stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
  }
};

/** A screen of its own, with nothing that another one has. */
async function screen(browser: Browser, size = { width: 1280, height: 800 }): Promise<Page> {
  const context = await browser.newContext({
    ...{ ignoreHTTPSErrors: true, baseURL: address, viewport: size },
    ...{ hasTouch: size.width < 600 },
  });
  contexts.push(context);
  return context.newPage();
}

async function signIn(page: Page, name: string, secret: string): Promise<void> {
  await page.getByRole('button', { name, exact: true }).click();
  await page.getByLabel(new RegExp(`PIN of ${name}`)).fill(secret);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

let office: Page;
let tablet: Page;
let jobPath = '';

test.beforeAll(async () => {
  // A new folder takes long on a slow disk.
  test.setTimeout(400_000);
  const port = await freePort();
  address = `https://127.0.0.1:${port}`;
  execFileSync(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', 'src/cli/lead.ts', 'Ines'],
    { input: `${PASSWORD}\n`, env: { ...process.env, ZESTY_HOUND_DATA: folder, DATABASE_URL: '' } },
  );
  start(port);
  await until(/with the code \d{8}/);
});
test.afterAll(async () => {
  for (const context of contexts) await context.close();
  await kill(server);
  fs.rmSync(folder, { recursive: true, force: true });
});

test('the first screen is paired by the code of the terminal, and a lead signs in', async ({
  browser,
}) => {
  const [, code = ''] = await until(/with the code (\d{8})/);
  office = await screen(browser);
  const complaints = complaintsOf(office);
  await office.goto('/jobs');
  await expect(office).toHaveURL(`${address}/pair`);
  expect(await office.evaluate(() => window.isSecureContext)).toBe(true);
  await expectAccessible(office);
  await expect(office.getByRole('navigation')).toHaveCount(0);
  // What makes a screen trust the server is handed out before it is paired, and is what the terminal says.
  await office.getByText('Trust this server on this screen').click();
  const [, fingerprint = ''] = await until(/goes on without the server\. SHA-256 (\S+)/);
  await expect(office.getByText(fingerprint)).toBeVisible();
  const file = await office.getByRole('link', { name: 'Its certificate' }).getAttribute('href');
  const authority = new X509Certificate(Buffer.from(file!.split(',')[1]!, 'base64'));
  expect([authority.ca, authority.fingerprint256]).toEqual([true, fingerprint]);
  await expectAccessible(office);
  await office.getByLabel('Code').fill(code);
  await office.getByRole('button', { name: 'Pair by the code' }).click();
  await expect(office.getByText('Give this screen a name')).toBeVisible();
  await office.getByLabel('Name of this screen').fill('office');
  complaints.length = 0;
  await office.getByRole('button', { name: 'Pair by the code' }).click();
  await expect(office.getByRole('heading', { name: 'Who is here?' })).toBeVisible();
  await expectAccessible(office);
  await signIn(office, 'Ines', PASSWORD);
  await expect(office.getByRole('link', { name: /^Ines/ })).toBeVisible();
  expect(complaints).toEqual([]);
});

test('a lead puts people on file and gives them a PIN', async () => {
  await office.goto('/workshop');
  await settled(office);
  await office.getByLabel('Name', { exact: true }).fill('Tobiah');
  await office.getByRole('button', { name: 'Add', exact: true }).click();
  const secrets = (name: string) => office.locator('details', { hasText: `${name}: ` }).last();
  for (const [name, pin] of Object.entries(PIN)) {
    await secrets(name).locator('summary').click();
    await secrets(name).getByLabel(/^PIN/).fill(pin);
    await secrets(name)
      .getByRole('button', { name: /^Keep ?: PIN/ })
      .click();
    await expect(secrets(name).getByText('Kept.')).toBeVisible();
  }
  // Under nobody's name nothing is written.
  const added = await office.evaluate(async () => {
    const write = { id: crypto.randomUUID(), name: 'person', number: 1, place: 'p' };
    const device = crypto.randomUUID();
    const people = await fetch('/api/v1/writes', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        device,
        writes: [{ ...write, input: { name: 'Tobiah', role: 'technician' }, by: null }],
      }),
    });
    return people.json() as Promise<{ results: { state: string; message?: string }[] }>;
  });
  expect(added.results[0]).toMatchObject({ state: 'refused' });
});

test('an unpaired screen and one without a person get nothing of the shop', async ({ browser }) => {
  const guest = await screen(browser, { width: 390, height: 844 });
  for (const place of ['/', '/find', '/workshop', '/jobs/x/report']) {
    await guest.goto(place);
    await expect(guest).toHaveURL(`${address}/pair`);
  }
  for (const place of [
    '/api/health',
    '/api/v1/find?q=1',
    '/api/v1/jobs.csv',
    '/api/v1/live',
    '/api/v1/openapi.json',
  ]) {
    const answer = await guest.request.get(place);
    expect(answer.status(), place).toBe(401);
    expect(await answer.text()).toContain('not paired');
  }
  // Nobody says by a header who they are.
  const forged = await guest.request.get('/api/v1/jobs.csv', {
    headers: { 'x-zh-person': 'x', 'x-zh-device': 'x', 'x-forwarded-for': '127.0.0.1' },
  });
  expect(forged.status()).toBe(401);
});

test('a tablet is paired by a code of the office, and an apprentice’s or technician’s PIN lets them in', async ({
  browser,
}) => {
  await office.goto('/workshop');
  await office.getByRole('button', { name: 'Pair another screen' }).click();
  await expect(office.getByRole('timer')).toBeVisible();
  const code = (await office.getByText(/^\d{4} \d{4}$/).textContent())!.replace(/\D/g, '');
  tablet = await screen(browser, { width: 390, height: 844 });
  await tablet.goto(`/pair#${code}`);
  await tablet.getByLabel('Name of this screen').fill('tablet, lift 2');
  await expect(tablet.getByLabel('Code')).toHaveValue(code);
  await tablet.getByRole('button', { name: 'Pair by the code' }).click();
  await expect(tablet.getByRole('heading', { name: 'Who is here?' })).toBeVisible();
  for (const place of ['/api/health', '/api/v1/jobs.csv', '/api/v1/find?q=1']) {
    const answer = await tablet.request.get(place);
    expect(answer.status(), place).toBe(401);
    expect(await answer.text()).toContain('Nobody is signed in');
  }
  await signIn(tablet, 'Tobiah', '999111');
  await expect(tablet.getByText('That is not right.')).toBeVisible();
  await tablet.getByLabel(/PIN of Tobiah/).fill('');
  for (const digit of PIN.Tobiah) {
    await tablet.getByRole('button', { name: digit, exact: true }).click();
  }
  await tablet.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(tablet.getByRole('link', { name: /^Tobiah/ })).toBeVisible();
});

test('what the tablet writes is on the office’s screen at once, under name and screen', async () => {
  const line = tablet.getByRole('combobox', { name: /Plate, name/ });
  await line.fill('SK-742-W');
  await expect(tablet.getByRole('option', { name: /New job for SK-742-W/ })).toBeVisible();
  await tablet.keyboard.press('Enter');
  await tablet.waitForURL(/\/complaint$/);
  jobPath = new URL(tablet.url()).pathname.replace(/\/complaint$/, '');
  await tablet.goto(`${jobPath}/measure/FL`);
  await settled(tablet);
  await tablet.getByRole('button', { name: '4', exact: true }).click();
  const begin = tablet.getByRole('button', { name: /start runout$/i });
  await expect(begin).toBeVisible();
  await office.goto(`${jobPath}/measure/FL`);
  await settled(office);
  // A form that somebody fills in stays; the set of the other screen stands beside it.
  const set = office
    .getByRole('group', { name: 'Reading sets' })
    .getByRole('button', { name: /^Runout/ });
  await expect(office.getByRole('button', { name: /start runout$/i })).toBeVisible();
  await drawnUp(tablet);
  await begin.click();
  await expect(tablet.locator('label[for="reading"]')).toBeVisible();
  const since = Date.now();
  await expect(set).toBeVisible();
  // Without events a screen asks after 25 s. How quick it is on a quiet machine, `bench/live.ts` measures: here other
  // tests run beside it, and a limit of three seconds was missed by 0.06 s.
  expect(Date.now() - since).toBeLessThan(10_000);
});

// 2026-11-29: the ledger had the screen, its page did not.
test('the history of a job says who wrote and at which screen', async () => {
  await office.goto(`${jobPath}/history?only=set`);
  await expect(office.getByText('Tobiah, technician, at tablet, lift 2').first()).toBeVisible();
});

// 2026-11-29: eight pages of a job went on offering every name to choose from, where people sign in.
test('no page offers a name to choose: the header says who is signed in', async () => {
  const pages = [
    'strip',
    'rules',
    'decide',
    'correct',
    'rebuild',
    'rebuild/pedal',
    'prove',
    'report',
  ];
  for (const place of ['/', '/workshop', ...pages.map((each) => `${jobPath}/${each}`)]) {
    await office.goto(place);
    await settled(office);
    await expect(office.getByRole('group', { name: 'Who is here' }), place).toHaveCount(0);
    await expect(office.getByText('Who is here?'), place).toHaveCount(0);
    await expect(office.getByRole('link', { name: /^Ines/ }), place).toBeVisible();
  }
});

test('practice on the stages has a port of its own under the same certificate, for who is signed in', async () => {
  const complaints = complaintsOf(office);
  await office.goto('/practice/FB-00022');
  await settled(office);
  await office.getByRole('button', { name: 'Work it on the stages of a job' }).click();
  await office.waitForURL(/\/jobs\/.*\/complaint$/);
  const there = new URL(office.url());
  expect(there.protocol).toBe('https:');
  expect(there.origin).not.toBe(address);
  await settled(office);
  await expect(office.getByRole('link', { name: /^Ines/ })).toBeVisible();
  const felt = office.getByRole('group', { name: /Where is it felt/ });
  await felt.getByRole('button', { name: /^Ask/ }).click();
  await felt.getByRole('button', { name: 'Pedal', exact: false }).last().click();
  await settled(office);
  await office.goto(office.url().replace('/complaint', '/history'));
  await expect(office.getByText('Ines').first()).toBeVisible();
  // A screen that is not paired gets nothing there either.
  const bare = await office.context().browser()!.newContext({ ignoreHTTPSErrors: true });
  const guest = await bare.newPage();
  await guest.goto(there.href);
  await expect(guest).toHaveURL(/\/pair$/);
  await bare.close();
  await office.goto(address);
  expect(complaints).toEqual([]);
});

test('what is grave asks a lead for the password, and a technician may not at all', async () => {
  expect((await tablet.request.post('/api/v1/copies')).status()).toBe(403);
  await signInByPin(office);
  await office.goto('/workshop');
  await settled(office);
  await office.getByLabel('Name', { exact: true }).fill('Wren');
  await office.getByLabel('Role', { exact: true }).selectOption('apprentice');
  await office.getByRole('button', { name: 'Add', exact: true }).click();
  const dialog = office.getByRole('dialog', { name: 'Password of Ines' });
  await expect(dialog).toBeVisible();
  await expectAccessible(office);
  await dialog.getByLabel('Password').fill('not the right one');
  await dialog.getByRole('button', { name: 'Go on' }).click();
  await expect(dialog.getByText('That is not right.')).toBeVisible();
  await dialog.getByLabel('Password').fill(PASSWORD);
  await dialog.getByRole('button', { name: 'Go on' }).click();
  await expect(office.getByText(/^Wren: /)).toBeVisible();
});

/** A photo of a part of the job, kept by another screen; its address. */
async function photoOf(page: Page): Promise<string> {
  await page.goto(`${jobPath}/strip/FL/tray`);
  await settled(page);
  await page
    .getByRole('button', { name: / → tray$/ })
    .first()
    .click();
  const picture = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [240, 160];
    return canvas.toDataURL('image/jpeg').split(',')[1] ?? '';
  });
  const buffer = Buffer.from(picture, 'base64');
  const input = page.getByLabel(/^Photos of/).first();
  await input.setInputFiles({ name: 'pin.jpg', mimeType: 'image/jpeg', buffer });
  const src = await page.locator('[class*="_thumb"] img').first().getAttribute('src');
  return (src ?? '').replace('?size=thumb', '');
}

/** Whether a screen holds a page for when the server is away. */
const holds = (page: Page, place: string): Promise<boolean> =>
  page.evaluate(async (path) => {
    const pages = await caches.open('zesty-hound-pages');
    return (await pages.match(path)) !== undefined;
  }, place);

test('without the server the job at hand is read and worked on, and what was typed goes out once it is back', async () => {
  test.setTimeout(240_000);
  const photo = await photoOf(office);
  await tablet.goto(`${jobPath}/measure/FL`);
  await settled(tablet);
  const held = ['strip', 'complaint', 'measure/FL'].map((page) => `${jobPath}/${page}`);
  for (const place of ['/', '/offline', ...held]) {
    await expect.poll(() => holds(tablet, place), { timeout: 60_000 }).toBe(true);
  }
  const isPhotoHeld = () =>
    tablet.evaluate(async (path) => {
      const photos = await caches.open('zesty-hound-photos');
      return (await photos.match(path)) !== undefined;
    }, photo);
  await expect.poll(isPhotoHeld, { timeout: 60_000 }).toBe(true);
  // What is written once the page is held is not in it.
  const field = tablet.locator('#reading');
  await field.fill('0.021');
  await field.press('Enter');
  await expect(tablet.locator('[data-unsent="0"]')).toBeAttached();
  const port = Number(new URL(address).port);
  await kill(server);
  await field.fill('0.023');
  await field.press('Enter');
  const ladder = tablet.locator('[class*="_ladder"]').first();
  await expect(ladder).toContainText('0.023');

  // A photo that nobody has looked at on this screen.
  const picture = (size: string) =>
    tablet.evaluate((path) => fetch(path).then(({ status }) => status), photo + size);
  expect([await picture('?size=thumb'), await picture('')]).toEqual([200, 200]);

  // Another page of the job, with what is ticked there.
  await tablet.goto(`${jobPath}/strip`);
  await expect(tablet.getByRole('heading', { name: 'Strip and inspect' })).toBeVisible();
  const since = tablet.getByRole('status').filter({ hasText: 'Without the server.' });
  await expect(since).toContainText(/of \d\d:\d\d/);
  await expectAccessible(tablet);
  // By the ways of the page itself, without a question whether to leave.
  let asked = 0;
  tablet.on('dialog', (dialog) => {
    asked += 1;
    void dialog.accept();
  });
  await tablet
    .getByRole('link', { name: /^Measure/ })
    .first()
    .click();
  await tablet.waitForURL(/\/measure\/FL/);
  await expect(ladder).toContainText('0.021');
  await expect(ladder).toContainText('0.023');
  expect(asked).toBe(0);

  // A form that is sent meanwhile: its fields hold what was typed when its page is opened again.
  await tablet.goto(`${jobPath}/complaint`);
  const complaint = tablet.getByLabel('Complaint, in the customer’s words');
  await complaint.fill('It wags when it is hot.');
  await tablet.getByRole('button', { name: 'Save the complaint' }).click();
  await expect(tablet.locator('[data-unsent="2"]')).toBeAttached();
  await tablet.goto(`${jobPath}/strip`);
  await tablet.goto(`${jobPath}/complaint`);
  await expect(complaint).toHaveValue('It wags when it is hot.');

  // One that is not held says so, and leads to those that are.
  await tablet.goto('/insights');
  await expect(tablet.getByRole('heading', { name: 'Without the server' })).toBeVisible();
  await expectAccessible(tablet);
  await tablet.getByRole('link', { name: 'Strip', exact: true }).click();
  await expect(tablet.getByRole('heading', { name: 'Strip and inspect' })).toBeVisible();
  await tablet.goto(`${jobPath}/measure/FL`);
  await expect(since).toBeVisible();

  start(port);
  await until(/Zesty Hound answers at/);
  await expect(since).toBeHidden({ timeout: 60_000 });
  await expect(tablet.locator('[data-unsent="0"]')).toBeAttached();
  await expect(ladder).toContainText('0.023');
  await office.goto(`${jobPath}/complaint`);
  await expect(office.getByLabel('Complaint, in the customer’s words')).toHaveValue(
    'It wags when it is hot.',
  );
  const read = await office.request.get(`/api/v1${jobPath}/readings`);
  expect(await read.text()).toMatch(/0\.021[\s\S]*0\.023/);
});

test('what a screen holds goes when another takes over', async () => {
  await tablet.getByRole('link', { name: /^Tobiah/ }).click();
  await expect(tablet.getByRole('heading', { name: 'Who is here?' })).toBeVisible();
  await expect.poll(() => holds(tablet, `${jobPath}/strip`)).toBe(false);
  const held = () =>
    tablet.evaluate(async () => (await (await caches.open('zesty-hound-pages')).keys()).length);
  expect(await held()).toBe(0);
  await signIn(tablet, 'Tobiah', PIN.Tobiah);
  await tablet.waitForURL(/\/measure\/FL/);
});

test('a reading typed after the session has ended waits, and is there once the same person signs in', async () => {
  await tablet.goto(`${jobPath}/measure/FL`);
  await settled(tablet);
  const field = tablet.locator('#reading');
  await expect(field).toBeVisible();
  // A new PIN ends what is open under the old one.
  await office.goto('/workshop');
  const tobiah = office.locator('details', { hasText: 'Tobiah: ' }).last();
  await tobiah.locator('summary').click();
  await tobiah.getByLabel(/^PIN/).fill(NEW_PIN);
  await tobiah.getByRole('button', { name: /^Keep ?: PIN/ }).click();
  await expect(tobiah.getByText('Kept.')).toBeVisible();

  await field.fill('0.037');
  await field.press('Enter');
  const out = tablet.getByRole('alert').filter({ hasText: 'Nobody is signed in' });
  await expect(out).toBeVisible();
  await out.getByRole('link', { name: 'Sign in' }).click();
  await signIn(tablet, 'Tobiah', NEW_PIN);
  await tablet.waitForURL(/\/measure\/FL/);
  await settled(tablet);
  const read = await office.request.get(`/api/v1${jobPath}/readings`);
  expect(await read.text()).toContain('0.037');
});

test('a screen whose key is taken away sees the pairing page from then on; nothing typed there is lost', async () => {
  await office.goto('/workshop');
  const row = office.getByRole('row', { name: /tablet, lift 2/ });
  await row.getByRole('button').click();
  await expect(row.getByText('Key taken away by Ines')).toBeVisible();
  await tablet.goto(`${jobPath}/complaint`);
  await expect(tablet).toHaveURL(`${address}/pair`);
});

/** Signs the lead in anew by the PIN: then no password was given. */
async function signInByPin(page: Page): Promise<void> {
  await page.getByRole('link', { name: /^Ines/ }).click();
  await page.waitForURL(/\/sign-in/);
  await signIn(page, 'Ines', PIN.Ines);
  await page.waitForURL((url) => url.pathname !== '/sign-in');
  await expect(page.getByRole('link', { name: /^Ines/ })).toBeVisible();
}
