import { execFileSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { beHere, complaintsOf, drawnUp, expectAccessible, settled } from './helpers';
import { askDriveAndLook, onStages } from './onStages';
import { feltGone, pedalHeld, putTogether, typeIn } from './wholeJob';

/** A car whose front left rotor is bent. */
const CODE = 'FB-0000B';

/** Reads with the virtual gauge whatever place is asked for, as long as one is. */
async function readAll(page: Page): Promise<void> {
  const gauge = page.getByRole('region', { name: 'Virtual gauge' });
  await expect(gauge).toBeVisible();
  const field = page.locator('label[for="reading"]');
  const isTurn = field.filter({ hasText: /^Slow turn/ });
  const turn = gauge.getByRole('button', { name: 'Turn to the next position' });
  const take = gauge.getByRole('button', { name: /^Take it/ });
  for (let i = 0; i < 40; i += 1) {
    if ((await field.count()) === 0 || (await isTurn.count()) > 0) return;
    const asked = await field.textContent();
    if ((await turn.count()) > 0) await turn.click();
    await expect(take).toBeEnabled();
    await take.click();
    await expect
      .poll(async () => (await field.count()) === 0 || (await field.textContent()) !== asked)
      .toBe(true);
  }
}

/** Runout and thickness of the corner that the page is about. */
async function readCorner(page: Page): Promise<void> {
  await drawnUp(page);
  await page.getByRole('button', { name: /start runout$/i }).click();
  await readAll(page);
  // A slow turn is asked for where it could settle something; Enter would take what the gauge shows.
  const skip = page.getByRole('button', { name: 'Skip' });
  const thickness = page.getByRole('button', { name: 'Measure thickness' });
  await expect(skip.or(thickness)).toBeVisible();
  if ((await skip.count()) > 0) await skip.click();
  await thickness.click();
  await page.getByRole('button', { name: /start thickness$/i }).click();
  await readAll(page);
}

async function workWhole(page: Page): Promise<void> {
  test.setTimeout(240_000);
  page.setDefaultTimeout(20_000);
  const complaints = complaintsOf(page);
  await beHere(page, 'Ines');
  const go = await onStages(page, CODE);
  // Nobody mistakes it: its word stands over every page and in every title.
  await expect(page).toHaveTitle(/Practice · Zesty Hound$/);
  await expect(page.getByText('No customer’s car')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('checkbox', { name: /front right/ }).uncheck();
  await page.getByRole('button', { name: 'Save the complaint' }).click();
  await settled(page);
  await askDriveAndLook(page, go);

  await go('measure/FL');
  await readCorner(page);
  await go('decide');
  await page.getByText(/^Every option side by side/).click();
  await page.getByRole('button', { name: 'Take this : New rotor as it comes, FL' }).click();
  await expect(page.getByText('On record for').first()).toBeVisible();
  await go('correct/FL');
  await page.getByRole('button', { name: 'Done at FL' }).click();
  await expect(page.getByText(/Done at FL\. Measure again/)).toBeVisible();
  await putTogether(page, go);
  await go('prove/FL');
  await readCorner(page);
  await expect(page.getByText(/^Proven/).first()).toBeVisible();
  await go('prove/road-test');
  await page.getByRole('button', { name: 'Drive it again' }).click();
  await expect(page.getByText('It is gone')).toBeVisible();
  await pedalHeld(page, go);
  await go('prove');
  await feltGone(page);
  await go('report');
  const why = page.getByLabel('Why it is signed with what is open');
  if ((await why.count()) > 0) await typeIn(why, 'a car of practice');
  await page.getByRole('button', { name: 'Sign off as Ines' }).click();
  await expect(page.getByText(/Signed off by Ines|closed/).first()).toBeVisible();

  // The report, the owner's page and the PDF tell the same, and that it is practice.
  await expect(page.locator('article[class*="_report"]')).toContainText(
    /New rotor|Replace the rotor/,
  );
  await go('report/owner');
  const owner = page.locator('article[class*="_owner"]');
  await expect(owner).toContainText('The complaint is cured');
  await expect(page.getByText('No customer’s car')).toBeVisible();
  const [, id = ''] = /jobs\/([0-9a-f-]{36})/.exec(page.url()) ?? [];
  const pdf = await page.request.get(new URL(`/api/v1/jobs/${id}/report.pdf`, page.url()).href);
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], {
    input: await pdf.body(),
    encoding: 'utf8',
  }).replace(/\s+/g, ' ');
  expect(text).toContain('The complaint is cured');
  expect(text).toContain('Practice: no customer’s car');

  // The end is on the shop's own door, which keeps what came of it under the name.
  await page.getByRole('link', { name: 'Give it back, and see what was true' }).click();
  await page.getByRole('button', { name: 'Give it back' }).click();
  const end = page.getByRole('region', { name: /./ }).filter({ hasText: 'The truth:' });
  await expect(end).toContainText('Rotor’s own runout, front left');
  await expect(page.locator('#practice-debrief')).toBeFocused();
  await expectAccessible(page);
  await settled(page);
  await page.goto('/practice');
  await settled(page);
  await expect(page.getByText(CODE).first()).toBeVisible();
  // Nothing of it is in the shop's records.
  await page.goto(`/find?q=${CODE}`);
  await expect(page.getByRole('link', { name: CODE })).toHaveCount(0);
  expect(complaints).toEqual([]);
}

const SIZES = {
  'at a desk': { viewport: { width: 1280, height: 800 } },
  'on a phone': { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
};
for (const [where, size] of Object.entries(SIZES)) {
  test.describe(where, () => {
    test.use(size);
    test('a whole car on the stages of a job, in records of practice: asked, read, renewed, proven, signed, and its truth', async ({
      page,
    }) => workWhole(page));
  });
}
