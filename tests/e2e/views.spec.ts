import { expect, test, type Page } from '@playwright/test';
import { complaintsOf, expectAccessible, expectContrastInTheDark, openJob } from './helpers';
import { seenFaults } from './seen';
import { VIEWS } from './viewList';

/** A phone with the browser's bars, the same on its side, a desk at twice the size, a tablet, a wide desk. */
const SIZES = [
  [390, 664],
  [844, 390],
  [640, 400],
  [820, 1180],
  [1920, 1080],
  [1280, 800],
] as const;

/** Chooses the shop's units by the switch in the head of the page. */
async function choose(page: Page, units: 'mm' | 'thou'): Promise<void> {
  const now = page.getByRole('button', { name: /Units/ });
  if (!(await now.textContent())?.includes(`Now ${units}`)) await now.click();
  await expect(now).toContainText(`Now ${units}`);
}

/** Job 110 is not measured yet, and these pages hold no length. */
const hasLengths = (job: number | null, path: string): boolean =>
  job !== null && job !== 110 && !/^(complaint|road-test|prove.*|rebuild.*)$/.test(path);

/** Books of hundreds of entries, each drawn by one component: the first six of a kind are looked at. */
const ALIKE: Readonly<Record<string, number>> = { knowledge: 6, licences: 6 };

const addressOf = async (page: Page, job: number | null, path: string): Promise<string> =>
  job === null ? path : `/jobs/${await openJob(page, job)}/${path}`;

test.describe('every view', () => {
  // One tab for all of them: its browser knows the program’s files after the first, as a shop’s does.
  let page: Page;
  let complaints: string[] = [];
  test.beforeAll(async ({ browser }) => {
    page = await (await browser.newContext({ colorScheme: 'light' })).newPage();
    complaints = complaintsOf(page);
    await page.goto('/');
    await choose(page, 'mm');
  });
  test.afterAll(() => page.context().close());
  for (const [name, job, path] of VIEWS) {
    test(name, async () => {
      complaints.length = 0;
      await page.goto(await addressOf(page, job, path));
      await expect(page.locator('main').locator('h1, h2').first()).toBeVisible();
      await expectAccessible(page, ALIKE[name]);
      if (hasLengths(job, path)) await expect(page.locator('main')).toContainText(/\d mm\b/);
      await expectContrastInTheDark(page, ALIKE[name]);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        // A chart follows its box a moment later.
        await expect.poll(() => seenFaults(page, ALIKE[name]), `${width}×${height}`).toEqual([]);
      }
      expect(complaints).toEqual([]);
    });
  }
  test('in thousandths of an inch', async () => {
    complaints.length = 0;
    await choose(page, 'thou');
    for (const [name, job, path] of VIEWS) {
      if (!hasLengths(job, path)) continue;
      await page.goto(await addressOf(page, job, path));
      await expect(page.locator('main'), name).toContainText(/\d (thou|in)\b/);
    }
    expect(complaints).toEqual([]);
    await choose(page, 'mm');
  });
});

test.describe('the same figures in both systems', () => {
  test('measure and decide follow the switch, and it is remembered', async ({ page }) => {
    const id = await openJob(page, 103);
    await page.goto(`/jobs/${id}/decide`);
    await choose(page, 'mm');
    await page.getByText('The figures behind it').click();
    const row = page.getByRole('row', { name: /Lateral runout/ });
    const mm = Number(/0\.\d{3}/.exec((await row.textContent()) ?? '')?.[0]);
    await choose(page, 'thou');
    await expect(row).toContainText('thou');
    const thou = Number(/\d+\.\d/.exec((await row.textContent()) ?? '')?.[0]);
    expect(Math.abs(thou * 0.0254 - mm)).toBeLessThanOrEqual(0.002);
    await page.reload();
    await page.getByText('The figures behind it').click();
    await expect(row).toContainText('thou');
    await page.goto(`/jobs/${id}/measure/FL`);
    await page.getByRole('button', { name: 'Thickness', exact: true }).click();
    await expect(page.locator('[class*="_ladder"]').first()).toContainText('1.07');
    await choose(page, 'mm');
    await expect(page.locator('[class*="_ladder"]').first()).toContainText('27.3');
  });
});

test('an address that leads nowhere says so', async ({ page }) => {
  const response = await page.goto('/jobs/not-an-id/decide');
  expect(response?.status()).toBe(404);
  await expect(page.getByText('The scent ends here')).toBeVisible();
});
