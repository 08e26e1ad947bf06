import { expect, test, type Page } from '@playwright/test';
import { beHere, complaintsOf, openJob, drawnUp, settled } from './helpers';

async function freshForm(page: Page): Promise<void> {
  const id = await openJob(page, 110);
  await page.goto(`/jobs/${id}/measure/RR`);
  await page.getByRole('button', { name: '+ New set' }).click();
  await page.getByRole('button', { name: 'Runout', exact: true }).click();
}

async function start(page: Page): Promise<void> {
  await drawnUp(page);
  await page.getByRole('button', { name: 'Start runout' }).click();
  await expect(page.getByLabel(/Position 1 of/)).toBeFocused();
}

async function freshSet(page: Page): Promise<void> {
  await freshForm(page);
  await start(page);
}

const ladder = (page: Page, place: number) =>
  page
    .getByRole('list', { name: 'Readings of lap 1' })
    .getByRole('button')
    .nth(place - 1);

test('a reload in mid-entry loses nothing, and every unit may be typed', async ({ page }) => {
  const complaints = complaintsOf(page);
  await freshSet(page);
  for (const text of ['0', '0,012 mm', '1 thou', '-.0005"', '12um']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('[data-save-state="saved"]')).toBeVisible();
  await page.reload();
  const shown = ['0.000', '0.012', '0.025', '\u22120.013', '0.012'];
  for (const [i, text] of shown.entries()) {
    await expect(ladder(page, i + 1)).toContainText(text);
  }
  await expect(page.getByLabel('Position 6 of 12')).toBeFocused();

  // A slip is corrected in place: up twice, type, and the next follows.
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(page.locator('#reading')).toHaveValue('-.0005"');
  await page.keyboard.type('0.02');
  await page.keyboard.press('Enter');
  await expect(ladder(page, 4)).toContainText('0.020');
  await expect(page.getByLabel('Position 6 of 12')).toBeFocused();
  expect(complaints).toEqual([]);
});

test('bad input is named at the field and stays on screen', async ({ page }) => {
  await freshSet(page);
  const slips: [string, RegExp][] = [
    ['abc', /has no digits/],
    ['0.05 ft', /is not a length unit/],
    ['1.2.3', /is not a number/],
    ['40.0', /cannot be a runout reading/],
    ['--1', /is not a number/],
    ['1e999', /is not a length unit/],
  ];
  for (const [text, message] of slips) {
    await page.locator('#reading').fill(text);
    await page.keyboard.press('Enter');
    await expect(page.getByText(message)).toBeVisible();
    await expect(page.locator('#reading')).toHaveValue(text);
  }
  await page.locator('#reading').fill('');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Type the reading at position 1.')).toBeVisible();
});

test('readings typed while the server is away are sent when it is back', async ({ page }) => {
  await freshForm(page);
  // The set itself is known to this device only: the page opens where it was left all the same.
  await page.route('**/api/v1/writes', (route) => route.abort());
  const top = async (): Promise<number | undefined> =>
    (await page.locator('#main').boundingBox())?.y;
  const before = await top();
  await start(page);
  for (const text of ['0.001', '0.002', '0.003']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('[data-save-state="waiting"]')).toContainText('4 entries wait');
  // 2026-11-30: the note that says so pushed the page down, in the middle of a press.
  await page.getByRole('button', { name: 'Whole page' }).click();
  await expect(page.locator('[data-unsent-note]')).toBeVisible();
  expect(await top()).toBe(before);
  await page.reload();
  await expect(ladder(page, 3)).toContainText('0.003');
  await expect(page.getByLabel('Position 4 of 12')).toBeFocused();
  await page.unroute('**/api/v1/writes');
  await expect(page.locator('[data-save-state="saved"]')).toBeVisible({ timeout: 15_000 });
  await page.evaluate(() => window.localStorage.clear());
  await page.reload();
  await expect(ladder(page, 3)).toContainText('0.003');
});

test('a set that is read is corrected by keys: one stop, arrows, F2; and it is heard', async ({
  page,
}) => {
  await page.goto(`/jobs/${await openJob(page, 104)}/measure/FR`);
  await settled(page);
  await page.getByRole('button', { name: 'Thickness', exact: true }).click();
  const first = page.getByRole('button', { name: 'Position 1: 27.802' });
  await first.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^Position 2: / })).toBeFocused();
  await page.keyboard.press('F2');
  await expect(page.getByRole('textbox', { name: /Position 2 of 12/ })).toBeFocused();
  await page.keyboard.type('27.801');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status', { name: 'Last reading' })).toHaveText(
    'position 2 of 12, 27.801. Within, 0.007 mm, limit 0.012 mm.',
  );
  await expect(page.getByRole('link', { name: 'Decide' }).last()).toBeFocused();
  await expect(page.getByRole('group', { name: /^Thickness of the rotor/ })).toHaveAccessibleName(
    /: Within, 0\.007 mm, limit 0\.012 mm, seen from outboard/,
  );
  await settled(page);
});

test('a set is taken again and the first one is taken back', async ({ page }) => {
  await beHere(page, 'Tobiah');
  await freshSet(page);
  for (let i = 0; i < 12; i += 1) {
    await page.keyboard.type(String(i / 1000));
    await page.keyboard.press('Enter');
  }
  await expect(page.getByLabel(/to close the lap/)).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Take it again' }).click();
  await page.getByRole('button', { name: 'Start runout' }).click();
  await expect(page.getByLabel(/Position 1 of/)).toBeFocused();
  await page.getByText('Set aside (1)').click();
  await page.getByRole('button', { name: 'Use it again' }).click();
  await expect(ladder(page, 12)).toContainText('0.011');
});
