import { AxeBuilder } from '@axe-core/playwright';
import type Axe from 'axe-core';
import type { AxeResults } from 'axe-core';
import { expect, type Page } from '@playwright/test';
import {
  readDial,
  readMicrometer,
  trueRunout,
  trueThicknessAt,
  type VirtualCorner,
} from '@/core/bench';
import { waveOnGrid } from '@/core/harmonics';
import { seededRandom } from '@/core/numeric';
import { toRadians } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';

/** Readings in mm as a technician would type them. */
export const typedMm = (values: readonly number[]): string[] =>
  values.map((value) => (value / 1000).toFixed(3));

/** A lap of runout with its closing reading, in micrometres. */
export function runoutLap(truth: VirtualCorner, shift: number, seed: number): number[] {
  const gauge = WORKSHOP_DEFAULTS.dialIndicator;
  const run = { shift, positions: 12, laps: 1, gauge };
  const { laps, closing } = readDial(truth, run, seededRandom(seed));
  return [...(laps[0] ?? []), ...closing];
}

/** A lap of thickness in micrometres, on the eight places that it begins with. */
export function thicknessLap(
  truth: VirtualCorner,
  shift: number,
  seed: number,
  positions = 8,
): number[] {
  const gauge = WORKSHOP_DEFAULTS.micrometer;
  const run = { shift, positions, laps: 1, gauge };
  return readMicrometer(truth, run, seededRandom(seed))[0] ?? [];
}

/** What the dial shows at the highest and at the lowest place of a slow turn, in micrometres. */
export function slowTurn(truth: VirtualCorner, shift: number): number[] {
  const wave = waveOnGrid(trueRunout(truth, shift));
  const zero = wave[0] ?? 0;
  return [Math.round(Math.max(...wave) - zero), Math.round(Math.min(...wave) - zero)];
}

/** Leaves the slow turn out that is asked for once a lap is read. */
export async function leaveTurnOut(page: Page): Promise<void> {
  await expect(page.getByLabel(/^Slow turn: stop at the highest/)).toBeFocused();
  await page.keyboard.press('Enter');
}

/** Gives thickness, in micrometres, at the places that are asked for until it is settled. */
export async function settleThickness(
  page: Page,
  truth: VirtualCorner,
  shift: number,
  give: (value: number) => Promise<void>,
): Promise<void> {
  const label = page.locator('label[for="reading"]');
  const asked = label.filter({ hasText: /^Until it is settled/ });
  const read = page.getByRole('list', { name: 'Readings beyond the laps' }).getByRole('button');
  for (let taken = 0; taken < 8; taken += 1) {
    // Either such a place is asked for, or no figure is asked for any more.
    await expect
      .poll(async () => (await asked.count()) > 0 || (await label.count()) === 0)
      .toBe(true);
    if ((await asked.count()) === 0) return;
    const angle = Number(/at ([\d.]+)°/.exec((await asked.textContent()) ?? '')?.[1]);
    await give(Math.round(trueThicknessAt(truth, shift, toRadians(angle))));
    await expect(read).toHaveCount(taken + 1);
  }
}

/** A corner on five studs whose hub and rotor wobble against each other at shift 4. */
export const INDEXABLE: VirtualCorner = {
  studs: 5,
  hub: [{ order: 1, amplitude: 28, highSpotDeg: 40 }],
  rotor: [
    { order: 1, amplitude: 30, highSpotDeg: 292 },
    { order: 2, amplitude: 3, highSpotDeg: 30 },
  ],
  meanThickness: 27_310,
  thickness: [{ order: 1, amplitude: 2, highSpotDeg: 10 }],
};

/** Collects what the page complains of; a test expects it to stay empty. */
export function complaintsOf(page: Page): string[] {
  const complaints: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(message.text());
  });
  page.on('pageerror', (error) => complaints.push(error.message));
  return complaints;
}

/** Waits until a page is alive and everything that was entered on it is on the server. */
export async function settled(page: Page): Promise<void> {
  await expect(page.locator('html[data-alive]')).toBeAttached();
  await expect(page.locator('[data-unsent="0"]')).toBeAttached();
}

/** Says to what torque the nuts are drawn up, where that is not known yet. */
export async function drawnUp(page: Page): Promise<void> {
  const torque = page.getByLabel(/are drawn up to/);
  if ((await torque.inputValue()) === '') await torque.fill('140');
}

/** Expects no accessibility fault on the page as it stands, good practice included. */
export async function expectAccessible(page: Page): Promise<void> {
  // A page that is just being left has no title.
  await expect(page).toHaveTitle(/Zesty Hound/);
  // No page has a frame: without looking for them it takes half the time.
  const builder = new AxeBuilder({ page }).setLegacyMode();
  const { violations } = await builder.options({ resultTypes: ['violations'] }).analyze();
  expect(violations.map(asLine)).toEqual([]);
}

const asLine = ({ id, nodes }: Pick<AxeResults['violations'][number], 'id' | 'nodes'>): string =>
  `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`;

/** Expects the same in the dark, where only the contrast is another; after `expectAccessible`, whose rules are there. */
export async function expectContrastInTheDark(page: Page): Promise<void> {
  const violations = await page.evaluate(async () => {
    document.documentElement.dataset.bsTheme = 'dark';
    // Buttons fade to their other colours: what is between two of them is no colour of ours.
    const fading = document.getAnimations().filter((one) => one instanceof CSSTransition);
    await Promise.all(fading.map(({ finished }) => finished));
    const { axe } = window as unknown as { axe: typeof Axe };
    const answer = await axe.run(document, {
      resultTypes: ['violations'],
      runOnly: { type: 'rule', values: ['color-contrast'] },
    });
    return answer.violations.map(({ id, nodes }) => ({ id, nodes }));
  });
  expect(violations.map(asLine)).toEqual([]);
}

/** Somebody of the demo workshop chooses the name at this screen. */
export async function beHere(page: Page, name: 'Ines' | 'Tobiah' | 'Wren'): Promise<void> {
  await page.goto('/workshop');
  await settled(page);
  const button = page.getByRole('button', { name, exact: true });
  await button.click();
  await expect(button).toHaveAttribute('aria-pressed', 'true');
}

const knownJobs = new Map<number, string>();

/** The id of the demo job of a number: asked of the program, without a page for it. */
export async function openJob(page: Page, number: number): Promise<string> {
  const known = knownJobs.get(number);
  if (known) return known;
  const answer = await page.request.get(`/api/v1/find?q=${number}`);
  const { places } = (await answer.json()) as { places: readonly { href: string; name: string }[] };
  const found = places.find(({ name }) => name.endsWith(`job ${number}`));
  if (!found) throw new Error(`There is no job ${number}`);
  const id = found.href.split('/')[2] ?? '';
  knownJobs.set(number, id);
  return id;
}
