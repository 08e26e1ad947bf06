import fs from 'node:fs';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { beHere, complaintsOf, expectAccessible, jobOn, openJob, settled } from './helpers';

/** Presses keys one by one and counts them. */
class Keys {
  count = 0;
  constructor(private readonly page: Page) {}
  async press(...keys: string[]): Promise<void> {
    for (const key of keys) {
      await this.page.keyboard.press(key);
      this.count += 1;
    }
  }
  async type(text: string): Promise<void> {
    await this.press(...text);
  }
}

/** Opens a page and waits until it listens: what is pressed before is not heard. */
async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await settled(page);
}

/** Waits until the server has answered to everything that was pressed. */
const kept = (page: Page) => expect(page.getByText('Keeping …')).toHaveCount(0);

/** A new job on the demo's mobile library, at both rear corners. */
const newJob = (page: Page): Promise<string> =>
  jobOn(page, { plate: 'SK-003-L', complaint: 'Drags on the left.', corners: ['RL', 'RR'] });

const item = (page: Page, name: string) => page.getByRole('group', { name, exact: true });
const here = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Who is here' }).getByRole('button', { name });

test('a corner with nothing wrong takes at most 60 key presses', async ({ page }) => {
  const complaints = complaintsOf(page);
  const id = await newJob(page);
  await open(page, `/jobs/${id}/strip/RL/findings`);
  await expect(page.getByText(/of \d+ are not looked at/)).toBeVisible();
  const keys = new Keys(page);
  // Nothing that asserts a fact has the focus on arrival, and it asks.
  await expect(page.getByRole('button', { name: /all sound/ })).not.toBeFocused();
  await page.getByRole('status').filter({ hasText: 'not looked at' }).click();
  await keys.press('Tab');
  await expect(page.getByRole('button', { name: /all sound/ })).toBeFocused();
  await keys.press('Enter');
  await expect(page.getByRole('button', { name: 'No, one by one' })).toBeFocused();
  await keys.press('Tab');
  await keys.press('Enter');
  await expect(page.getByText('Everything at this corner was looked at.')).toBeVisible();
  await expect(page.getByLabel(/Thickness stamped/)).toBeFocused();
  for (const figure of ['10', '0.4', '9.5', '9.4', '9.6', '9.5']) {
    await keys.type(figure);
    await keys.press('Enter');
  }
  await expect(page.locator('[data-figure="outer-trailing"]')).not.toBeFocused();
  expect(keys.count).toBeLessThanOrEqual(60);
  await kept(page);
  await page.reload();
  await expect(page.locator('[data-figure="outer-trailing"]')).toHaveValue('9.5');
  const sound = page.locator('[data-part="question"]').filter({ hasText: 'Sound' });
  expect(await sound.count()).toBeGreaterThan(20);
  await open(page, `/jobs/${id}/report`);
  const left = page.locator('[class*="_cornerReport"]').first();
  await expect(left.getByText('Not looked at')).toHaveCount(0);
  await expect(left.locator('[class*="_inspection"]')).toContainText('Slide pins');
  const right = page.locator('[class*="_cornerReport"]').nth(1);
  await expect(right).toContainText('Not looked at');
  expect(complaints).toEqual([]);
});

/** Two screens that do not hear of each other in time, as one does not that was just picked up. */
async function twoScreens(browser: Browser, path: string): Promise<[Page, Page]> {
  const pages = await Promise.all([0, 1].map(async () => (await browser.newContext()).newPage()));
  for (const page of pages) {
    await page.route(/\/api\/v1\/(live|jobs\/[^/]+\/version)$/, (route) => route.abort());
  }
  await Promise.all(pages.map((page) => open(page, path)));
  return [pages[0]!, pages[1]!];
}

test('two screens at one item: the later is told and chooses', async ({ page, browser }) => {
  const id = await newJob(page);
  const [one, two] = await twoScreens(browser, `/jobs/${id}/strip/RR/findings`);
  await one.locator('summary', { hasText: 'Who is here?' }).click();
  await here(one, 'Ines').click();
  await expect(here(one, 'Ines')).toHaveAttribute('aria-pressed', 'true');
  await item(one, 'Hose').getByRole('button', { name: 'Sound' }).click();
  await expect(item(one, 'Hose')).toContainText('Ines');
  await item(two, 'Hose').getByRole('button', { name: 'Bulged' }).click();
  const dialog = two.getByRole('dialog', { name: 'Another screen wrote here' });
  await expect(dialog).toContainText(/Ines wrote “Hose: Sound”/);
  await expect(dialog).toContainText('You pressed “Hose: Bulged”');
  await dialog.getByRole('button', { name: 'Leave theirs' }).click();
  await expect(item(two, 'Hose').getByRole('button', { name: 'Sound' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  // Now it is seen there: pressing again is no surprise to anybody.
  await item(two, 'Hose').getByRole('button', { name: 'Bulged' }).click();
  await expect(two.getByText('The vehicle stays off the road.')).toBeVisible();
  await item(one, 'Hose').getByRole('button', { name: 'Older' }).click();
  const again = one.getByRole('dialog', { name: 'Another screen wrote here' });
  await expect(again).toContainText('Another screen wrote “Hose: Bulged”');
  await again.getByRole('button', { name: 'Write mine' }).click();
  await one.getByLabel('Why it is taken back').fill('looked at it in daylight');
  await one.getByRole('button', { name: 'Take it back' }).click();
  await one.reload();
  await expect(item(one, 'Hose').getByRole('button', { name: 'Older' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await one.context().close();
  await two.context().close();
});

test('two screens at one line of a part: the later is told and chooses', async ({
  page,
  browser,
}) => {
  const id = await newJob(page);
  await open(page, `/jobs/${id}/strip/RR/tray`);
  await page.getByRole('button', { name: 'Upper slide pin → tray' }).click();
  await expect(page.getByRole('listitem', { name: 'Upper slide pin' })).toBeVisible();
  const [one, two] = await twoScreens(browser, `/jobs/${id}/strip/RR/tray`);
  const lineOf = (screen: Page) => screen.getByLabel('Longer bolt, sleeve, arrow: Upper slide pin');
  await lineOf(one).fill('rubber sleeve');
  await lineOf(one).press('Tab');
  await expect(one.locator('[aria-label^="Longer bolt"]')).toHaveValue('rubber sleeve');
  await one.reload();
  await expect(lineOf(one)).toHaveValue('rubber sleeve');
  await lineOf(two).fill('plain');
  await lineOf(two).press('Tab');
  const told = two.getByText(
    /Another screen wrote “rubber sleeve” here meanwhile; you wrote “plain/,
  );
  await expect(told).toBeVisible();
  await two.getByRole('button', { name: 'Write mine' }).click();
  await expect(told).toHaveCount(0);
  await expect(lineOf(two)).toHaveValue('plain');
  await one.context().close();
  await two.context().close();
});

test('a figure that cannot be stays in its field with what is wrong', async ({ page }) => {
  const id = await newJob(page);
  await open(page, `/jobs/${id}/strip/RL/findings`);
  const field = page.locator('[data-figure="inner-leading"]');
  await field.fill('95');
  await field.press('Enter');
  await expect(page.getByText(/95 mm cannot be a pad thickness/)).toBeVisible();
  await expect(field).toHaveValue('95');
  await field.fill('9,5');
  await field.press('Enter');
  await expect(page.getByText(/cannot be a pad thickness/)).toHaveCount(0);
  await kept(page);
  await page.reload();
  await expect(page.locator('[data-figure="inner-leading"]')).toHaveValue('9,5');
});

test('quick presses on one screen are all kept, and are no conflict with each other', async ({
  page,
}) => {
  const id = await newJob(page);
  await open(page, `/jobs/${id}/strip/RL/findings`);
  for (const answer of ['Patchy film', 'Mirror glaze', 'Blue or dark spots', 'Patchy film']) {
    await item(page, 'Faces: film, spots, traces').getByRole('button', { name: answer }).click();
  }
  await expect(page.locator('[class*="_found"]').getByText('No cut.')).toBeVisible();
  await kept(page);
  await page.reload();
  const faces = item(page, 'Faces: film, spots, traces');
  await expect(faces.getByRole('button', { name: 'Patchy film' })).toHaveAttribute(
    'aria-pressed',
    'false',
  );
  await expect(faces.getByRole('button', { name: 'Mirror glaze' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await open(page, `/jobs/${id}/decide`);
  await expect(page.getByLabel('Ruled out').first()).toContainText('hot spots of hardened iron');
});

test('the steps of a corner go by Enter; one is left out with a reason', async ({ page }) => {
  const id = await newJob(page);
  await open(page, `/jobs/${id}/strip/RL`);
  // With the wheel still on it is spun and rocked, and what was felt is answered there.
  await expect(page.getByRole('heading', { name: 'Spin and rock the wheel' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done, next' })).toBeFocused();
  await page.getByRole('button', { name: 'Drags', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Drags', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('button', { name: 'Done, next' }).click();
  await expect(page.getByRole('heading', { name: 'Wheel off' })).toBeVisible();
  await page.getByRole('button', { name: 'Done, next' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Leave the other side together' })).toBeVisible();
  await page.getByRole('button', { name: 'Leave out …' }).click();
  await page.getByLabel('Why the step is left out').fill('other side is at the lathe');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'First look at both faces' })).toBeVisible();
  await expect(page.getByText('A rotor that was driven burns the hand')).toBeVisible();
  // Left in a hurry: what was not answered yet is sent by the next page.
  await open(page, `/jobs/${id}/strip`);
  await expect(page.getByRole('region', { name: 'rear left' })).toContainText('3 of');
  await page.getByRole('button', { name: 'Same plan for RR' }).click();
  await expect(page.getByText(/1 lines of the plan now stand at RR/)).toBeVisible();
  await open(page, `/jobs/${id}/report`);
  await expect(page.locator('[class*="_cornerReport"]').first()).toContainText('Not looked at');
});

test('the list before lifting asks for a name; a wrong part stops; waiting blocks', async ({
  page,
}) => {
  const id = await newJob(page);
  await open(page, `/jobs/${id}/strip`);
  await page.getByRole('button', { name: 'Ground level and firm', exact: true }).click();
  await expect(page.getByText('Say who you are first')).toBeVisible();
  await here(page, 'Tobiah').click();
  await expect(here(page, 'Tobiah')).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Ground level and firm', exact: true }).click();
  await expect(page.locator('[class*="_lift"]').first()).toContainText(/Tobiah \d\d:\d\d/);
  await page.getByRole('button', { name: /Leave out … Wheels of the other axle/ }).click();
  await page.getByLabel(/Why it is left out/).fill('on the four-post lift');
  await page.keyboard.press('Enter');
  await expect(page.locator('[class*="_lift"]').nth(1)).toContainText(
    'Left out: on the four-post lift · Tobiah',
  );
  await page
    .getByRole('group', { name: 'Hand of the vanes, one of each side' })
    .getByRole('button', { name: 'Wrong' })
    .click();
  await expect(page.getByText('Stop: hand of the vanes')).toBeVisible();
  await expect(page.locator('.zh-next')).toContainText('Stop: a part is wrong or missing.');
  await page.getByRole('button', { name: 'Wait for parts …' }).click();
  await page.getByLabel('What is missing or wrong').fill('Left rotor, right hand');
  await page.getByLabel('Where the parts are').fill('shelf 2, red tag');
  await page.getByRole('button', { name: 'Wait, and block the vehicle from moving' }).click();
  await expect(page.getByText('Blocked from moving: waits for parts.')).toBeVisible();
  await open(page, '/');
  await expect(page.getByRole('link', { name: /Drags on the left/ }).first()).toContainText(
    'waits for parts',
  );
  await open(page, `/jobs/${id}/report`);
  await expect(
    page.getByRole('region', { name: 'Sign-off' }).getByText(/It waits: Left rotor/),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Sign off' })).toBeDisabled();
  await open(page, `/jobs/${id}/strip`);
  await page.getByRole('button', { name: /end the wait/ }).click();
  await expect(page.getByText('Blocked from moving: waits')).toHaveCount(0);
});

/** A picture of the browser's own making, as a camera would give it. */
async function picture(page: Page, size: number, seed: number): Promise<Buffer> {
  const base64 = await page.evaluate(
    async ([edge, start]) => {
      const canvas = new OffscreenCanvas(edge!, edge! * 0.75);
      const context = canvas.getContext('2d')!;
      for (let i = 0; i < 200; i += 1) {
        context.fillStyle = `hsl(${(start! * 47 + i * 13) % 360} 60% 50%)`;
        context.fillRect((i * 37) % edge!, (i * 53) % edge!, 90, 90);
      }
      const blob = await canvas.convertToBlob({ type: 'image/jpeg' });
      const bytes = new Uint8Array(await blob.arrayBuffer());
      return btoa(bytes.reduce((text, byte) => text + String.fromCharCode(byte), ''));
    },
    [size, seed],
  );
  return Buffer.from(base64, 'base64');
}

test('photos: kept small and once; what is no picture is refused in words', async ({ page }) => {
  test.setTimeout(180_000);
  await beHere(page, 'Tobiah');
  const id = await newJob(page);
  await open(page, `/jobs/${id}/strip/RL/tray`);
  await page.getByRole('button', { name: 'Upper slide pin → tray' }).click();
  const row = page.getByRole('listitem', { name: 'Upper slide pin' });
  const input = row.getByLabel('Photos of Upper slide pin');
  const attach = (name: string, buffer: Buffer) =>
    input.setInputFiles({ name, mimeType: 'image/jpeg', buffer });
  const large = await picture(page, 3000, 1);
  await attach('pin.jpg', large);
  await expect(row.locator('[class*="_thumb"]')).toHaveCount(1);
  await attach('pin-again.jpg', large);
  await expect(row.getByRole('button', { name: 'Photo', exact: true })).toBeEnabled();
  await expect(row.locator('[class*="_thumb"]')).toHaveCount(1);
  // From the disk: handed over as it is it takes the driver a quarter of a minute.
  const forty = test.info().outputPath('forty.jpg');
  fs.writeFileSync(forty, Buffer.concat([await picture(page, 2000, 2), Buffer.alloc(40_000_000)]));
  await input.setInputFiles(forty);
  await expect(row.locator('[class*="_thumb"]')).toHaveCount(2);
  for (const [name, bytes, words] of [
    ['camera.heic', Buffer.from('\0\0\0\x18ftypheic\0\0\0\0mif1heic'), 'HEIC picture'],
    ['empty.jpg', Buffer.alloc(0), 'empty'],
    [
      'holiday.jpg',
      Buffer.from('MZ\x90\0 This program cannot be run'),
      'program and not a picture',
    ],
    ['torn.jpg', large.subarray(0, 200), 'cannot be read as a picture'],
  ] as const) {
    await attach(name, bytes);
    await expect(row.getByRole('alert')).toContainText(words);
  }
  await expect(row.locator('[class*="_thumb"]')).toHaveCount(2);
  await row.locator('[class*="_thumb"]').first().click();
  const shown = page.getByRole('dialog', { name: 'Photo' }).locator('img');
  await expect(shown).toHaveAttribute('width', '1600');
  await expect
    .poll(() => shown.evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBe(1600);
  await page.getByRole('button', { name: 'Take this photo back' }).click();
  await expect(row.locator('[class*="_thumb"]')).toHaveCount(1);
  const many = await Promise.all(Array.from({ length: 29 }, (_, i) => picture(page, 400, 10 + i)));
  await input.setInputFiles(
    many.map((buffer, i) => ({ name: `${i}.jpg`, mimeType: 'image/jpeg', buffer })),
  );
  await expect(row.locator('[class*="_thumb"]')).toHaveCount(30, { timeout: 60_000 });
});

test('the hub face is read on its own page and serves the index', async ({ page }) => {
  const id = await newJob(page);
  await open(page, `/jobs/${id}/strip/RL/hub`);
  await expect(page.getByText('Brush, do not grind.').first()).toBeVisible();
  await page.getByRole('link', { name: 'Hub face, cleaned' }).click();
  await expect(page.getByRole('button', { name: 'Start hub face' })).toBeVisible();
  await page.getByRole('button', { name: 'Start hub face' }).click();
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  for (let i = 0; i < 13; i += 1) {
    await page.locator('#reading').fill((0.012 * Math.cos((i / 12) * 2 * Math.PI)).toFixed(3));
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('Hub face is read').first()).toBeVisible();
  await expect(page.locator('[data-save-state="saved"]')).toBeVisible();
  await open(page, `/jobs/${id}/strip/RL/hub`);
  await expect(page.getByRole('row', { name: /Hub face runout/ })).toContainText('0.024');
});

test('house rules: the shop chooses, a job goes another way with its reason', async ({ page }) => {
  const id = await newJob(page);
  await beHere(page, 'Ines');
  await open(page, '/workshop');
  const rule = page.locator('#rotor-screw');
  await rule.locator('summary').click();
  await rule.getByLabel(/Anti-seize/).check();
  await rule.getByRole('button', { name: 'The shop does it this way' }).click();
  await expect(rule.locator('summary')).toContainText('Anti-seize');
  await open(page, `/jobs/${id}/rules`);
  const own = page.locator('#hub-face');
  await own.locator('summary').click();
  await own.getByLabel(/Thin film/).check();
  await own.getByRole('button', { name: 'This way for this job' }).click();
  await expect(own.getByText('Say why')).toBeVisible();
  await own.getByLabel(/Thin film/).check();
  await own.getByLabel(/Why another way/).fill('works at the sea wall');
  await own.getByRole('button', { name: 'This way for this job' }).click();
  await expect(own.locator('summary')).toContainText('works at the sea wall');
  await open(page, `/jobs/${id}/report`);
  // Nothing was taken apart yet: only what the job chose for itself is told.
  await page.getByText('House rules followed (1)').click();
  await expect(page.locator('[class*="_rulesFollowed"]')).toContainText('thin film of anti-seize');
  await expect(page.locator('[class*="_rulesFollowed"]')).toContainText(
    'this job: works at the sea wall',
  );
  await expect(page.locator('[class*="_rulesFollowed"]')).not.toContainText('Rotor screw');
});

test.describe('by touch on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('every screen of the stage fits, and one thumb finishes a step', async ({ page }) => {
    const id = await openJob(page, 110);
    for (const path of [
      'strip',
      'strip/RL',
      'strip/RL/findings',
      'strip/RL/tray',
      'strip/RL/hub',
      'rules',
      'as-found/RL',
    ]) {
      await open(page, `/jobs/${id}/${path}`);
      await expect(page.locator('main').locator('h1, h2').first()).toBeAttached();
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect([path, wide]).toEqual([path, 390]);
    }
    const own = await newJob(page);
    await open(page, `/jobs/${own}/strip/RR`);
    await page.getByRole('button', { name: 'Done, next' }).tap();
    await expect(page.getByText('step 2 of')).toBeVisible();
    const box = await page.getByRole('button', { name: 'Done, next' }).boundingBox();
    expect(box!.height).toBeGreaterThanOrEqual(48);
    expect(box!.y + box!.height).toBeLessThanOrEqual(844);
    await expectAccessible(page);
  });
});
