import { expect, test, type Page } from '@playwright/test';
import {
  complaintsOf,
  expectAccessible,
  INDEXABLE,
  leaveTurnOut,
  runoutLap,
  settled,
  settleThickness,
  thicknessLap,
} from './helpers';

/** Steps of the dial as they are keyed: "12" Enter, or "12" and then minus. */
const dialKeys = (value: number): string[] => [
  ...String(Math.abs(value)),
  value < 0 ? '-' : 'Enter',
];
const typed = async (page: Page, keys: readonly string[]): Promise<number> => {
  for (const key of keys) await page.keyboard.press(key);
  return keys.length;
};
const answer = (page: Page) => page.getByRole('region', { name: 'Answer' });

/** Whether all of something is on the screen, without scrolling. */
async function isOnScreen(page: Page, what: ReturnType<Page['locator']>): Promise<boolean> {
  const box = await what.boundingBox();
  const size = page.viewportSize();
  return box !== null && size !== null && box.y >= 0 && box.y + box.height <= size.height;
}

/** At three keys a second. */
const SECONDS = 90;
const KEYS_A_SECOND = 3;

test('a quick check: two actions to the first reading, two laps and thickness within ninety seconds of keys, the answer on the same screen, a job by its plate', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await page.goto('/');
  await settled(page);
  let keys = await typed(page, ['q']);
  await expect(page.getByRole('button', { name: 'FL front left' })).toBeFocused();
  await expectAccessible(page);
  keys += await typed(page, ['Enter']);
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  await expectAccessible(page);
  keys += await typed(page, runoutLap(INDEXABLE, 0, 11).flatMap(dialKeys));
  await leaveTurnOut(page);
  keys += 1;
  await expect(answer(page).getByText('Beyond')).toBeVisible();
  keys += await typed(page, ['Enter']);
  await expect(page.getByLabel(/Position 1 of 8/)).toBeFocused();
  const lap = thicknessLap(INDEXABLE, 0, 12);
  keys += await typed(
    page,
    lap.flatMap((value, j) => [...(j === 0 ? String(value) : String(value).slice(-2)), 'Enter']),
  );
  await settleThickness(page, INDEXABLE, 0, async (value) => {
    keys += await typed(page, [...String(value).slice(-2), 'Enter']);
  });
  // The second mounting: the rotor is moved, then read.
  await page.getByRole('button', { name: 'Another mounting' }).click();
  await expect(page.getByText(/Move the rotor .* then start/)).toBeVisible();
  keys += await typed(page, ['Enter', 'Enter']);
  const seat = await page.locator('.zh-where').textContent();
  expect(seat).toMatch(/stud/);
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  keys += await typed(page, runoutLap(INDEXABLE, 2, 13).flatMap(dialKeys));
  await expect(answer(page)).toContainText(/hub 0\.0\d+ mm, rotor 0\.0\d+ mm/);
  expect(keys / KEYS_A_SECOND).toBeLessThan(SECONDS);
  expect(await isOnScreen(page, answer(page))).toBe(true);
  expect(await isOnScreen(page, page.getByRole('region', { name: 'Rotor' }))).toBe(true);
  // Discard is typed where it is needed, once.
  await answer(page)
    .getByLabel(/Discard, as stamped/)
    .fill('24.0');
  await answer(page).getByRole('button', { name: 'Keep' }).click();
  await expect(answer(page)).toContainText(/discard 24\.000 mm, stamped on the part/);
  await expect(answer(page)).toContainText(/left above machine-to/);
  // A plate makes a job of it; nothing is read again.
  await page.getByLabel('Plate', { exact: true }).fill('sk-731-q');
  await page.getByRole('button', { name: 'Make it a job' }).click();
  await expect(page.getByRole('heading', { name: 'Complaint', exact: true })).toBeVisible();
  await page.goto(page.url().replace('/complaint', '/decide'));
  await settled(page);
  await expect(page.getByText('SK-731-Q')).toBeVisible();
  await expect(page.getByText(/Every option side by side/)).toBeVisible();
  await page.goto(page.url().replace('/decide', '/report'));
  await expect(page.getByText('0.0').first()).toBeVisible();
  expect(complaints).toEqual([]);
});

test('one line: an unknown plate opens a job with one more key; studs are asked before the first set', async ({
  page,
}) => {
  await page.goto('/');
  await settled(page);
  const line = page.getByRole('combobox', { name: /Plate, name/ });
  await line.fill('SK-742-W');
  await expect(page.getByRole('option', { name: /New job for SK-742-W/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Complaint', exact: true })).toBeVisible();
  await page.goto(page.url().replace('/complaint', '/measure/FL'));
  await settled(page);
  await page.getByRole('button', { name: '4', exact: true }).click();
  await expect(page.getByRole('button', { name: /start runout$/i })).toBeVisible();
  // Known now: the line leads to its open job.
  await page.goto('/');
  await settled(page);
  await line.fill('sk-742');
  await expect(page.getByRole('option', { name: /SK-742-W: open job/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.waitForURL(/jobs\/[0-9a-f-]{36}\//);
});

test.describe('by thumb', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('while a check is read, figure, pad, last readings and rotor are in sight', async ({
    page,
  }) => {
    await page.goto('/');
    await settled(page);
    await page.getByRole('link', { name: 'Quick check', exact: true }).tap();
    await page.getByRole('button', { name: 'FR front right' }).tap();
    await expect(page.getByLabel(/Position 1 of 12/)).toBeVisible();
    for (const key of ['1', '2', 'Take']) {
      await page.getByRole('button', { name: key, exact: true }).tap();
    }
    await expect(page.getByLabel(/Position 2 of 12/)).toBeVisible();
    const rotor = page.getByRole('region', { name: 'Rotor' });
    for (const what of [
      page.getByLabel(/Position 2 of 12/),
      page.getByRole('button', { name: 'Take', exact: true }),
      page.getByRole('list', { name: 'Readings of lap 1' }),
      rotor,
    ]) {
      expect(await isOnScreen(page, what)).toBe(true);
    }
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
  });
});
