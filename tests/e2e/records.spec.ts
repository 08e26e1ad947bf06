import fs from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { beHere, complaintsOf, expectAccessible, openJob, settled } from './helpers';

test('a job is found by words and filters, its address kept, and by the palette', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await page.goto('/find');
  await page.getByLabel(/^Plate, vehicle/).fill('quay');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page).toHaveURL(/q=quay/);
  await expect(page.getByRole('link', { name: /job 102/ })).toBeVisible();
  await page.getByText('Narrow it down').click();
  await page.getByLabel('How far').selectOption('closed');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByText('No scent of it')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('link', { name: /job 102/ })).toBeVisible();
  await expectAccessible(page);

  await page.keyboard.press('Control+k');
  const field = page.getByRole('combobox');
  await expect(field).toBeFocused();
  await field.pressSequentially('042');
  await expect(page.getByRole('option').first()).toContainText('SK-042-K');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]{36}\//);
  expect(complaints).toEqual([]);
});

test('the owner’s report is a page, prints on one, and is a PDF; the file report has every reading', async ({
  page,
  request,
}) => {
  const id = await openJob(page, 113);
  await page.goto(`/jobs/${id}/report/owner`);
  await expect(page.getByRole('heading', { name: 'What we found' })).toBeVisible();
  await expectAccessible(page);
  const printed = await page.pdf({ preferCSSPageSize: true });
  expect(printed.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  const pdf = await request.get(`/api/v1/jobs/${id}/report.pdf`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await page.goto(`/jobs/${id}/report/file`);
  await expect(page.getByRole('heading', { name: 'Readings' })).toBeVisible();
  await expectAccessible(page);
  expect((await request.get('/api/v1/jobs/nope/report.pdf')).status()).toBe(404);
});

test('an archive goes out, is looked through, and a torn one is refused', async ({
  page,
}, testInfo) => {
  await beHere(page, 'Ines');
  await page.goto('/workshop/archive');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Everything as an archive' }).click();
  const file = testInfo.outputPath('shop.json');
  await (await download).saveAs(file);
  await page.getByLabel(/^Archive/).setInputFiles(file);
  await expect(page.getByRole('button', { name: 'Nothing new in it' })).toBeDisabled();
  const torn = testInfo.outputPath('torn.json');
  fs.writeFileSync(torn, fs.readFileSync(file, 'utf8').slice(0, 9999));
  await page.getByLabel(/^Archive/).setInputFiles(torn);
  await expect(page.getByRole('alert').filter({ hasText: 'torn' })).toBeVisible();
  await expectAccessible(page);
  await page.goto('/due');
  await expect(page.getByText(/Wheel nuts checked/).first()).toBeVisible();
  await expectAccessible(page);
});

test('a stricter limit names the verdicts it changes; a rotor has charts with tables', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await page.goto('/vehicles');
  await page.getByLabel('Plate, make or model').fill('sk-131');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('link', { name: /SK-131-V/ }).click();
  const runout = page.getByLabel(/^Installed lateral runout/).first();
  const before = await runout.inputValue();
  await expect(page.getByText(/entered by Ines/).first()).toBeVisible();
  await runout.fill('0,005 mm');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  const changes = page.getByRole('alert').filter({ hasText: 'change open verdicts' });
  await expect(changes.getByRole('listitem').first()).toContainText('Job');
  await expectAccessible(page);
  await changes.getByRole('button', { name: 'Back to the figures' }).click();
  await expect(runout).toHaveValue('0,005 mm');
  await runout.fill(before);

  await page
    .getByRole('link', { name: /^Charts and forecast/ })
    .first()
    .click();
  await expect(page.getByRole('img', { name: /^Thinnest place/ })).toBeVisible();
  await page.getByRole('button', { name: 'Table' }).first().click();
  await expect(page.getByRole('columnheader', { name: 'Odometer (km)' })).toBeVisible();
  await expectAccessible(page);
  expect(complaints).toEqual([]);
});

test('what closed jobs teach, and copies: made, looked through, put in place by a lead', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await page.goto('/insights');
  await expect(page.getByText(/too few to call a rate/).first()).toBeVisible();
  await page.getByRole('link', { name: String(new Date().getFullYear()) }).click();
  await expect(page.getByRole('heading', { name: 'Is the tool right?' })).toBeVisible();

  await page.goto('/workshop');
  await page.getByRole('button', { name: 'Ines', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Ines', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('link', { name: 'Copies' }).click();
  await page.getByRole('button', { name: 'Make a copy now' }).click();
  // Making one and looking through it opens a database twice: slow machines take their time.
  const slowly = { timeout: 60_000 };
  await expect(page.getByText(/is kept\./)).toBeVisible(slowly);
  await page.getByRole('button', { name: /^Restore/ }).click();
  const whole = page.getByRole('alert').filter({ hasText: 'This copy is whole' });
  await expect(whole).toContainText('jobs', slowly);
  await expectAccessible(page);
  await whole.getByRole('button', { name: 'Put it in place of the records' }).click();
  await expect(page.getByText(/The copy is in place/)).toBeVisible(slowly);
  await page.goto('/');
  await expect(page.getByRole('link', { name: /job 103/ })).toBeVisible();
  // Who is here is asked anew by the tests that follow.
  await page.goto('/workshop');
  await page.getByRole('button', { name: 'Ines', exact: true }).click();
  expect(complaints).toEqual([]);
});

/** Saves a vehicle. Nothing is unsent before the press either: it is the answer that says that it stands. */
async function saved(page: Page): Promise<void> {
  const answered = page.waitForResponse('**/api/v1/writes');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  expect(await (await answered).json()).toMatchObject({ results: [{ state: 'done' }] });
}

/**
 * The header is one line with what is not on the server and without it: nothing is moved from under a finger.
 * (2026-11-30: the page jumped by a line when it came, and a press that was under way was lost.)
 */
async function expectNothingMoved(page: Page): Promise<void> {
  for (const width of [390, 560, 844, 1024, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    const heights = await page.evaluate(() => {
      const header = document.querySelector<HTMLElement>('[data-part="header-inner"]')!;
      const badge = header.querySelector<HTMLElement>('button[data-unsent]')!;
      const beside = header.offsetHeight;
      badge.style.display = 'none';
      const alone = header.offsetHeight;
      badge.style.display = '';
      return { beside, alone };
    });
    expect(heights, `${width}`).toEqual({ beside: 56, alone: 56 });
  }
}

test('two tablets at one vehicle: the later one is told who wrote what, and chooses', async ({
  page,
  browser,
}) => {
  await page.goto('/vehicles');
  await page.getByLabel('Plate, make or model').fill('sk-131');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  const href = await page.getByRole('link', { name: /SK-131-V/ }).getAttribute('href');
  const other = await (await browser.newContext()).newPage();
  const address = new URL(href!, page.url()).href;
  await beHere(page, 'Ines');
  await other.goto(new URL('/workshop', page.url()).href);
  const tobiah = other.getByRole('button', { name: 'Tobiah', exact: true });
  await settled(other);
  await tobiah.click();
  await expect(tobiah).toHaveAttribute('aria-pressed', 'true');
  await page.goto(address);
  await other.goto(address);
  for (const each of [page, other]) await expect(each.locator('html[data-alive]')).toBeAttached();
  const model = await page.getByLabel('Model', { exact: true }).inputValue();
  await other.getByLabel('Brake variant').fill('heavy duty');
  await saved(other);
  await page.getByLabel('Model', { exact: true }).fill(`${model} L`);
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  const told = /Tobiah changed this meanwhile: .*variant .*heavy duty/;
  await expect(page.getByRole('alert').filter({ hasText: told })).toBeVisible();
  // What was typed is still there, and waits for a choice.
  await expect(page.getByLabel('Model', { exact: true })).toHaveValue(`${model} L`);
  await expectNothingMoved(page);
  await page.locator('button[data-unsent="1"]').click();
  await expect(page.getByRole('dialog').getByText(told)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Leave theirs' }).click();
  await page.goto(address);
  await expect(page.getByLabel('Model', { exact: true })).toHaveValue(model);
  await expect(page.getByLabel('Brake variant')).toHaveValue('heavy duty');
  await page.getByLabel('Brake variant').fill('');
  await saved(page);
  await other.context().close();
});

test('what is typed and pressed before a page is alive is not lost', async ({ page }) => {
  const complaints = complaintsOf(page);
  await beHere(page, 'Wren');
  // A slow network: the page is seen long before its scripts are there.
  let letGo = (): void => undefined;
  const slow = new Promise<void>((resolve) => (letGo = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await slow;
    await route.continue();
  });
  await page.goto('/vehicles/new', { waitUntil: 'commit' });
  await page.getByLabel('Model', { exact: true }).fill('Trellis van');
  await page.getByLabel('Driven wheels').selectOption('rear');
  await page.getByLabel(/Brake-by-wire/).click();
  await page.getByLabel('Make', { exact: true }).fill('Quillon');
  await page.keyboard.press('Enter');
  await expect(page.locator('html[data-alive]')).toHaveCount(0);
  letGo();
  await settled(page);
  // It was sent, and refused where something is missing; nothing of it is gone.
  await expect(page.getByLabel('Plate', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByLabel('Model', { exact: true })).toHaveValue('Trellis van');
  await expect(page.getByLabel('Make', { exact: true })).toHaveValue('Quillon');
  await expect(page.getByLabel('Driven wheels')).toHaveValue('rear');
  await expect(page.getByLabel(/Brake-by-wire/)).toBeChecked();
  await page.getByLabel('Plate', { exact: true }).fill('SK-190-V');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByRole('heading', { name: /SK-190-V Quillon Trellis van/ })).toBeVisible();
  await expect(page.getByLabel('Driven wheels')).toHaveValue('rear');
  await expect(page.getByLabel(/Brake-by-wire/)).toBeChecked();
  expect(complaints).toEqual([]);
});
