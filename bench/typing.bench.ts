import { gzipSync } from 'node:zlib';
import { expect, test } from '@playwright/test';
import { HEAD, report } from './spread';

async function jobId(page: import('@playwright/test').Page, number: number): Promise<string> {
  await page.goto('/');
  const line = page.getByRole('link', { name: new RegExp(`job ${number}\\b`) }).first();
  return (await line.getAttribute('href'))?.split('/')[2] ?? '';
}

test('from Enter to the mark on screen', async ({ page }) => {
  test.setTimeout(180_000);
  const id = await jobId(page, 110);
  await page.goto(`/jobs/${id}/measure/RL`);
  const times: number[] = [];
  for (let round = 0; round < 5; round += 1) {
    if (round > 0) await page.getByRole('button', { name: '+ New set' }).click();
    await page.getByRole('button', { name: 'Runout', exact: true }).click();
    await page.getByLabel('Positions', { exact: true }).selectOption('24');
    await page.getByRole('button', { name: 'Start runout' }).click();
    await expect(page.getByLabel(/Position 1 of 24/)).toBeFocused();
    for (let i = 0; i < 23; i += 1) {
      await page.keyboard.type((0.001 * i).toFixed(3));
      // In the page: from the key to the first frame in which the mark is drawn.
      const waited = page.evaluate(
        (wanted) =>
          new Promise<number>((resolve) => {
            document.addEventListener(
              'keydown',
              () => {
                const start = performance.now();
                const look = (): void => {
                  const read = document.querySelectorAll('.place.read').length;
                  if (read >= wanted) resolve(performance.now() - start);
                  else requestAnimationFrame(look);
                };
                requestAnimationFrame(look);
              },
              { once: true, capture: true },
            );
          }),
        i + 1,
      );
      await page.waitForTimeout(20);
      await page.keyboard.press('Enter');
      times.push(await waited);
    }
  }
  console.log(`\nTyping, production build, Chromium\n\n${HEAD}`);
  report('Enter to the mark on screen, n = 24', 50, times);
});

test('JavaScript on first load', async ({ page }) => {
  const id = await jobId(page, 110);
  for (const [name, address] of [
    ['start page', '/'],
    ['measure page, before a set is read', `/jobs/${id}/measure/RR`],
    ['decide page', `/jobs/${id}/decide`],
    ['complaint page', `/jobs/${id}/complaint`],
    ['road test page', `/jobs/${id}/road-test`],
    ['new vehicle', '/vehicles/new'],
  ] as const) {
    await page.goto(address);
    // Scripts for browsers without modules are named in the page but not loaded.
    const scripts = await page.$$eval('script[src]:not([nomodule])', (list) =>
      list.map((script) => (script as HTMLScriptElement).src),
    );
    const sizes = await Promise.all(
      [...new Set(scripts)].map(
        async (src) => gzipSync(await (await page.request.get(src)).body()).length,
      ),
    );
    const total = sizes.reduce((sum, size) => sum + size, 0) / 1000;
    const charts = await Promise.all(
      [...new Set(scripts)].map(async (src) =>
        (await (await page.request.get(src)).text()).includes('recharts'),
      ),
    );
    console.log(
      `| ${name} | first-load JavaScript | ${total.toFixed(0)} kB gzip (limit of the measure page: 180) | chart code: ${charts.some(Boolean) ? 'yes' : 'none'} |`,
    );
  }
});
