import { expect, test, type Page } from '@playwright/test';
import {
  INDEXABLE,
  beHere,
  complaintsOf,
  drawnUp,
  expectAccessible,
  jobOn,
  leaveTurnOut,
  runoutLap,
  settled,
  settleThickness,
  slowTurn,
  thicknessLap,
} from './helpers';

/** A job on the front left of a demo vehicle, its bench open; the address of the bench. */
async function newBench(page: Page, plate = 'SK-017-B'): Promise<string> {
  const id = await jobOn(page, { plate, complaint: 'Measured anew.', corners: ['FL'] });
  const bench = `/jobs/${id}/measure/FL`;
  await page.goto(bench);
  await settled(page);
  await drawnUp(page);
  return bench;
}

/** Steps of the dial as they are keyed: "12" Enter, or "12" and then minus. */
const dialKeys = (value: number): string[] => [
  ...String(Math.abs(value)),
  value < 0 ? '-' : 'Enter',
];

/** Keys for a lap of thickness: all digits of the first, then the last two. */
const thicknessKeys = (values: readonly number[]): string[] =>
  values.flatMap((value, j) => [...(j === 0 ? String(value) : String(value).slice(-2)), 'Enter']);

const nose = (page: Page) => page.getByRole('complementary', { name: 'The nose' });
const start = (page: Page, kind: string) =>
  page.getByRole('button', { name: new RegExp(`start ${kind}$`, 'i') });

test('a lap, a slow turn and thickness until it is settled take few keys and no pointer, to the verdict', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await newBench(page);
  await start(page, 'runout').press('Enter');
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  let presses = 0;
  const press = async (keys: readonly string[]): Promise<void> => {
    for (const key of keys) {
      await page.keyboard.press(key);
      presses += 1;
    }
  };
  const runout = runoutLap(INDEXABLE, 0, 11);
  await press(runout.flatMap(dialKeys));
  await expect(page.getByLabel(/^Slow turn: stop at the highest/)).toBeFocused();
  const turn = slowTurn(INDEXABLE, 0).flatMap(dialKeys);
  await press(turn);
  await expect(page.getByRole('button', { name: 'Measure thickness' })).toBeFocused();
  await press(['Enter']);
  await expect(start(page, 'thickness')).toBeFocused();
  await press(['Enter']);
  await expect(page.getByLabel(/Position 1 of 8/)).toBeFocused();
  const thickness = thicknessLap(INDEXABLE, 0, 12);
  await press(thicknessKeys(thickness));
  await settleThickness(page, INDEXABLE, 0, (value) =>
    press([...String(value).slice(-2), 'Enter']),
  );
  await expect(nose(page).getByText('Against machine-to thickness')).toBeVisible();
  await expect(nose(page).getByText(/Not settled yet/)).toHaveCount(0);
  // All of it within 75 is asked: docs/benchmarks.md says by how much that is missed.
  expect(presses - turn.length).toBeLessThanOrEqual(80);
  expect(presses).toBeLessThanOrEqual(81);
  const places = page.getByRole('list', { name: 'Readings of lap 1' }).getByRole('button');
  for (const [j, value] of thickness.entries()) {
    await expect(places.nth(j)).toContainText((value / 1000).toFixed(3));
  }
  expect(complaints).toEqual([]);
});

test('thickness takes two keys a place once two were keyed so', async ({ page }) => {
  await newBench(page);
  await page.getByRole('button', { name: 'Thickness', exact: true }).click();
  await start(page, 'thickness').click();
  let presses = 0;
  const press = async (keys: readonly string[]): Promise<void> => {
    for (const key of keys) await page.keyboard.press(key);
    presses += keys.length;
  };
  const lap = thicknessLap(INDEXABLE, 0, 12);
  const short = (value: number): string[] => [...String(value).slice(-2)];
  // A place is turned to before it is read: what follows at once belongs to the place before.
  const turned = (): Promise<void> => page.waitForTimeout(1000);
  await press([...String(lap[0]), 'Enter']);
  for (const value of lap.slice(1, 3)) await press([...short(value), 'Enter']);
  for (const value of lap.slice(3, -1)) {
    await press(short(value));
    await turned();
  }
  // The last one and those that are asked for beyond it are entered: the field goes with them.
  await press([...short(lap.at(-1)!), 'Enter']);
  await settleThickness(page, INDEXABLE, 0, (value) => press([...short(value), 'Enter']));
  const places = page.getByRole('list', { name: 'Readings of lap 1' }).getByRole('button');
  for (const [j, value] of lap.entries()) {
    await expect(places.nth(j)).toContainText((value / 1000).toFixed(3));
  }
  // Eight places and what settles them: six keys for the first, three for each of two, two for each other one.
  expect(presses).toBeLessThanOrEqual(6 + 2 * 3 + 2 * 13);
});

test('a rough corner is within at its places, and beyond as it turns', async ({ page }) => {
  await newBench(page);
  await start(page, 'runout').press('Enter');
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  const lap = [0, 8, 14, 17, 15, 9, 1, -7, -14, -16, -14, -8, 0];
  for (const key of lap.flatMap(dialKeys)) await page.keyboard.press(key);
  await expect(page.getByLabel(/^Slow turn: stop at the highest/)).toBeFocused();
  await expect(nose(page).getByText('Within', { exact: true }).first()).toBeVisible();
  await expect(
    nose(page).getByText(/at the places read: one slow turn would settle/),
  ).toBeVisible();
  // A bump between the places, which none of them has.
  for (const key of [48, -17].flatMap(dialKeys)) await page.keyboard.press(key);
  await expect(nose(page).getByText('Beyond', { exact: true }).first()).toBeVisible();
  await expect(nose(page).getByText(/at the places read/)).toHaveCount(0);
  await expect(page.getByRole('list', { name: 'Readings beyond the laps' })).toContainText('0.048');
});

test('what was left out is said with the verdict; a set is repeated, compared and looked back on', async ({
  page,
}) => {
  await beHere(page, 'Tobiah');
  const bench = await newBench(page);
  // Nothing is ticked in advance but what an earlier step has proved.
  const open = page.locator('[class*="_ready"] input:not(:checked)');
  while ((await open.count()) > 0) await open.first().click();
  await page.getByLabel('Indicator base on something solid').uncheck();
  await page.getByRole('button', { name: 'Start, 1 left out' }).click();
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  const lap = runoutLap(INDEXABLE, 0, 3);
  for (const key of lap.flatMap(dialKeys)) await page.keyboard.press(key);
  await leaveTurnOut(page);
  await expect(nose(page).getByText(/Left out before reading: Indicator base/)).toBeVisible();

  // A reading is typed again: what stood there is kept.
  await page.getByRole('list', { name: 'Readings of lap 1' }).getByRole('button').nth(2).click();
  await page.locator('#reading').fill('0.019');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-save-state="saved"]')).toBeVisible();
  await page.goto(bench);
  // What is folded is fetched by a page that is alive.
  await expect(page.locator('html[data-alive]')).toBeAttached();
  await page.getByText('Compare, set aside, CSV in and out').click();
  await page.getByText('Readings that were changed').click();
  await expect(page.getByText(`was ${((lap[2] ?? 0) / 1000).toFixed(3)}`)).toBeVisible();

  // Repeated with a reason, the old one is still there to compare with.
  await page.getByRole('button', { name: 'Repeat it, with a reason' }).click();
  await page.getByLabel('Why it is set aside').fill('base was loose');
  await page.getByRole('button', { name: 'Repeat it', exact: true }).click();
  await start(page, 'runout').click();
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  for (const key of lap.flatMap(dialKeys)) await page.keyboard.press(key);
  await leaveTurnOut(page);
  await page.getByText('Compare, set aside, CSV in and out').click();
  await page.getByLabel('Compare with').selectOption({ index: 1 });
  await expect(page.getByText(/They (agree|differ): at most/)).toBeVisible();
  await page.getByText('Set aside (1)').click();
  await expect(page.getByText(/13 readings \(base was loose\)/)).toBeVisible();
});

test('readings pasted from a spreadsheet become a set, and come out as CSV', async ({ page }) => {
  await newBench(page);
  await page.getByText('Compare, set aside, CSV in and out').click();
  await page.getByText('Paste readings, or open a CSV file').click();
  const field = page.getByLabel('Readings', { exact: true });
  const put = page.getByRole('button', { name: 'Put on file as new sets' });
  await field.fill('position\trunout (mm)\n1\t0,000\n2\tnonsense\n');
  await put.click();
  await expect(page.getByText('Line 3: “nonsense” is not a figure.')).toBeVisible();
  await expect(field).toHaveValue(/nonsense/);
  const rows = runoutLap(INDEXABLE, 0, 4).map(
    (value, j) => `${j === 12 ? 'close' : j + 1}\t${String(value / 1000).replace('.', ',')}`,
  );
  await field.fill(`position\trunout (mm)\n${rows.join('\n')}\n`);
  await put.click();
  await expect(nose(page).getByText('Lateral runout')).toBeVisible();
  const href = await page.getByRole('link', { name: 'CSV', exact: true }).getAttribute('href');
  const csv = await (await page.request.get(href ?? '')).text();
  expect(csv.split('\n')[0]).toContain('lap,position,angle_deg,value_mm');
  expect(csv.trim().split('\n')).toHaveLength(14);
  const solver = await page.getByRole('link', { name: 'JSON for the solver' }).getAttribute('href');
  const input: unknown = await (await page.request.get(solver ?? '')).json();
  const answer = await page.request.post('/api/v1/solve/runout', { data: input });
  expect(answer.ok()).toBe(true);
});

test('a virtual gauge reads by space and wheel, and a loose base is recognised', async ({
  page,
}) => {
  await newBench(page);
  await page.getByText('End play, temperature, gauge, own angles').click();
  await page.getByLabel('Practice: a virtual gauge reads').check();
  await start(page, 'runout').click();
  await page.getByLabel(/Practise with/).selectOption('loose-base');
  for (let place = 0; place <= 12; place += 1) {
    // What was taken is on the screen before the wheel is turned on.
    const at = place < 12 ? `Position ${place + 1} of 12` : 'Position 1 again, to close';
    await expect(page.getByLabel(new RegExp(at)).first()).toBeVisible();
    if (place > 0) await page.getByRole('button', { name: 'Turn to the next position' }).click();
    await expect(page.getByRole('button', { name: 'Take it (Space)' })).toBeEnabled();
    await page.locator('#reading').focus();
    await page.keyboard.press('Space');
  }
  await expect(
    nose(page)
      .getByText(/Lap 1 did not close/)
      .first(),
  ).toBeVisible();
  await expect(nose(page).getByText(/practice, not a measurement/)).toBeVisible();
});

test('what a virtual gauge shows is taken into no other set', async ({ page }) => {
  await newBench(page);
  await page.getByText('End play, temperature, gauge, own angles').click();
  await page.getByLabel('Practice: a virtual gauge reads').check();
  await start(page, 'runout').click();
  await expect(page.getByRole('button', { name: 'Take it (Space)' })).toBeEnabled();
  await page.getByRole('button', { name: '+ New set' }).click();
  await page.getByText('End play, temperature, gauge, own angles').click();
  await page.getByLabel('Practice: a virtual gauge reads').uncheck();
  await start(page, 'runout').click();
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Type the reading at position 1.')).toBeVisible();
  await expect(page.getByRole('slider')).toHaveCount(0);
});

test('both faces and the micrometer are held against each other, in words', async ({ page }) => {
  await newBench(page);
  const read = async (kind: string, lap: readonly number[], isDial: boolean): Promise<void> => {
    await start(page, kind).click();
    await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
    for (const key of isDial ? lap.flatMap(dialKeys) : thicknessKeys(lap)) {
      await page.keyboard.press(key);
    }
  };
  const outboard = runoutLap(INDEXABLE, 0, 11);
  const thickness = thicknessLap(INDEXABLE, 0, 12, 12);
  await read('runout', outboard, true);
  await page.getByRole('button', { name: '+ New set' }).click();
  const kinds = page.getByRole('group', { name: 'What is measured' });
  await kinds.getByRole('button', { name: 'Runout' }).click();
  await page.getByLabel('Rotor sits').selectOption('0');
  await page.getByLabel('Dial on the face').selectOption('inboard');
  // On the inboard face the dial reads what the outboard face does less, and thickness more.
  const first = thickness[0] ?? 0;
  const inboard = outboard.map((value, j) => (thickness[j % 12] ?? 0) - first - value);
  await read('runout', inboard.with(5, (inboard[5] ?? 0) + 30), true);
  // One reading far off: another lap is asked for, not a turn.
  await page.getByRole('button', { name: 'Measure thickness' }).click();
  // Held against both faces it is read at their places.
  await page.getByLabel('Read for').selectOption('usual');
  await read('thickness', thickness, false);
  await expect(
    nose(page)
      .getByText(/misses the thickness by .* at position 6/)
      .first(),
  ).toBeVisible();
});

test('a gauge whose calibration ran out is said on its verdicts; its cable is learned', async ({
  page,
}) => {
  await beHere(page, 'Tobiah');
  await page.goto('/workshop');
  await page.getByRole('button', { name: 'Add a gauge' }).click();
  await page.getByLabel('Name or number on it').fill('Dial 7');
  await page.getByLabel(/Smallest step/).fill('0.001');
  await page.getByLabel(/Repeats to/).fill('0.001');
  await page.getByLabel('Calibration runs out on').fill('2020-02-01');
  await page.getByText('Data cable: not set up').click();
  await page.getByLabel('Lines of the gauge').fill('D+00012\nD-00004');
  await page.getByLabel(/The display shows/).fill('0.004');
  await page.getByRole('button', { name: 'Learn the format' }).click();
  await expect(page.getByText('-0.012 mm')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep this gauge' }).click();
  await expect(page.getByText('calibration ran out on 2020-02-01')).toBeVisible();

  await newBench(page);
  // What draws the gauge comes late: whatever is typed meanwhile stands.
  await page.route('**/_next/static/**/*.js', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 2000));
    await route.continue();
  });
  await start(page, 'runout').click();
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  const lap = runoutLap(INDEXABLE, 0, 5);
  for (const key of lap.flatMap(dialKeys)) await page.keyboard.press(key, { delay: 20 });
  await expect(nose(page).getByText(/Calibration of “Dial 7” ran out/)).toBeVisible();
  const places = page.getByRole('list', { name: 'Readings of lap 1' }).getByRole('button');
  for (const [j, value] of lap.entries()) {
    await expect(places.nth(j)).toContainText((Math.abs(value) / 1000).toFixed(3));
  }
  await page.unrouteAll({ behavior: 'wait' });

  // Out of use again: other tests read with the workshop default.
  await page.goto('/workshop');
  await settled(page);
  await page.getByRole('button', { name: /Out of use.*Dial 7/ }).click();
  await expect(page.getByText('No gauge is on file')).toBeVisible();
});

test('own angles and both circles: the corner says its taper, and bad angles are refused', async ({
  page,
}) => {
  await newBench(page);
  await page.getByRole('button', { name: 'Thickness', exact: true }).click();
  await page.getByText('End play, temperature, gauge, own angles').click();
  const angles = page.getByLabel(/Own angles/);
  await angles.fill('0 80 70 300');
  await start(page, 'thickness').click();
  await expect(
    page.getByText('Angles must rise, be distinct and lie within one turn.'),
  ).toBeVisible();
  await angles.fill('0 80 170 300');
  await start(page, 'thickness').click();
  await expect(page.getByLabel(/Position 1 of 4/)).toBeFocused();
  for (const text of ['27.986', '84', '87', '85']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(
    nose(page)
      .getByText(/4 positions are too few/)
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: '+ New set' }).click();
  const kinds = page.getByRole('group', { name: 'What is measured' });
  await kinds.getByRole('button', { name: 'Thickness' }).click();
  await page.getByLabel('On the circle').selectOption('inner');
  await start(page, 'thickness').click();
  await expect(page.getByLabel(/Position 1 of 4/)).toBeFocused();
  for (const text of ['27.886', '84', '87', '85']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(nose(page).getByRole('heading', { name: 'Taper' })).toBeVisible();
  await expect(nose(page).getByText('0.100 mm')).toBeVisible();
});

// 2026-11-30: a set that was begun far down the page was read with its field half above the screen.
test('a set that is begun far down the page is read in sight, on a low screen too', async ({
  page,
}) => {
  for (const [width, height] of [
    [844, 390],
    [640, 400],
  ] as const) {
    await page.setViewportSize({ width, height });
    await newBench(page);
    await start(page, 'runout').click();
    const field = page.locator('#reading');
    await expect(field).toBeFocused();
    for (const value of ['0', '10', '20']) {
      await page.keyboard.type(value);
      await page.keyboard.press('Enter');
    }
    await expect(page.getByLabel(/Position 4 of 12/)).toBeVisible();
    for (const what of [field, page.getByRole('list', { name: 'Readings of lap 1' })]) {
      await expect
        .poll(async () => {
          const box = (await what.boundingBox())!;
          return box.y >= 0 && box.y + box.height <= height;
        })
        .toBe(true);
    }
  }
});

test.describe('by thumb on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('the pad has large keys and takes at most four taps a reading', async ({ page }) => {
    await newBench(page);
    await start(page, 'runout').tap();
    const pad = page.getByRole('group', { name: 'Number pad' });
    await expect(pad).toBeVisible();
    for (const key of await pad.getByRole('button').all()) {
      const box = await key.boundingBox();
      expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(56);
    }
    let taps = 0;
    const tap = async (name: string): Promise<void> => {
      await pad.getByRole('button', { name, exact: true }).tap();
      taps += 1;
    };
    const runout = runoutLap(INDEXABLE, 0, 11);
    for (const value of runout) {
      const before = taps;
      for (const digit of String(Math.abs(value))) await tap(digit);
      await tap(value < 0 ? 'Take as minus' : 'Take');
      expect(taps - before).toBeLessThanOrEqual(4);
    }
    await page.getByRole('button', { name: 'Skip' }).tap();
    await page.getByRole('button', { name: 'Measure thickness' }).tap();
    await start(page, 'thickness').tap();
    const thickness = thicknessLap(INDEXABLE, 0, 12);
    taps = 0;
    for (const [j, value] of thickness.entries()) {
      const digits = j === 0 ? String(value) : String(value).slice(-2);
      for (const digit of digits) await tap(digit);
      await tap('Take');
    }
    expect(taps / thickness.length).toBeLessThanOrEqual(4);
    await settleThickness(page, INDEXABLE, 0, async (value) => {
      for (const digit of String(value).slice(-2)) await tap(digit);
      await tap('Take');
    });
    await expect(nose(page).getByText('Against machine-to thickness')).toBeVisible();
    await expectAccessible(page);
  });
});

test('a job from a plate alone; a set that reads as another seat is asked about before it counts', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  await beHere(page, 'Wren');
  await page.goto('/jobs/new');
  await settled(page);
  await page.getByLabel('Plate (must be filled)').fill('quick 1');
  await page.getByLabel(/^Complaint/).fill('It shakes.');
  await page.getByLabel(/front left/).check();
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByText('make and model not entered')).toBeVisible();
  await page.goto(page.url().replace('/complaint', '/measure/FL'));
  await settled(page);
  await page.getByRole('button', { name: '5', exact: true }).click();

  const typeLap = async (lap: readonly number[]): Promise<void> => {
    await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
    for (const key of lap.flatMap(dialKeys)) await page.keyboard.press(key);
    await leaveTurnOut(page);
  };
  await drawnUp(page);
  await start(page, 'runout').click();
  await typeLap(runoutLap(INDEXABLE, 0, 21));
  await page.getByRole('button', { name: 'Another mounting' }).click();
  // It is said to be moved, and was not: the lap is that of the first mounting.
  await expect(page.getByText(/Move the rotor 2 studs/)).toBeVisible();
  await start(page, 'runout').click();
  await typeLap(runoutLap(INDEXABLE, 0, 22));
  const asked = page.getByRole('group', { name: 'Where the rotor sits' });
  await expect(asked).toContainText('It reads as it did as first marked.');
  await expectAccessible(page);
  await asked.getByRole('button', { name: 'It sits as first marked: correct it' }).click();
  await expect(asked).toHaveCount(0);
  await settled(page);
  await page.reload();
  await settled(page);
  await expect(
    page
      .getByRole('button', { name: /^Runout, as first marked/ })
      .or(page.getByRole('tab', { name: /^Runout, as first marked/ })),
  ).toHaveCount(2);
  expect(complaints).toEqual([]);
});

// 2026-11-28: readings that the screen showed were on neither side, their page was left too soon.
test('a page that is left before the device has stored what was typed loses nothing', async ({
  page,
}) => {
  const bench = await newBench(page);
  await page.getByRole('button', { name: 'Start runout' }).click();
  await expect(page.getByLabel(/Position 1 of 12/)).toBeFocused();
  await settled(page);
  // The store of the device is busy: whatever is written waits for it.
  await page.evaluate(
    () =>
      new Promise<void>((begun) => {
        const asked = indexedDB.open('zesty-hound');
        asked.onsuccess = () => {
          const store = asked.result.transaction('writes', 'readwrite').objectStore('writes');
          const until = Date.now() + 5000;
          const busy = (): void => {
            if (Date.now() < until) store.count().onsuccess = busy;
          };
          busy();
          begun();
        };
      }),
  );
  for (const key of [12, 9, 7].flatMap(dialKeys)) await page.keyboard.press(key);
  await expect(page.getByLabel(/Position 4 of 12/)).toBeVisible();
  await page.goto('/find');
  await settled(page);
  await page.goto(bench);
  await settled(page);
  await expect(page.getByLabel(/Position 4 of 12/)).toBeVisible();
  const shown = page.getByRole('list', { name: 'Readings of lap 1' });
  for (const figure of ['0.012', '0.009', '0.007']) await expect(shown).toContainText(figure);
});

test('a lap is swept in one slow turn with few keys, and stands through to the report', async ({
  page,
}) => {
  const complaints = complaintsOf(page);
  const bench = await newBench(page);
  await page.getByText('End play, temperature, gauge, own angles').click();
  await page.getByLabel('Practice: a virtual gauge reads').check();
  await page.getByLabel('Read for').selectOption('sweep');
  await start(page, 'runout').click();
  const mark = page.getByRole('button', { name: /\(Space\)$/ });
  // The wheel turns by itself: a key as each of the five studs passes.
  const leave = page.getByRole('button', { name: 'Leave this turn' });
  const turn = async (): Promise<void> => {
    if ((await leave.count()) > 0) await leave.click();
    await expect(mark).toHaveText(/^Start/);
    await mark.focus();
    await page.keyboard.press('Space');
    const begun = Date.now();
    for (let stud = 1; stud <= 5; stud += 1) {
      await expect(mark).toHaveText(
        stud === 5 ? /^The mark is back/ : new RegExp(`^Stud ${stud + 1} passes`),
        { timeout: 5000 },
      );
      await page.waitForTimeout(Math.max(0, begun + 3000 * stud - Date.now()));
      await page.keyboard.press('Space');
    }
  };
  const told = page.getByRole('status', { name: 'Last reading' });
  const refused = page.getByRole('alert').filter({ hasText: /reading|turn|marks/ });
  await page.getByLabel('A turn takes').selectOption('15');
  // A machine with much else to do misses what the gauge sends meanwhile: it is refused, and swept once more.
  await expect(async () => {
    await turn();
    await expect(told.filter({ hasText: /swept/ }).or(refused)).toBeVisible();
    await expect(refused).toHaveCount(0);
  }).toPass({ timeout: 90_000 });
  await expect(told).toContainText(/Lap 1 is swept\. (Within|Beyond|Too close)/);
  await expect(page.getByRole('list', { name: 'Sweeps' })).toContainText('each stud marked');
  await expect(page.getByRole('img', { name: /Runout of the rotor.*swept/ })).toBeVisible();
  await settled(page);
  await page.reload();
  await settled(page);
  await expect(page.getByRole('list', { name: 'Sweeps' })).toContainText('each stud marked');
  await expectAccessible(page);
  await page.goto(bench.replace('/measure/FL', '/report/file'));
  await expect(page.getByText(/Lap 1 swept: \d+ readings/)).toBeVisible();
  expect(complaints).toEqual([]);
});
