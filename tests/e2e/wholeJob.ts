import { expect, type Page } from '@playwright/test';
import { settled } from './helpers';

/** Goes to a page of the job, as its address ends. */
export type Go = (place: string) => Promise<void>;

/** Types into a field over what stands there, key by key. */
export async function typeIn(field: ReturnType<Page['locator']>, text: string): Promise<void> {
  await field.clear();
  await field.pressSequentially(text);
}

/** A corner goes together: step by step, every figure that nobody gave yet, every nut. */
async function cornerTogether(page: Page, go: Go, corner: string): Promise<void> {
  await go(`rebuild/${corner}`);
  const done = page.getByRole('button', { name: /^Done(, next)?$/ });
  const counted = page.getByText(/\d+ of \d+ steps/);
  for (;;) {
    await settled(page);
    const [, made, all] = /(\d+) of (\d+) steps/.exec(await counted.innerText()) ?? [];
    if (made === all) break;
    await done.click();
    await expect(counted).not.toContainText(`${made} of ${all} steps`);
  }
  await go(`rebuild/${corner}/torque`);
  await expect(page.getByRole('region', { name: 'Torque list' })).toBeVisible();
  const figures = page.getByRole('form', { name: /^Figure for / });
  for (const figure of ['115', '32', '140']) {
    const missing = await figures.count();
    if (missing === 0) break;
    await typeIn(figures.first().getByLabel('Torque (N·m)'), figure);
    await figures.first().getByRole('button', { name: 'Keep the figure' }).click();
    await expect(figures).toHaveCount(missing - 1);
  }
  const pulled = page.getByRole('button', { name: /^Take back/ });
  const toPull = page.getByRole('button', { name: /Pulled to \d/ });
  // A caliper that stayed on has no bolts to be drawn up; the nuts have their star first.
  const bolts = await toPull.count();
  for (const to of bolts === 0 ? [] : ['115', '32']) {
    await page.getByRole('button', { name: new RegExp(`Pulled to ${to}`) }).click();
    await expect(page.getByRole('button', { name: new RegExp(`Pulled to ${to}`) })).toHaveCount(0);
  }
  for (let i = 0; i < 15; i += 1) {
    await page.getByRole('button', { name: 'Pulled, next nut' }).click();
    await expect(page.getByText(`${i + 1} of 15 pulls`)).toBeVisible();
  }
  await page.getByRole('button', { name: 'Checked with the weight on the tyre' }).click();
  await page.getByRole('button', { name: /Pulled to 140/ }).click();
  await expect(pulled).toHaveCount(bolts + 1);
  await settled(page);
}

/** The corners go together; then the pedal is firm and holds. */
export async function putTogether(
  page: Page,
  go: Go,
  corners: readonly string[] = ['FL'],
): Promise<void> {
  for (const corner of corners) await cornerTogether(page, go, corner);
  await go('rebuild/hydraulics');
  await page.getByRole('button', { name: 'Nothing was opened' }).click();
  await expect(page.getByRole('button', { name: '✓ Nothing was opened' })).toBeVisible();
  await go('rebuild/pedal');
  const firm = page.getByRole('button', { name: /It is firm/ });
  await firm.click();
  await page.getByRole('button', { name: /start the minute/ }).click();
  await expect(page.getByRole('timer')).toBeVisible();
}

/** The wheel shook before and does not after: the complaint is cured. */
export async function feltGone(page: Page): Promise<void> {
  for (const [when, word] of [
    ['before', 'clear'],
    ['after', 'nothing'],
  ] as const) {
    const wheel = page.getByRole('group', { name: `Steering wheel, ${when}` });
    await wheel.getByRole('button', { name: word }).click();
    await expect(wheel.getByRole('button', { name: word, pressed: true })).toBeVisible();
  }
  await expect(page.getByRole('region', { name: 'Verdict on the job' })).toContainText('Cured');
}

/** The minute is over: the pedal did not sink, the level is set, the wheel turns free. */
export async function pedalHeld(page: Page, go: Go): Promise<void> {
  await go('rebuild/pedal');
  const held = page.getByRole('button', { name: /It did not sink/ });
  await expect(held).toBeEnabled({ timeout: 75_000 });
  await held.click();
  await page.getByRole('button', { name: /Level set/ }).click();
  await expect(page.getByRole('heading', { name: 'The pedal is firm' })).toBeVisible();
  await go('rebuild');
  const free = page.getByRole('button', { name: 'free', exact: true });
  for (let i = 0; i < (await free.count()); i += 1) {
    await free.nth(i).click();
    await expect(free.nth(i)).toHaveAttribute('aria-pressed', 'true');
  }
  await page.getByRole('button', { name: /First stop made/ }).click();
  await expect(page.getByRole('button', { name: /✓ First stop/ })).toBeVisible();
}
