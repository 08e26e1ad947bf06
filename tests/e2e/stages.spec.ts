import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { beHere, complaintsOf, drawnUp, expectAccessible, settled } from './helpers';
import { askDriveAndLook, onStages } from './onStages';
import { seenFaults } from './seen';

/** A whole job on them is played by `npm run drill -- journeys`. */

test('a car comes in on the stages of a job: nobody mistakes it, it answers where it is asked, and nothing of it is the shop’s', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await beHere(page, 'Ines');
  const go = await onStages(page, 'FB-00022');
  await expect(page).toHaveTitle(/Practice · Zesty Hound$/);
  await expect(page.getByText('No customer’s car')).toBeVisible();
  await expectAccessible(page);
  await askDriveAndLook(page, go);
  await expectAccessible(page);
  // On paper its word stands across the page; nothing else goes out.
  const id = /jobs\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  const pdf = await page.request.get(new URL(`/api/v1/jobs/${id}/report.pdf`, page.url()).href);
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], {
    input: await pdf.body(),
    encoding: 'utf8',
  });
  expect(text).toContain('Practice: no customer’s car');
  for (const out of ['archive', 'jobs.csv', `jobs/${id}`, 'copies']) {
    const refused = await page.request.get(new URL(`/api/v1/${out}`, page.url()).href);
    expect(refused.status(), out).toBe(403);
  }
  // In the shop's own records there is none of it.
  const shop = (await page.getByRole('link', { name: 'All cases' }).getAttribute('href'))!;
  await page.goto(shop);
  await settled(page);
  await expect(page).toHaveTitle('Practice · Zesty Hound');
  await page.goto('/find?q=FB-00022');
  await expect(page.getByRole('link', { name: 'FB-00022' })).toHaveCount(0);
  expect(complaints).toEqual([]);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('the car answers by thumb, and a job that is left is given back as it stands', async ({
    page,
  }) => {
    const complaints = complaintsOf(page);
    await beHere(page, 'Wren');
    const go = await onStages(page, 'FB-00018');
    await page.getByRole('button', { name: /^Ask/ }).first().tap();
    await expect(page.locator('[data-part="car-says"]').first()).toContainText('“');
    expect(await seenFaults(page)).toEqual([]);
    await go('measure/FL');
    await drawnUp(page);
    await page.getByRole('button', { name: /start runout$/i }).tap();
    const gauge = page.getByRole('region', { name: 'Virtual gauge' });
    await expect(gauge).toBeVisible();
    expect(await seenFaults(page)).toEqual([]);
    // Come back to: what the page asks for is there.
    await go('measure/FL');
    await expect(gauge).toBeVisible();
    // There and back: what was begun is there.
    await page.goto('/practice/FB-00018');
    await settled(page);
    await page.getByRole('button', { name: 'Work it on the stages of a job' }).tap();
    await page.waitForURL(/complaint/);
    await page.getByRole('link', { name: 'Give it back, and see what was true' }).tap();
    await expect(page.getByText(/is not signed off/)).toBeVisible();
    await page.getByRole('button', { name: 'Give it back' }).tap();
    await expect(page.locator('#practice-debrief')).toContainText('Nothing was put right');
    expect(await seenFaults(page)).toEqual([]);
    expect(complaints).toEqual([]);
  });
});
