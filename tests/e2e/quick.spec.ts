import { execFileSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import {
  beHere,
  complaintsOf,
  drawnUp,
  expectAccessible,
  INDEXABLE,
  leaveTurnOut,
  runoutLap,
  settled,
  settleThickness,
  thicknessLap,
} from './helpers';
import type { VirtualCorner } from '@/core/bench';
import { feltGone, pedalHeld, putTogether, typeIn } from './wholeJob';

/** Steps of the dial as they are keyed: "12" Enter, or "12" and then minus. */
const dialKeys = (value: number): string[] => [
  ...String(Math.abs(value)),
  value < 0 ? '-' : 'Enter',
];
const typed = async (page: Page, keys: readonly string[]): Promise<number> => {
  for (const key of keys) await page.keyboard.press(key);
  return keys.length;
};
const answer = (page: Page) => page.getByRole('region', { name: 'Answer' });

/** Whether all of something is on the screen, without scrolling. */
async function isOnScreen(page: Page, what: ReturnType<Page['locator']>): Promise<boolean> {
  const box = await what.boundingBox();
  const size = page.viewportSize();
  return box !== null && size !== null && box.y >= 0 && box.y + box.height <= size.height;
}

/** At three keys a second. */
const SECONDS = 90;
const KEYS_A_SECOND = 3;

test('a quick check: two actions to the first reading, two laps and thickness within ninety seconds of keys, the answer on the same screen, a job by its plate', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await page.goto('/');
  await settled(page);
  let keys = await typed(page, ['q']);
  await expect(page.getByRole('button', { name: 'FL front left' })).toBeFocused();
  await expectAccessible(page);
  keys += await typed(page, ['Enter']);
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  await expectAccessible(page);
  keys += await typed(page, runoutLap(INDEXABLE, 0, 11).flatMap(dialKeys));
  await leaveTurnOut(page);
  keys += 1;
  await expect(answer(page).getByText('Beyond')).toBeVisible();
  keys += await typed(page, ['Enter']);
  await expect(page.getByLabel(/Position 1 of 8/)).toBeFocused();
  const lap = thicknessLap(INDEXABLE, 0, 12);
  keys += await typed(
    page,
    lap.flatMap((value, j) => [...(j === 0 ? String(value) : String(value).slice(-2)), 'Enter']),
  );
  await settleThickness(page, INDEXABLE, 0, async (value) => {
    keys += await typed(page, [...String(value).slice(-2), 'Enter']);
  });
  // The second mounting: the rotor is moved, then read.
  await page.getByRole('button', { name: 'Another mounting' }).click();
  await expect(page.getByText(/Move the rotor .* then start/)).toBeVisible();
  keys += await typed(page, ['Enter', 'Enter']);
  const seat = await page.locator('[class$="_where"]').textContent();
  expect(seat).toMatch(/stud/);
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  keys += await typed(page, runoutLap(INDEXABLE, 2, 13).flatMap(dialKeys));
  await expect(answer(page)).toContainText(/hub 0\.0\d+ mm, rotor 0\.0\d+ mm/);
  expect(keys / KEYS_A_SECOND).toBeLessThan(SECONDS);
  expect(await isOnScreen(page, answer(page))).toBe(true);
  expect(await isOnScreen(page, page.getByRole('region', { name: 'Rotor' }))).toBe(true);
  // Discard is typed where it is needed, once.
  await answer(page)
    .getByLabel(/Discard, as stamped/)
    .fill('24.0');
  await answer(page).getByRole('button', { name: 'Keep' }).click();
  await expect(answer(page)).toContainText(/discard 24\.000 mm, stamped on the part/);
  await expect(answer(page)).toContainText(/left above machine-to/);
  // A plate makes a job of it; nothing is read again.
  await page.getByLabel('Plate', { exact: true }).fill('sk-731-q');
  await page.getByRole('button', { name: 'Make it a job' }).click();
  await expect(page.getByRole('heading', { name: 'Complaint', exact: true })).toBeVisible();
  await page.goto(page.url().replace('/complaint', '/decide'));
  await settled(page);
  await expect(page.getByText('SK-731-Q')).toBeVisible();
  await expect(page.getByText(/Every option side by side/)).toBeVisible();
  await page.goto(page.url().replace('/decide', '/report'));
  const before = page.getByRole('row', { name: /Lateral runout/ });
  await expect(before).toContainText(/0\.0[67]\d ?mm\s*Beyond/);
  await expect(page.getByRole('row', { name: /Thinnest place/ })).toContainText(
    /27\.\d{3} ?mm\s*Within.*24\.000 ?mm discard, stamped on the part/,
  );
  expect(complaints).toEqual([]);
});

test('one line: an unknown plate opens a job with one more key; studs are asked before the first set', async ({
  page,
}) => {
  await page.goto('/');
  await settled(page);
  const line = page.getByRole('combobox', { name: /Plate, name/ });
  await line.fill('SK-742-W');
  await expect(page.getByRole('option', { name: /New job for SK-742-W/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Complaint', exact: true })).toBeVisible();
  await page.goto(page.url().replace('/complaint', '/measure/FL'));
  await settled(page);
  await page.getByRole('button', { name: '4', exact: true }).click();
  await expect(page.getByRole('button', { name: /start runout$/i })).toBeVisible();
  // Known now: the line leads to its open job.
  await page.goto('/');
  await settled(page);
  await line.fill('sk-742');
  await expect(page.getByRole('option', { name: /SK-742-W: open job/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.waitForURL(/jobs\/[0-9a-f-]{36}\//);
});

test('a plate of a known model: its studs, limits and torques are there at once', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await beHere(page, 'Tobiah');
  await page.goto('/');
  await settled(page);
  await page.getByRole('combobox', { name: /Plate, name/ }).fill('SK-743-W');
  await expect(page.getByRole('option', { name: /New job for SK-743-W/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Complaint', exact: true })).toBeVisible();
  await page.goto(page.url().replace('/complaint', '/measure/FL'));
  await settled(page);
  await page
    .getByLabel('Or say its model')
    .selectOption({ label: 'Pellick Tern shuttle minibus, 2019' });
  await expect(page.getByRole('button', { name: /start runout$/i })).toBeVisible();
  await expect(page.getByText('Pellick Tern shuttle minibus')).toBeVisible();
  await page.getByRole('link', { name: /SK-743-W/ }).click();
  const sheet = page.getByRole('region', { name: 'The model’s sheet' });
  await expect(sheet).toContainText('This vehicle has what the sheet');
  await expect(page.getByLabel('How many').first()).toHaveValue('6');
  await expect(page.getByLabel(/^Discard thickness/).first()).toHaveValue('26 mm');
  await expectAccessible(page);
  expect(complaints).toEqual([]);
});

test.describe('by thumb', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('while it is read, field, pad, figure, verdict, rotor and last readings are in sight at every size', async ({
    page,
  }) => {
    await page.goto('/');
    await settled(page);
    await page.getByRole('link', { name: 'Quick check', exact: true }).tap();
    await page.getByRole('button', { name: 'FR front right' }).tap();
    await expect(page.getByLabel(/Position 1 of 12/)).toBeVisible();
    for (const um of runoutLap(INDEXABLE, 0, 11)) {
      for (const key of String(Math.abs(um))) {
        await page.getByRole('button', { name: key, exact: true }).tap();
      }
      const take = um < 0 ? 'Take as minus' : 'Take';
      await page.getByRole('button', { name: take, exact: true }).tap();
    }
    await expect(page.getByLabel(/^Slow turn/)).toBeVisible();
    const verdict = page.locator('[class*="_lapVerdict"]').getByText('Beyond');
    for (const [width, height] of [
      [390, 844],
      [390, 664],
      [844, 390],
      [640, 400],
    ] as const) {
      await page.setViewportSize({ width, height });
      for (const what of [
        page.getByLabel(/^Slow turn/),
        page.getByRole('group', { name: 'Number pad' }),
        page.getByRole('list', { name: 'Readings of lap 1' }),
        page.getByRole('region', { name: 'Rotor' }),
        verdict,
      ]) {
        await expect
          .poll(() => isOnScreen(page, what), `${what.toString()} at ${width}×${height}`)
          .toBe(true);
      }
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect(wide).toBeLessThanOrEqual(width);
    }
    // Once it is read the verdict stands above what comes next.
    await page.setViewportSize({ width: 390, height: 664 });
    await page.getByRole('button', { name: 'Skip' }).tap();
    await expect(page.getByRole('button', { name: 'Measure thickness' })).toBeVisible();
    expect(await isOnScreen(page, verdict)).toBe(true);
  });
});

/** Reads a lap of runout as it is keyed. */
async function readRunout(
  page: Page,
  shift: number,
  seed: number,
  truth = INDEXABLE,
): Promise<void> {
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  await typed(page, runoutLap(truth, shift, seed).flatMap(dialKeys));
}

/** Reads thickness until it is settled. */
async function readThickness(page: Page, shift: number, truth = INDEXABLE): Promise<void> {
  await expect(page.getByLabel(/Position 1 of 8/)).toBeFocused();
  await typed(
    page,
    thicknessLap(truth, shift, 12).flatMap((value, j) => [
      ...(j === 0 ? String(value) : String(value).slice(-2)),
      'Enter',
    ]),
  );
  await settleThickness(page, truth, shift, async (value) => {
    await typed(page, [...String(value).slice(-2), 'Enter']);
  });
}

/** The other side: within as it sits. */
const STEADY: VirtualCorner = {
  ...INDEXABLE,
  hub: [{ order: 1, amplitude: 8, highSpotDeg: 200 }],
  rotor: [{ order: 1, amplitude: 5, highSpotDeg: 30 }],
};

/** A whole job of two corners takes no more than these. */
const MOST_CLICKS = 180;
const MOST_KEYS = 350;

/** Counts what the hands do on a page from here on, whatever page it is. */
async function countHands(page: Page): Promise<void> {
  await page.addInitScript(() => {
    for (const kind of ['click', 'keydown'] as const) {
      addEventListener(
        kind,
        (event) => {
          // A button that is pressed by a key is told as a click that nobody made.
          if (event instanceof MouseEvent && event.detail === 0) return;
          const before = Number(sessionStorage.getItem(`hands ${kind}`) ?? 0);
          sessionStorage.setItem(`hands ${kind}`, String(before + 1));
        },
        true,
      );
    }
  });
}

const handsOf = (page: Page): Promise<{ clicks: number; keys: number }> =>
  page.evaluate(() => ({
    clicks: Number(sessionStorage.getItem('hands click')),
    keys: Number(sessionStorage.getItem('hands keydown')),
  }));

test('from a quick check to the signed report: agreed, moved, measured again, driven; every page tells the same', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await beHere(page, 'Ines');
  await countHands(page);
  await page.goto('/checks/new');
  await settled(page);
  await typeIn(page.getByLabel(/Discard thickness/), '24.0');
  await page.getByRole('button', { name: 'FL front left' }).click();
  await readRunout(page, 0, 11);
  await leaveTurnOut(page);
  await page.getByRole('button', { name: 'Measure thickness' }).click();
  await readThickness(page, 0);
  await page.getByRole('button', { name: 'Another mounting' }).click();
  await page.getByRole('button', { name: /^Read runout/ }).click();
  await readRunout(page, 2, 13);
  await expect(answer(page)).toContainText(/Move the rotor .* stud/);
  await typeIn(page.getByLabel('Plate', { exact: true }), 'SK-733-Q');
  await page.getByRole('button', { name: 'Make it a job' }).click();
  await expect(page.getByRole('heading', { name: 'Complaint', exact: true })).toBeVisible();
  const job = page.url().replace('/complaint', '');
  const go = async (place: string): Promise<void> => {
    await page.goto(`${job}/${place}`);
    await settled(page);
  };
  // Its owner agrees to something else that costs less: it does not begin.
  await go('decide');
  await page.getByRole('button', { name: 'Do this: put it on record' }).first().click();
  await expect(page.getByText('On record for').first()).toBeVisible();
  await go('estimate');
  await page.getByRole('radio', { name: /Leave it as it is/ }).check();
  await typeIn(page.getByLabel('Who agrees'), 'The baker');
  await typeIn(page.getByLabel(/^Up to/), '1');
  await page.getByRole('button', { name: 'Agreed', exact: true }).click();
  await expect(page.getByText(/Agreed\. The baker/)).toBeVisible();
  await go('correct/FL');
  await page.getByRole('button', { name: 'Done at FL' }).click();
  await expect(page.getByText(/The owner agreed up to 1 crowns/).first()).toBeVisible();
  // What was refused stays with its reason until it is pressed again.
  await page.goto(`${job}/estimate`);
  await page.locator('html[data-alive]').waitFor({ state: 'attached' });
  await page.getByRole('radio', { name: /Turn the brake disc on its hub/ }).check();
  await page.getByRole('button', { name: 'By telephone' }).click();
  await typeIn(page.getByLabel('Who agrees'), 'The baker');
  await typeIn(page.getByLabel(/^Up to/), '60');
  await page.getByRole('button', { name: 'Agreed anew' }).click();
  await expect(page.getByText(/Agreed\. The baker, by telephone/)).toBeVisible();
  await page.goto(`${job}/correct/FL`);
  await page.locator('html[data-alive]').waitFor({ state: 'attached' });
  await page.getByRole('button', { name: 'Done at FL' }).click();
  await expect(page.getByText(/Done at FL\. Measure again/)).toBeVisible();
  // The other side is measured as well, and stays as it sits.
  await go('complaint');
  await page.getByRole('checkbox', { name: /front right/ }).check();
  await page.getByRole('button', { name: 'Save the complaint' }).click();
  await settled(page);
  await go('measure/FR');
  await typeIn(page.getByLabel(/are drawn up to/), '140');
  await page.getByRole('button', { name: /start runout$/i }).click();
  await readRunout(page, 0, 21, STEADY);
  await leaveTurnOut(page);
  await page.getByRole('button', { name: 'Measure thickness' }).click();
  await page.getByRole('button', { name: /start thickness$/i }).click();
  await readThickness(page, 0, STEADY);
  await expect(page.getByText(/Leave this rotor as it is/).first()).toBeVisible();
  await go('decide');
  await page.getByRole('button', { name: 'Do this: put it on record' }).last().click();
  await expect(page.getByText('On record for')).toHaveCount(2);
  await putTogether(page, go, ['FL', 'FR']);
  await go('prove/FL');
  await drawnUp(page);
  await page.getByRole('button', { name: /start runout$/i }).click();
  await readRunout(page, 4, 14);
  await leaveTurnOut(page);
  await page.getByRole('button', { name: 'Measure thickness' }).click();
  await page.getByRole('button', { name: /start thickness$/i }).click();
  await readThickness(page, 4);
  await expect(page.getByText('Proven: leave it as it sits.').first()).toBeVisible();
  await expect(page.getByText('Look for the cause elsewhere')).toHaveCount(0);
  await pedalHeld(page, go);
  await go('prove');
  await feltGone(page);
  await go('report');
  await page.getByText('Guarantee on this work').click();
  await typeIn(page.getByLabel('Months'), 'zwölf');
  await page.getByRole('button', { name: 'Keep the promise on record' }).click();
  await expect(page.getByText('Write a whole figure, or leave it empty.')).toBeVisible();
  await typeIn(page.getByLabel('Months'), '12');
  await page.getByRole('button', { name: 'Keep the promise on record' }).click();
  await expect(page.getByText('We stand for this work for 12 months.')).toBeVisible();
  const why = page.getByLabel('Why it is signed with what is open');
  if ((await why.count()) > 0) await typeIn(why, 'a quick check that was cured');
  await page.getByRole('button', { name: 'Sign off as Ines' }).click();
  await expect(page.getByText(/Signed off by Ines|closed/).first()).toBeVisible();
  const { clicks, keys } = await handsOf(page);
  test.info().annotations.push({ type: 'hands', description: `${clicks} clicks, ${keys} keys` });
  process.stdout.write(`from a quick check to signed off: ${clicks} clicks, ${keys} keys\n`);
  expect(clicks).toBeLessThanOrEqual(MOST_CLICKS);
  expect(keys).toBeLessThanOrEqual(MOST_KEYS);
  // One story: the move, the agreement and the promise on the report, the owner's page and the PDF.
  await expect(page.locator('article[class*="_report"]')).toContainText(/Move the rotor|Moved/);
  await expect(page.locator('article[class*="_report"]')).toContainText('The baker, by telephone');
  await go('report/owner');
  const owner = page.locator('article[class*="_owner"]');
  await expect(owner).toContainText('The complaint is cured');
  await expect(owner).toContainText('turned on its hub');
  await expect(owner).toContainText('The baker, by telephone');
  await expect(owner).toContainText('We stand for this work for 12 months.');
  const id = job.split('/').at(-1) ?? '';
  const pdf = await page.request.get(`/api/v1/jobs/${id}/report.pdf`);
  expect(pdf.status()).toBe(200);
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], {
    input: await pdf.body(),
    encoding: 'utf8',
  }).replace(/\s+/g, ' ');
  for (const said of ['turned on its hub', 'The baker, by telephone', 'for 12 months']) {
    expect(text).toContain(said);
  }
});
