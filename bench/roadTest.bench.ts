import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { openJob } from '../tests/e2e/helpers';
import { HEAD, report } from './spread';

declare global {
  interface Window {
    seen: { start: number; duration: number }[];
    changedAt: number;
    answeredAt: number;
  }
}

const ROWS = 720_000;
const RATE = 400;
const RUNS = 12;

/** Half an hour at 400 Hz on three axes with speed: stops every minute, order 1 when braking. */
function writeRecording(file: string): void {
  const rows = ['time (s),ax (m/s^2),ay (m/s^2),az (m/s^2),speed (km/h)'];
  let turns = 0;
  for (let i = 0; i < ROWS; i += 1) {
    const at = (i / RATE) % 60;
    const speed = at < 20 ? 12 + at * 0.65 : at < 45 ? 25 : at < 55 ? 25 - (at - 45) * 1.3 : 12;
    turns += speed / RATE / (Math.PI * 0.66);
    const shake = at > 45 && at < 55 ? 0.4 * Math.cos(2 * Math.PI * turns) : 0;
    const noise = (): number => (Math.random() - 0.5) * 0.6;
    rows.push(
      `${(i / RATE).toFixed(4)},${(shake + noise()).toFixed(4)},${noise().toFixed(4)},${(9.81 + noise()).toFixed(4)},${(speed * 3.6).toFixed(2)}`,
    );
  }
  writeFileSync(file, `${rows.join('\n')}\n`);
}

test('a recording of 720,000 rows, from the file to the answer', async ({ page }) => {
  test.setTimeout(300_000);
  const folder = mkdtempSync(path.join(tmpdir(), 'zh-bench-'));
  const file = path.join(folder, 'drive.csv');
  writeRecording(file);
  const id = await openJob(page, 110);
  const took: number[] = [];
  const blocked: number[] = [];
  const drawing: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    await page.goto(`/jobs/${id}/road-test`);
    await page.getByLabel(/Tyre code/).fill('0.66');
    await page.waitForTimeout(1500);
    await page.evaluate(() => {
      const seen: { start: number; duration: number }[] = [];
      Object.assign(window, { seen, changedAt: Infinity, answeredAt: Infinity });
      document.addEventListener(
        'change',
        () => Object.assign(window, { changedAt: performance.now() }),
        { once: true, capture: true },
      );
      new MutationObserver(() => {
        if (document.querySelector('[data-took-ms]')) {
          Object.assign(window, { answeredAt: Math.min(window.answeredAt, performance.now()) });
        }
      }).observe(document.body, { subtree: true, childList: true });
      new PerformanceObserver((list) => {
        for (const { startTime, duration } of list.getEntries()) {
          seen.push({ start: startTime, duration });
        }
      }).observe({ entryTypes: ['longtask'] });
    });
    await page.setInputFiles('input[type=file]', file);
    const done = page.locator('[data-took-ms]');
    await expect(done).toBeVisible({ timeout: 60_000 });
    took.push(Number(await done.getAttribute('data-took-ms')));
    // The charts are drawn after the answer.
    await page.waitForTimeout(1500);
    const { seen, changedAt, answeredAt } = await page.evaluate(() => ({
      // What the browser does to attach the file comes before the page hears of it.
      seen: window.seen,
      changedAt: window.changedAt,
      answeredAt: window.answeredAt,
    }));
    const longest = (isBefore: boolean): number =>
      Math.max(
        0,
        ...seen
          .filter(({ start }) => start >= changedAt && start < answeredAt === isBefore)
          .map(({ duration }) => duration),
      );
    blocked.push(longest(true));
    drawing.push(longest(false));
  }
  console.log(
    `\nA recording of ${ROWS} rows, ${(statSync(file).size / 1e6).toFixed(1)} MB, in the browser\n\n${HEAD}`,
  );
  report('read and solved in the workers', 1500, took);
  report('longest task of the page while it is read and solved (0: none over 50 ms)', 50, blocked);
  report('longest task while the charts are drawn afterwards', 50, drawing);
  rmSync(folder, { recursive: true, force: true });
});
