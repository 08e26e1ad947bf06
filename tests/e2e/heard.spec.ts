import { expect, test, type Page } from '@playwright/test';
import {
  complaintsOf,
  INDEXABLE,
  runoutLap,
  settled,
  settleThickness,
  slowTurn,
  thicknessLap,
  typedMm,
} from './helpers';
import { feltGone, pedalHeld, putTogether } from './wholeJob';

/**
 * A whole job as it is heard: everything is found by its role and its name in the tree that a screen reader
 * reads, nothing by how it looks or where it stands, and what is said without being asked is collected.
 */

test.use({ actionTimeout: 20_000 });

/** Collects what live regions say, whatever page it is. */
async function listen(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const LIVE = '[role="status"], [role="alert"], [aria-live="polite"], [aria-live="assertive"]';
    const said = new WeakMap<Element, string>();
    const hear = (): void => {
      for (const region of document.querySelectorAll(LIVE)) {
        const text = (region.textContent ?? '').replace(/\s+/g, ' ').trim();
        if (text === '' || said.get(region) === text) continue;
        said.set(region, text);
        const before = JSON.parse(sessionStorage.getItem('heard') ?? '[]') as string[];
        sessionStorage.setItem('heard', JSON.stringify([...before, text]));
      }
    };
    const whole = { subtree: true, childList: true, characterData: true };
    document.addEventListener('DOMContentLoaded', () => {
      hear();
      new MutationObserver(hear).observe(document.body, whole);
    });
  });
}

/** Something is said from here on, or was since it was last asked. */
async function expectHeard(page: Page, what: RegExp): Promise<void> {
  const heard = (): Promise<string> => page.evaluate(() => sessionStorage.getItem('heard') ?? '[]');
  await expect.poll(async () => (JSON.parse(await heard()) as string[]).join('\n')).toMatch(what);
  await page.evaluate(() => sessionStorage.setItem('heard', '[]'));
}

/** Lines of a tree whose control or picture has no name. */
const NAMELESS =
  /^\s*- (button|link|textbox|checkbox|radio|combobox|spinbutton|img|dialog|navigation)(?! ")(\s|:|$)/;

/** The tree of a page is whole: a title, one main part, one heading of the first rank, a name for everything. */
async function expectTree(page: Page, title: RegExp): Promise<void> {
  await expect(page).toHaveTitle(title);
  await expect(page.getByRole('main')).toHaveCount(1);
  await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
  const tree = await page.getByRole('main').ariaSnapshot();
  expect(tree.split('\n').filter((line) => NAMELESS.test(line))).toEqual([]);
}

const press = (page: Page, name: RegExp | string): Promise<void> =>
  page
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
    .click();

const stage = (page: Page, name: RegExp): Promise<void> =>
  page.getByRole('navigation', { name: 'Stages of the job' }).getByRole('link', { name }).click();

/** Gives readings one after the other where the cursor stands. */
async function give(page: Page, values: readonly number[]): Promise<void> {
  for (const text of typedMm(values)) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
}

/** A lap, its closing reading and the slow turn, each heard. */
async function readRunout(page: Page, shift: number, seed: number): Promise<void> {
  const field = (name: RegExp) => page.getByRole('textbox', { name });
  await expect(field(/Position 1 of 12/)).toBeFocused();
  const lap = runoutLap(INDEXABLE, shift, seed);
  await give(page, lap.slice(0, 5));
  await expectHeard(page, /position 5 of 12, -?0\.\d{3}\. Next: position 6/i);
  await give(page, lap.slice(5));
  await expect(field(/^Slow turn: stop at the highest/)).toBeFocused();
  await expectHeard(page, /(Within|Beyond|Too close to call), 0\.\d{3} ?mm, limit 0\.050 ?mm/);
  await give(page, slowTurn(INDEXABLE, shift));
}

/** Thickness at eight places and at those that are asked for after them, until it is said. */
async function readThickness(page: Page, shift: number, seed: number): Promise<void> {
  await expect(page.getByRole('textbox', { name: /Position 1 of 8/ })).toBeFocused();
  await give(page, thicknessLap(INDEXABLE, shift, seed));
  await settleThickness(page, INDEXABLE, shift, (value) => give(page, [value]));
  await expectHeard(page, /(Within|Beyond|Too close to call), 0\.\d{3} ?mm, limit 0\.012 ?mm/);
}

/** The stop of the pedal lies over everything: it has one way out, to the rebuild. */
async function leaveStop(page: Page): Promise<void> {
  const stop = page.getByRole('dialog', { name: /pedal/ });
  await stop.getByRole('link', { name: /^Back|^On with the rebuild/ }).click();
  await expect(page).toHaveURL(/rebuild$/);
}

/** Goes to a page of putting together by the names of its links. */
async function goByName(page: Page, place: string): Promise<void> {
  if (await page.getByRole('dialog', { name: /pedal/ }).count()) await leaveStop(page);
  else if (!place.endsWith('torque')) await stage(page, /^Rebuild/);
  const names: Readonly<Record<string, RegExp>> = {
    'rebuild/FL': /^FL/,
    'rebuild/FL/torque': /^Torque$/,
    'rebuild/hydraulics': /^Hydraulics/,
    'rebuild/pedal': /pedal/i,
  };
  const name = names[place];
  if (name) await page.getByRole('link', { name }).first().click();
  await expect(page).toHaveURL(new RegExp(`/${place}$`));
  await expectTree(page, /SK-017-B/);
}

test('the whole way from a new job to signed off, by the tree that a screen reader reads', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const complaints = complaintsOf(page);
  await listen(page);
  await page.goto('/');
  await settled(page);
  await expectTree(page, /^Zesty Hound$/);
  await page.getByRole('link', { name: 'New job' }).first().click();
  await expectTree(page, /^New job/);
  await page.getByRole('textbox', { name: /^Plate/ }).fill('SK-017-B');
  await page.getByRole('textbox', { name: /^Complaint/ }).fill('The wheel shakes on the hill.');
  await page.getByRole('checkbox', { name: /front left/ }).check();
  await press(page, 'Open the job');

  // The complaint: two answers, each a pressed button of a named group.
  await expect(page.getByRole('heading', { level: 1, name: 'Complaint' })).toBeVisible();
  await expectTree(page, /Complaint.*SK-017-B/);
  const felt = page.getByRole('group', { name: /Where is it felt/ });
  await felt.getByRole('button', { name: 'Wheel and pedal' }).click();
  await expect(felt.getByRole('button', { name: 'Wheel and pedal', pressed: true })).toBeVisible();

  // Strip: who is here, then everything at the corner is sound.
  await stage(page, /^Strip/);
  await expect(page.getByRole('heading', { level: 1, name: 'Strip and inspect' })).toBeVisible();
  await expectTree(page, /Strip.*SK-017-B/);
  const who = page.getByRole('group', { name: 'Who is here' });
  await who.getByRole('button', { name: 'Ines', exact: true }).click();
  await expect(who.getByRole('button', { name: 'Ines', pressed: true })).toBeVisible();
  await page
    .getByRole('link', { name: /^Findings/ })
    .first()
    .click();
  await press(page, /all sound/);
  await press(page, /^Yes/);
  await expectHeard(page, /Everything at this corner was looked at/);
  await expectTree(page, /SK-017-B/);

  // Two mountings, the second where it is advised.
  await stage(page, /^Measure/);
  await page.getByRole('textbox', { name: /are drawn up to/ }).fill('140');
  await press(page, /start runout$/i);
  await readRunout(page, 0, 1);
  await press(page, 'Measure thickness');
  await press(page, /start thickness$/i);
  await readThickness(page, 0, 2);
  await press(page, 'Another mounting');
  await expectHeard(page, /Move the rotor/);
  await press(page, /start runout$/i);
  await readRunout(page, 2, 3);
  await expectTree(page, /SK-017-B.*FL|FL.*SK-017-B/);
  const rotor = page.getByRole('region', { name: 'Rotor', exact: true });
  await expect(
    rotor.getByRole('group', { name: /^Runout of the rotor front left: \w.*, 0\.\d{3} mm, limit/ }),
  ).toBeVisible();

  await stage(page, /^Decide/);
  await expectTree(page, /Decide.*SK-017-B/);
  await press(page, /put it on record/);
  await expect(page.getByText(/On record for/).first()).toBeVisible();
  await page.getByRole('link', { name: /^Correct FL/ }).click();
  await expectTree(page, /Correct.*SK-017-B/);
  await press(page, /^Done at FL/);
  await expectHeard(page, /Done at FL\. Measure again/);

  const go = (place: string): Promise<void> => goByName(page, place);
  await putTogether(page, go);
  await expectHeard(page, /Nut 2[^]*Nut 5/);

  // Proven while the minute of the pedal runs; the stop has a way back of its own.
  await leaveStop(page);
  await stage(page, /^Prove/);
  await expectTree(page, /Prove.*SK-017-B/);
  await page.getByRole('link', { name: 'Measure FL', exact: true }).click();
  await press(page, /start runout$/i);
  await readRunout(page, 4, 4);
  await press(page, 'Measure thickness');
  await press(page, /start thickness$/i);
  await readThickness(page, 4, 5);
  await expect(page.getByText('Proven: leave it as it sits.').first()).toBeVisible();
  await pedalHeld(page, go);

  await stage(page, /^Prove/);
  await feltGone(page);
  await stage(page, /^Report/);
  await expectTree(page, /SK-017-B/);
  await page
    .getByRole('textbox', { name: 'Why it is signed with what is open' })
    .fill('what was left out is agreed');
  await press(page, 'Sign off as Ines');
  await expect(page.getByText(/Signed off by Ines|closed/).first()).toBeVisible();
  await expectTree(page, /SK-017-B/);
  expect(complaints).toEqual([]);
});
