import { expect, test, type Page } from '@playwright/test';
import { beHere, openJob, settled } from './helpers';

/** Never answers the first request for an address; resolves when it was made. */
async function holdFirst(page: Page, address: string): Promise<{ asked: () => Promise<unknown> }> {
  const asked = page.waitForRequest((request) => new URL(request.url()).pathname.endsWith(address));
  let isFirst = true;
  await page.route(
    ({ pathname }) => pathname.endsWith(address),
    (route) => {
      if (!isFirst) return route.continue();
      isFirst = false;
      return undefined;
    },
  );
  return { asked: () => asked };
}

// 2026-11-29: the router keeps the page that was pressed back for as long as an earlier one is being loaded anew.
for (const held of ['/api/health', '/rebuild']) {
  test(`a link is followed though what the page shows is never loaded anew: ${held}`, async ({
    page,
  }) => {
    const id = await openJob(page, 104);
    await beHere(page, 'Ines');
    await page.goto(`/jobs/${id}/rebuild`);
    await settled(page);
    const first = await holdFirst(page, held);
    await page.getByRole('button', { name: 'Said to the owner' }).click();
    await first.asked();
    await page.waitForTimeout(300);
    await page.getByRole('link', { name: /^Report/ }).click();
    await expect(page).toHaveURL(/report$/);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Brake measurement report');
  });
}

// 2026-11-29: nobody got away from the page of copies while one was made.
test('a link is followed while a copy is made', async ({ page }) => {
  await beHere(page, 'Ines');
  await page.goto('/workshop/copies');
  await settled(page);
  const first = await holdFirst(page, '/api/v1/copies');
  await page.getByRole('button', { name: 'Make a copy now' }).click();
  await first.asked();
  await page.getByRole('link', { name: 'Guide' }).click();
  await expect(page).toHaveURL(/guide$/, { timeout: 5000 });
});
