import fs from 'node:fs';
import { expect, test } from '@playwright/test';
import { complaintsOf, expectAccessible, openJob } from './helpers';

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
  await page.goto('/workshop/archive');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Everything as an archive' }).click();
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
