import { execFileSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { complaintsOf, expectAccessible, openJob, runoutLap, typedMm } from './helpers';
import type { VirtualCorner } from '@/core/bench';

/** A rotor that is true on its hub. */
const TRUE_ROTOR: VirtualCorner = {
  studs: 6,
  hub: [{ order: 1, amplitude: 4, highSpotDeg: 40 }],
  rotor: [{ order: 1, amplitude: 4, highSpotDeg: 200 }],
  meanThickness: 27_180,
  thickness: [{ order: 1, amplitude: 1, highSpotDeg: 10 }],
};

/** Presses Tab until what has the focus is named so. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 120; i += 1) {
    const text = await page.evaluate(() => {
      const active = document.activeElement as HTMLInputElement | null;
      const own = active?.getAttribute('aria-label') ?? active?.textContent ?? '';
      return `${active?.labels?.[0]?.textContent ?? ''}|${own.trim()}`;
    });
    if (text.split('|').some((part) => name.test(part))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Nothing named ${String(name)} was reached by Tab`);
}

/** Whoever works at this screen from now on. */
async function chooseWho(page: Page, name: string): Promise<void> {
  await page.goto('/workshop');
  const button = page
    .getByRole('group', { name: 'Who is here' })
    .getByRole('button', { name, exact: true });
  await button.click();
  await expect(button).toHaveAttribute('aria-pressed', 'true');
}

/** A corner put together step by step, by keys alone: Enter at every step. */
async function stepsByKeys(page: Page): Promise<void> {
  const done = page.getByRole('button', { name: /^Done(, next)?$/ });
  await expect(done).toBeFocused();
  const list = page.locator('[class*="_steps"] button');
  const total = await list.count();
  for (let i = 0; i < total; i += 1) {
    await expect(done).toBeFocused();
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('[class*="_stepList"] summary')).toContainText(
    `${total} of ${total} steps`,
  );
}

test('from cut done to signed off: by keyboard alone, and by touch on a phone', async ({
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(600_000);
  const complaints = complaintsOf(page);
  const cut = await openJob(page, 115);
  const indexed = await openJob(page, 114);
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    ...(baseURL !== undefined && { baseURL }),
  });
  const small = await phone.newPage();
  await chooseWho(page, 'Ines');
  await chooseWho(small, 'Ines');

  await test.step('the pedal may not be touched while the caliper is off, and Enter presses nothing', async () => {
    await page.goto(`/jobs/${cut}/rebuild/pedal`);
    const stop = page.getByRole('dialog');
    await expect(stop.getByRole('alert')).toContainText('The caliper of FR is off its rotor.');
    await expect(stop.getByRole('button', { name: /firm/ })).toHaveCount(0);
    await expectAccessible(page);
  });

  await test.step('by keyboard: the corner, the figures, the star', async () => {
    await page.goto(`/jobs/${cut}/rebuild`);
    await tabTo(page, /^FR, step by step$/);
    await page.keyboard.press('Enter');
    await stepsByKeys(page);
    await tabTo(page, /^Torque$/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('region', { name: 'Torque list' })).toBeVisible();
    for (const name of [/^Pulled, bracket bolts/, /^Pulled, caliper pin bolts/]) {
      await tabTo(page, name);
      await page.keyboard.press('Enter');
      await expect(page.getByRole('button', { name: /^Take back/ }).first()).toBeVisible();
    }
    await expect(page.getByRole('button', { name: /^Take back/ })).toHaveCount(2);
    await tabTo(page, /^What the wrench read/);
    for (let i = 0; i < 18; i += 1) {
      // A wrench that types in the last stage, Enter alone before.
      if (i >= 12) await page.keyboard.type('140');
      await page.keyboard.press('Enter');
      await expect(page.getByText(`${i + 1} of 18 pulls`)).toBeVisible();
    }
    await expect(page.getByText('All 6 nuts, three times.')).toBeVisible();
    await expect(page.getByText('18 of 18 pulls, the last read 140 N·m · on file')).toBeVisible();
    await tabTo(page, /^Checked with the weight/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^✓ Checked/ })).toBeVisible();
    await page.reload();
    await tabTo(page, /^Pulled, wheel nuts/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^Take back/ })).toHaveCount(3);
  });

  await test.step('by touch: the corner with a part still in the tray, a missing figure, the star', async () => {
    await small.goto(`/jobs/${indexed}/rebuild/FL`);
    for (;;) {
      const title = await small.locator('#zh-step').textContent();
      const done = small.getByRole('button', { name: /^Done(, next)?$/ });
      if (title === 'Tray empty') break;
      await done.tap();
      await expect(small.locator('#zh-step')).not.toHaveText(title ?? '');
    }
    await small.getByRole('link', { name: 'Empty the tray' }).tap();
    const tray = small.getByRole('region', { name: 'Tray' });
    for (const part of ['Inner pad', 'Outer pad']) {
      await tray.getByRole('button', { name: part }).tap();
      await expect(tray.getByRole('button', { name: `✓ ${part}` })).toBeVisible();
    }
    await expect(small.getByText('The tray is empty.')).toBeVisible();
    await small.getByRole('link', { name: 'Step by step' }).tap();
    await expect(small.locator('#zh-step')).toHaveText('Tray empty');
    await small.getByRole('button', { name: 'Done, next' }).tap();
    await expect(small.locator('#zh-step')).toHaveText('Wheel on');
    await small.getByRole('button', { name: 'Done', exact: true }).tap();
    await expect(small.getByText('14 of 14 steps')).toBeVisible();
    await small.getByRole('link', { name: 'Torque', exact: true }).tap();
    const figure = small.getByRole('form', { name: 'Figure for caliper pin bolts' });
    await figure.getByLabel('Torque (N·m)').fill('320');
    await figure.getByRole('button', { name: 'Keep the figure' }).tap();
    await expect(figure.getByRole('alert')).toContainText('decimal point');
    await figure.getByRole('button', { name: 'Change it' }).tap();
    await figure.getByLabel('Torque (N·m)').fill('32');
    await figure.getByRole('button', { name: 'Keep the figure' }).tap();
    await expect(figure).toHaveCount(0);
    for (const to of [/Pulled to 115/, /Pulled to 32/]) {
      await small.getByRole('button', { name: to }).tap();
      await expect(small.getByRole('button', { name: to })).toHaveCount(0);
    }
    for (let i = 0; i < 18; i += 1) {
      const next = small.locator('[class*="_star"] .nut.next');
      const box = (await next.locator('circle').boundingBox())!;
      expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(48);
      await next.tap();
      await expect(small.getByText(`${i + 1} of 18 pulls`)).toBeVisible();
    }
    await expect(small.getByText('18 of 18 pulls · on file')).toBeVisible();
    await small.getByRole('button', { name: 'Checked with the weight on the tyre' }).tap();
    await expect(small.getByRole('button', { name: /✓ Checked/ })).toBeVisible();
    await small.getByRole('button', { name: /Pulled to 140/ }).tap();
    await expect(small.getByRole('button', { name: /^Take back/ })).toHaveCount(3);
    await expectAccessible(small);
  });

  await test.step('nothing was opened: said once, and the pedal pumped, held, levelled', async () => {
    await page.goto(`/jobs/${cut}/rebuild/hydraulics`);
    await tabTo(page, /^Nothing was opened$/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: '✓ Nothing was opened' })).toBeVisible();
    await small.goto(`/jobs/${indexed}/rebuild/hydraulics`);
    await small.getByRole('button', { name: 'Nothing was opened' }).tap();
    await expect(small.getByRole('button', { name: '✓ Nothing was opened' })).toBeVisible();

    await page.goto(`/jobs/${cut}/rebuild/pedal`);
    await small.goto(`/jobs/${indexed}/rebuild/pedal`);
    const firm = page.getByRole('button', { name: /It is firm/ });
    await firm.focus();
    for (let i = 0; i < 5; i += 1) await page.keyboard.press('Enter');
    await expect(firm).toBeVisible();
    await page.keyboard.press('f');
    await expect(page.getByText('✓ Firm.')).toBeVisible();
    await page.keyboard.press('h');
    await expect(page.getByRole('timer')).toBeVisible();
    await small.getByRole('button', { name: /It is firm/ }).tap();
    await small.getByRole('button', { name: /start the minute/ }).tap();
    await expect(small.getByRole('timer')).toBeVisible();
    // Too soon: neither key nor button says that it held.
    await page.keyboard.press('y');
    await expect(page.getByRole('button', { name: /It did not sink/ })).toBeDisabled();
    await expect(small.getByRole('button', { name: /It did not sink/ })).toBeDisabled();
    await expectAccessible(small);
    await expect(small.getByRole('button', { name: /It did not sink/ })).toBeEnabled({
      timeout: 75_000,
    });
    await page.keyboard.press('y');
    await expect(page.getByText('✓ Held, did not sink.')).toBeVisible();
    await page.keyboard.press('l');
    await expect(page.getByRole('heading', { name: 'The pedal is firm' })).toBeVisible();
    await small.getByRole('button', { name: /It did not sink/ }).tap();
    await small.getByRole('button', { name: /Level set/ }).tap();
    await expect(small.getByRole('heading', { name: 'The pedal is firm' })).toBeVisible();
  });

  await test.step('by keyboard: turns free, first stop, measured again, driven, signed off', async () => {
    await page.goto(`/jobs/${cut}/rebuild`);
    await tabTo(page, /^free$/);
    await page.keyboard.press('Enter');
    await tabTo(page, /^First stop made/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /✓ First stop/ })).toBeVisible();
    await page.goto(`/jobs/${cut}/prove/FR`);
    await expect(page.getByRole('button', { name: 'Start runout' })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
    for (const text of typedMm(runoutLap(TRUE_ROTOR, 0, 31))) {
      await page.keyboard.type(text);
      await page.keyboard.press('Enter');
    }
    await expect(page.locator('[data-save-state="saved"]')).toBeVisible();
    await page.goto(`/jobs/${cut}/prove`);
    await tabTo(page, /^Nothing anywhere$/);
    // The first of the two scales is of the drive before: felt strongly in the pedal.
    const before = page.getByRole('group', { name: 'Pedal, before' });
    await before.getByRole('button', { name: 'strong' }).focus();
    await page.keyboard.press('Enter');
    await expect(before.getByRole('button', { name: 'strong' })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await tabTo(page, /^Nothing anywhere$/);
    await page.keyboard.press('Enter');
    const verdict = page.getByRole('region', { name: 'Verdict on the job' });
    await expect(verdict).toContainText('Felt on the road: it is gone.');
    // Thickness was not measured again after the cut: better, and what is left is said.
    await expect(verdict).toContainText('thickness variation was not measured again');
    await page.goto(`/jobs/${cut}/report`);
    await tabTo(page, /^Why it is signed/);
    await page.keyboard.type('Owner needs it tonight; thickness is measured at the recheck.');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Signed off by Ines')).toBeVisible();
    await expect(page.getByText(/Owner needs it tonight/)).toBeVisible();
    await tabTo(page, /^Add to the record$/);
    await page.keyboard.type('Owner collected it.');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Added: Owner collected it.')).toBeVisible();
    await expectAccessible(page);
  });

  await test.step('by touch: bedded in by the passenger’s view, proven, signed off', async () => {
    await small.goto(`/jobs/${indexed}/rebuild`);
    await small.getByRole('button', { name: 'free', exact: true }).tap();
    await small.getByRole('button', { name: /First stop made/ }).tap();
    await expect(small.getByRole('button', { name: /✓ First stop/ })).toBeVisible();
    await small.goto(`/jobs/${indexed}/rebuild/bedding`);
    await small.getByRole('button', { name: 'Repeated moderate stops' }).tap();
    await small.getByLabel('Stops, group 1').fill('2');
    await small.getByRole('button', { name: 'Keep this plan' }).tap();
    await small.getByRole('link', { name: 'Passenger’s view' }).tap();
    for (const stop of ['Stop 1', 'Stop 2']) {
      await expect(small.locator('[class*="_driveCount"]')).toContainText(stop);
      await small.getByRole('button', { name: 'Stop made' }).tap();
    }
    await small.getByRole('button', { name: /Bedded in/ }).tap();
    await expect(small.getByText('✓ On record.')).toBeVisible();
    await small.goto(`/jobs/${indexed}/prove`);
    await small
      .getByRole('group', { name: 'Steering wheel, before' })
      .getByRole('button', { name: 'clear' })
      .tap();
    await small.getByRole('button', { name: 'Nothing anywhere' }).last().tap();
    await expect(small.getByRole('region', { name: 'Verdict on the job' })).toContainText('Cured');
    await small.getByRole('button', { name: 'Set the recheck' }).tap();
    await expect(small.getByText('at 89115 km')).toBeVisible();
    await small.goto(`/jobs/${indexed}/report`);
    await expect(small.getByText('Nothing is open.')).toBeVisible();
    await small.getByRole('button', { name: 'Sign off as Ines' }).tap();
    await expect(small.getByText('Signed off by Ines')).toBeVisible();
  });
  await test.step('the owner’s page, the PDF and the report tell one story', async () => {
    for (const id of [cut, indexed]) {
      await page.goto(`/jobs/${id}/report/owner`);
      const told = await page.locator('main').innerText();
      const figures = [...new Set(told.match(/\d+\.\d{3} mm/g) ?? [])];
      expect(figures.length).toBeGreaterThanOrEqual(2);
      const answer = await page.request.get(`/api/v1/jobs/${id}/report.pdf`);
      const printed = execFileSync('pdftotext', ['-layout', '-', '-'], {
        input: await answer.body(),
        encoding: 'utf8',
      });
      for (const figure of figures) expect(printed).toContain(figure);
      await page.goto(`/jobs/${id}/report`);
      const report = await page.locator('main').innerText();
      await expect(page.getByText('Signed off by Ines')).toBeVisible();
      for (const figure of figures) expect(report).toContain(figure.replace(' mm', ''));
    }
  });
  await phone.close();
  expect(complaints).toEqual([]);
});
