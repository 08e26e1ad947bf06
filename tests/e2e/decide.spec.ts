import { expect, test, type Page } from '@playwright/test';
import { beHere, complaintsOf, expectAccessible, openJob, settled } from './helpers';

/** Opens a stage of a demo job and waits until it listens. */
async function open(page: Page, job: number, path: string): Promise<string> {
  const id = await openJob(page, job);
  await page.goto(`/jobs/${id}/${path}`);
  await settled(page);
  return id;
}

/** Says who is at the screen. */
async function beTobiah(page: Page): Promise<void> {
  await page.goto('/workshop');
  await settled(page);
  await page
    .getByRole('group', { name: /Who is here/ })
    .getByRole('button', { name: /Tobiah/ })
    .click();
  await expect(
    page.getByRole('button', { name: /Tobiah/ }).and(page.locator('[aria-pressed="true"]')),
  ).toBeVisible();
}

test('every option stands with its figures; why, what would change it, a price that is missing', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await open(page, 103, 'decide');
  const everyOption = page.getByText(/^Every option side by side/);
  await everyOption.click();
  const table = page.getByRole('region', { name: 'Options for FL' });
  await expect(table.getByRole('row')).toHaveCount(10);
  await expect(table.getByRole('row', { name: /Index the rotor/ })).toContainText('recommended');
  await expect(table.locator('del')).toHaveText(['Clean and refit', 'Tapered plate']);
  const fresh = table.getByRole('row', { name: /New rotor as it comes/ });
  await fresh.getByText('Why?').click();
  await expect(fresh).toContainText('The hub alone gives');
  await page.getByText('What would change this').click();
  await expect(page.getByText(/A runout limit of|At or|at or/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Table' }).click();
  await expect(page.getByRole('columnheader', { name: 'low end of the band' })).toBeVisible();

  // A price that is taken off the list is said to be missing, and is no zero.
  await beHere(page, 'Ines');
  await page.goto('/workshop/prices');
  await settled(page);
  const price = page.getByLabel('New rotor, one: Parts');
  await price.fill('');
  await page.getByRole('button', { name: 'Keep prices and times' }).click();
  await expect(page.getByText('Kept. Open decisions follow it.')).toBeVisible();
  await open(page, 103, 'decide');
  await everyOption.click();
  await expect(page.getByText(/Missing: a price or a time/).first()).toBeVisible();
  await expect(fresh).not.toContainText('Missing');
  await page.goto('/workshop/prices');
  await settled(page);
  await expect(price).toHaveValue('');
  await price.fill('84');
  await page.getByLabel('An hour of work').fill('seventy');
  await page.getByRole('button', { name: 'Keep prices and times' }).click();
  await expect(page.getByText(/Write a figure from 0/)).toBeVisible();
  await expect(price).toHaveValue('84');
  await page.getByLabel('An hour of work').fill('72');
  await page.getByRole('button', { name: 'Keep prices and times' }).click();
  await expect(page.getByText('Kept. Open decisions follow it.')).toBeVisible();
  expect(complaints).toEqual([]);
});

test('an axle is cut as a pair: taken together, cut by the sheet, measured, in the history', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await beTobiah(page);
  const id = await open(page, 113, 'decide');
  const axle = page.getByRole('region', { name: 'Both sides of the axle' });
  await axle.getByRole('button', { name: 'Do this on both : Both rotors cut' }).click();
  await expect(axle.getByText('on record')).toBeVisible();
  await page.getByRole('link', { name: 'Correct FL', exact: true }).click();
  await expect(page.getByRole('heading', { name: /Correct\s*FL/ })).toBeVisible();
  await settled(page);
  await expect(page.getByText('Thickness expected after the cut')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done at FL' })).toHaveCount(0);
  const field = page.getByLabel(/Thinnest place measured/);
  await field.fill('2.7');
  await page.getByRole('button', { name: 'Keep this thickness' }).click();
  await expect(page.getByText(/2.7 mm is far from/)).toBeVisible();
  await expect(field).toHaveValue('2.7');
  await field.fill('27,29');
  await page.getByRole('button', { name: 'Keep this thickness' }).click();
  await expect(page.getByText('It stays above machine-to.')).toBeVisible();
  await page.getByRole('button', { name: 'Done at FL' }).click();
  await expect(page.getByText('Done at FL. Measure again to prove it.')).toBeVisible();
  await expectAccessible(page);
  const file = await page.goto(`/jobs/${id}/decide`);
  expect(file?.ok()).toBe(true);
  await page.getByText('The figures behind it').first().click();
  await page.getByText('Life: rotor and pads').first().click();
  await expect(page.getByRole('cell', { name: /cut/ }).first()).toBeVisible();
  await page.getByRole('link', { name: 'SK-077-R' }).click();
  await expect(page.getByRole('heading', { name: 'Rotors' })).toBeVisible();
  expect(complaints).toEqual([]);
});

test('what was refused has the focus again', async ({ page }) => {
  await open(page, 105, 'decide');
  const decide = page.getByRole('button', { name: 'Do this: put it on record' });
  await decide.press('Enter');
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: /^Say who/ })
      .first(),
  ).toBeVisible();
  await expect(decide).toBeFocused();
});

test('decided: the focus is on the way on', async ({ page }) => {
  await beTobiah(page);
  await open(page, 105, 'decide');
  const decide = page.getByRole('button', { name: 'Do this: put it on record' });
  await decide.press('Enter');
  await expect(page.getByRole('link', { name: 'Correct FL' })).toBeFocused();
  await page.getByRole('button', { name: 'Take it back' }).press('Enter');
  await expect(decide).toBeVisible();
});

test('a plate waits for the maker’s word and the threads; it is drawn where its thick place sits', async ({
  page,
}) => {
  await beTobiah(page);
  await open(page, 104, 'decide');
  await expect(
    page.getByText(/Fit a tapered plate of 0.060 mm, thick place at stud 7/),
  ).toBeVisible();
  await expect(page.locator('[class*="_rotor"] .plate').first()).toBeVisible();
  await page.getByRole('button', { name: 'Do this: put it on record' }).click();
  await page.getByRole('link', { name: 'Correct FR', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Done at FR' })).toHaveCount(0);
  await settled(page);
  await page.getByRole('button', { name: 'The vehicle maker allows a plate here' }).click();
  await page.getByRole('button', { name: /Thread engagement/ }).click();
  await page.getByRole('button', { name: 'Done at FR' }).click();
  await expect(page.getByRole('link', { name: 'Prove: measure again' })).toBeVisible();
});

test('a rotor that is sent out blocks the vehicle until it is back and is the same', async ({
  page,
}) => {
  await beTobiah(page);
  await open(page, 105, 'decide');
  await page.getByText(/^Every option side by side/).click();
  await page.getByRole('button', { name: 'Take this : Cut on the bench lathe, FL' }).click();
  await expect(page.getByText(/On record for FL/)).toBeVisible();
  await page.getByRole('link', { name: 'Correct FL', exact: true }).click();
  await settled(page);
  await page.getByLabel('Goes to').fill('the shipyard');
  await page.getByRole('button', { name: /Send it out/ }).click();
  await expect(page.getByText('Blocked from moving')).toBeVisible();
  await expect(page.locator('[class*="_tag"]')).toContainText('the shipyard');
  await page.getByRole('button', { name: /Back: it is this rotor/ }).click();
  await page.getByLabel(/Thinnest place on return/).fill('27.34');
  await page
    .getByRole('region', { name: /Another shop/ })
    .getByRole('button', { name: 'Keep this thickness' })
    .click();
  await expect(page.getByText('Blocked from moving')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Done at FL' })).toBeVisible();
});

test('on a phone the options scroll in their own frame and an option is taken by thumb', async ({
  browser,
}) => {
  const page = await browser.newPage({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });
  await beHere(page, 'Tobiah');
  await open(page, 103, 'decide');
  const reach = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(reach).toBeLessThanOrEqual(390);
  await page.getByText(/^Every option side by side/).tap();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const take = page.getByRole('button', { name: 'Take this : Cut on the vehicle, FL' });
  const box = await take.boundingBox();
  expect(box!.height).toBeGreaterThanOrEqual(48);
  await take.tap();
  await expect(page.getByText(/On record for FL/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).tap();
  await expect(page.getByText(/On record for FL/)).toHaveCount(0);
  await page.close();
});

test.describe('a drum by thumb', () => {
  test.use({ viewport: { width: 390, height: 664 }, hasTouch: true, isMobile: true });
  test('read, decided with its mate, cut, measured again: each page says the same', async ({
    page,
  }) => {
    const complaints = complaintsOf(page);
    await beHere(page, 'Tobiah');
    const id = await openJob(page, 116);
    const read = async (values: readonly string[]): Promise<void> => {
      const fields = page.locator('[data-figure]');
      for (const [i, value] of values.entries()) {
        await fields.nth(i).fill(value);
        await fields.nth(i).press('Enter');
      }
      await settled(page);
    };
    const drum = (name: string) => page.getByRole('region', { name: `Drum, ${name}` });
    await page.goto(`/jobs/${id}/measure/RR`);
    await settled(page);
    await expect(page.getByText('Read the drum at four places, inside the lip.')).toBeVisible();
    await read(['228,30', '228.30', '228.31', '228.30']);
    await expect(page.getByText('Keep this drum.')).toBeVisible();
    await page.getByRole('link', { name: 'Decide' }).last().tap();
    await expect(drum('rear left')).toContainText('0.240 mm');
    for (const name of ['rear left', 'rear right']) {
      await drum(name)
        .getByRole('button', { name: /Take: cut/ })
        .tap();
      await expect(drum(name)).toContainText('On record: Cut it on the lathe.');
    }
    await settled(page);
    await page.goto(`/jobs/${id}/correct/RL`);
    await settled(page);
    await expect(page.getByRole('button', { name: 'It is done' })).toBeDisabled();
    await read(['228.60', '228.60', '228.60', '228.60']);
    await page.getByRole('button', { name: 'It is done' }).tap();
    await expect(page.getByText('It is done.')).toBeVisible();
    await expectAccessible(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
      390,
    );
    await page.goto(`/jobs/${id}/report`);
    await expect(page.getByText('RL rear left, drum')).toBeVisible();
    await expect(page.getByText('The drum of RL is off its shoes.').first()).toBeVisible();
    expect(complaints).toEqual([]);
  });
});
