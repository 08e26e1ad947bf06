import { devices, expect, test, type Locator, type Page } from '@playwright/test';
import { beHere, expectAccessible, openJob, settled } from './helpers';

// A phone with the browser's bars shown.
test.use({
  viewport: { width: 390, height: 664 },
  hasTouch: true,
  isMobile: true,
  userAgent: devices['Pixel 5'].userAgent,
});

/** Within the window, whole or nearly so. */
async function isInSight(page: Page, thing: Locator): Promise<boolean> {
  const box = await thing.boundingBox();
  return box !== null && box.y > -8 && box.y + box.height <= 664 + 8;
}

/** Does every step of a corner by tapping its parts; answers how many steps that were. */
async function playOnDrawing(page: Page): Promise<number> {
  const drawing = page.getByRole('group', { name: /pulled apart/ });
  const done = page.getByRole('button', { name: /^Done/ });
  const open = drawing.locator('[data-state="open"]').filter({ hasText: /on|to do/ });
  let taken = 0;
  for (; taken < 60; taken += 1) {
    // What is lit is next; where nothing is, a part that is still on or still to do.
    const lit = drawing.locator('[data-state="next"]');
    const next = (await lit.count()) > 0 ? lit : open.first();
    if ((await next.count()) === 0) break;
    await next.tap();
    const current = drawing.locator('[aria-current="true"]');
    await expect(current).toHaveCount(1);
    // The part that was tapped and what is done with it are in sight together.
    expect(await isInSight(page, current)).toBe(true);
    expect(await isInSight(page, done)).toBe(true);
    // Nothing was read as found: that step is done by readings, or left out with a reason.
    const asFound = page.getByRole('heading', { name: 'As-found readings' });
    if ((await asFound.count()) > 0) {
      await page.getByRole('button', { name: 'Leave out …' }).tap();
      await page.getByLabel('Why the step is left out').fill('Read before it came here.');
      await page.getByRole('button', { name: 'Leave it out' }).tap();
    } else await done.tap();
  }
  await settled(page);
  return taken;
}

test('a corner is taken apart on the drawing alone, by touch', async ({ page }) => {
  test.setTimeout(120_000);
  await beHere(page, 'Tobiah');
  await page.goto(`/jobs/${await openJob(page, 113)}/strip/FL`);
  await settled(page);
  const steps = Number(/of (\d+)/.exec(await page.getByText(/^FL · step/).innerText())?.[1]);
  expect(await playOnDrawing(page)).toBe(steps);
  await page.reload();
  await expect(page.getByText(`${steps} of ${steps} steps, as a list`)).toBeVisible();
  await expectAccessible(page);
});

test('a corner goes together on the drawing alone, by touch', async ({ page }) => {
  test.setTimeout(120_000);
  await beHere(page, 'Tobiah');
  await page.goto(`/jobs/${await openJob(page, 115)}/rebuild/FR`);
  await settled(page);
  await playOnDrawing(page);
  const drawing = page.getByRole('group', { name: /goes together/ });
  await expect(drawing.locator('[data-part="rotor"]')).toContainText('done');
  // What its wheel nuts are drawn up to, and that they were not yet.
  await expect(drawing.getByRole('button', { name: 'Nuts and studs: 140 N·m' })).toHaveAttribute(
    'data-state',
    'open',
  );
});
