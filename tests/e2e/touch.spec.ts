import { devices, expect, test, type Page } from '@playwright/test';
import {
  INDEXABLE,
  beHere,
  complaintsOf,
  expectAccessible,
  runoutLap,
  settleThickness,
  slowTurn,
  thicknessLap,
  typedMm,
  drawnUp,
} from './helpers';

test.use({
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  userAgent: devices['Pixel 5'].userAgent,
});

/** No wider than the phone. */
async function expectFits(page: Page): Promise<void> {
  // A phone widens its window to a page that is too wide, so the device's width is the measure.
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(page.viewportSize()?.width ?? 0);
}

/** A lap as read and, where it is asked for, its slow turn. */
async function tapRunout(page: Page, shift: number, seed: number): Promise<void> {
  await tapLap(page, runoutLap(INDEXABLE, shift, seed));
  const asked = page.getByLabel(/^Slow turn: stop at the highest/);
  // A lap that scatters more than nine in ten do asks for another lap first.
  await expect(asked.or(page.locator('.zh-next').first()).first()).toBeVisible();
  if (await asked.count()) await tapLap(page, slowTurn(INDEXABLE, shift));
}

async function tapLap(page: Page, lap: readonly number[]): Promise<void> {
  const field = page.locator('#reading');
  for (const text of typedMm(lap)) {
    // The sign is a button, as a phone's number pad has none.
    await field.fill(text.replace('-', ''));
    if (text.startsWith('-')) await page.getByTitle('Plus or minus').tap();
    await page.getByRole('button', { name: 'Take', exact: true }).tap();
  }
}

test('the whole way by touch on a phone', async ({ page }) => {
  test.setTimeout(240_000);
  const complaints = complaintsOf(page);
  await page.goto('/');
  await expectFits(page);
  await page.getByRole('link', { name: 'New job' }).tap();
  await page.getByLabel('Plate (must be filled)').fill('SK-017-B');
  await page.getByLabel(/^Complaint/).fill('Shakes by touch.');
  await page.getByLabel(/front left/).tap();
  await expectFits(page);
  await page.getByRole('button', { name: 'Open the job' }).tap();
  await page.getByRole('button', { name: 'Wheel and pedal' }).tap();
  await page.getByRole('button', { name: 'Only braking' }).tap();
  await expectFits(page);
  await page.getByRole('link', { name: 'Straight to measuring' }).tap();

  await drawnUp(page);
  await page.getByRole('button', { name: 'Start runout' }).tap();
  await tapRunout(page, 0, 11);
  await page.getByRole('button', { name: 'Measure thickness' }).tap();
  await page.getByRole('button', { name: 'Start thickness' }).tap();
  await tapLap(page, thicknessLap(INDEXABLE, 0, 12));
  await settleThickness(page, INDEXABLE, 0, (value) => tapLap(page, [value]));
  await page.getByRole('button', { name: 'Another mounting' }).tap();
  await page.getByRole('button', { name: 'Start runout' }).tap();
  await tapRunout(page, 2, 13);
  await expectFits(page);
  await expectAccessible(page);

  // A position is tapped on the rotor and corrected in place.
  await page.locator('.place[data-position="3"]').tap();
  await expect(page.getByLabel('Position 3 of 12')).toBeVisible();
  await page.locator('#reading').fill(typedMm(runoutLap(INDEXABLE, 2, 13))[2] ?? '');
  await page.getByRole('button', { name: 'Take', exact: true }).tap();
  await beHere(page, 'Tobiah');
  await page.reload();
  await page.getByRole('link', { name: 'Decide', exact: true }).first().tap();
  // The bench says the move too, so the decision is looked for on its own page.
  await expect(page).toHaveURL(/\/decide$/);
  await expect(
    page.getByText(/^Move the rotor .*\(from where it sits now: 2 studs clockwise\)\.$/),
  ).toBeVisible();
  await expectFits(page);
  await page.getByRole('button', { name: /put it on record/ }).tap();
  await page.getByRole('link', { name: 'Correct FL', exact: true }).tap();
  await expectFits(page);
  await page.getByRole('button', { name: 'Done at FL' }).tap();
  await page.getByRole('link', { name: /measure again/ }).tap();
  await page.getByRole('button', { name: 'Start runout' }).tap();
  await tapRunout(page, 4, 14);
  await page.getByRole('link', { name: 'Is it cured?' }).tap();
  await expect(page.getByRole('region', { name: 'Verdict on the job' })).toContainText(
    'Not proven',
  );
  await expectFits(page);
  await page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: /^Report/ })
    .tap();
  await expect(page.getByRole('heading', { name: 'Brake measurement report' })).toBeVisible();
  await expectFits(page);
  expect(complaints).toEqual([]);
});
