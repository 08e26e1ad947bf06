import { expect, test } from '@playwright/test';
import { HEAD, report } from './spread';

const PHOTOS = 30;

/** A camera's picture of 12 million pixels, made by the browser itself. */
const cameraPicture = (seed: number): Promise<number[]> =>
  (async () => {
    const canvas = new OffscreenCanvas(4000, 3000);
    const context = canvas.getContext('2d')!;
    for (let i = 0; i < 400; i += 1) {
      context.fillStyle = `hsl(${(seed * 47 + i * 13) % 360} 60% ${30 + (i % 40)}%)`;
      context.fillRect((i * 137) % 4000, (i * 253) % 3000, 300, 240);
    }
    const blob = await canvas.convertToBlob({ type: 'image/jpeg' });
    return [...new Uint8Array(await blob.arrayBuffer())];
  })();

test('a tap on a look, and a tray with thirty photos', async ({ page }) => {
  test.setTimeout(600_000);
  await page.goto('/');
  const line = page.getByRole('link', { name: /job 110\b/ }).first();
  const id = (await line.getAttribute('href'))?.split('/')[2] ?? '';

  await page.goto(`/jobs/${id}/strip/RR/findings`);
  await page.locator('html[data-alive]').waitFor({ state: 'attached' });
  const taps: number[] = [];
  for (let i = 0; i < 40; i += 1) {
    const waited = await page.evaluate(
      (n) =>
        new Promise<number>((resolve) => {
          const buttons = document.querySelectorAll<HTMLElement>(
            '[data-part="question"] [class*="_answers"] > button:first-child',
          );
          const button = buttons[n % buttons.length]!;
          const before = button.getAttribute('aria-pressed');
          const start = performance.now();
          const look = (): void => {
            if (button.getAttribute('aria-pressed') !== before) resolve(performance.now() - start);
            else requestAnimationFrame(look);
          };
          button.click();
          requestAnimationFrame(look);
        }),
      i,
    );
    taps.push(waited);
    await page.waitForTimeout(400);
  }
  await expect(page.getByText('Keeping …')).toHaveCount(0);

  await page.goto(`/jobs/${id}/strip/RR/tray`);
  await page.getByRole('button', { name: 'Rotor → tray' }).click();
  const row = page.getByRole('listitem', { name: 'Rotor', exact: true });
  const kept: number[] = [];
  for (let i = 0; i < PHOTOS; i += 1) {
    const buffer = Buffer.from(await page.evaluate(cameraPicture, i));
    const start = performance.now();
    await row
      .getByLabel('Photos of Rotor')
      .setInputFiles({ name: `${i}.jpg`, mimeType: 'image/jpeg', buffer });
    await expect(row.locator('[class*="_thumb"]')).toHaveCount(i + 1);
    kept.push(performance.now() - start);
  }
  const opened: number[] = [];
  for (let i = 0; i < 20; i += 1) {
    const start = performance.now();
    await page.goto(`/jobs/${id}/strip/RR/tray`);
    await expect
      .poll(() =>
        page
          .locator('[class*="_thumb"] img')
          .evaluateAll(
            (images) => images.filter((image) => (image as HTMLImageElement).complete).length,
          ),
      )
      .toBe(PHOTOS);
    opened.push(performance.now() - start);
  }
  console.log(`\nStrip, production build, Chromium\n\n${HEAD}`);
  report('tap on a look to its mark on screen', 100, taps);
  report('camera picture of 12 million pixels made small, sent, kept, shown', 3000, kept);
  report(`tray with ${PHOTOS} photos opened, every preview drawn`, 1500, opened);
});
