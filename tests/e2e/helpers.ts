import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import type Axe from 'axe-core';
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

/** What judges a page, as it is handed to it: a tenth of what a driver of its own takes for it. */
const AXE = fs.readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/** How axe looks at a page. */
interface Look {
  /** Contrast alone, or everything but it. */
  contrast: boolean;
  /** So many of one kind under one parent are looked at: a long book is written by one hand. */
  alike?: number;
}

/**
 * What axe finds wrong with the page. Contrast takes it four fifths of its time, one text after the other: of texts
 * that have colour, size and weight in common and all that lies behind them, it is asked of one.
 */
async function faultsOf(page: Page, { contrast, alike = Infinity }: Look): Promise<string[]> {
  const violations = await page.evaluate(
    async ({ most, isContrast }) => {
      const { axe } = window as unknown as { axe: typeof Axe };
      const kindOf = (element: Element): string => `${element.tagName} ${element.className}`;
      const exclude = [
        ...document.querySelectorAll('main :is(ul, ol, dl, tbody, div, section)'),
      ].flatMap((parent) => {
        const kinds = new Map<string, number>();
        return [...parent.children].filter((child) => {
          const before = kinds.get(kindOf(child)) ?? 0;
          kinds.set(kindOf(child), before + 1);
          return before >= most;
        });
      });

      /** What lies behind an element, down to the page: a number for each that is another. */
      const behind = new Map<Element, number>();
      const grounds = new Map<string, number>();
      const groundOf = (element: Element | null): number => {
        if (element === null) return 0;
        const known = behind.get(element);
        if (known !== undefined) return known;
        const below = groundOf(element.parentElement);
        const { backgroundColor, backgroundImage, opacity, position, filter } =
          getComputedStyle(element);
        const own = [backgroundColor, backgroundImage, opacity, position, filter].join();
        const key = `${below} ${own}`;
        if (own !== 'rgba(0, 0, 0, 0),none,1,static,none' && !grounds.has(key))
          grounds.set(key, grounds.size + 1);
        const ground = grounds.get(key) ?? below;
        behind.set(element, ground);
        return ground;
      };
      const allOfEach = (): Element[][] => {
        const looks = new Map<string, Element[]>();
        const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        const passed = new Set(exclude);
        const isPassed = (element: Element | null): boolean =>
          element !== null && (passed.has(element) || isPassed(element.parentElement));
        for (let text = walker.nextNode(); text; text = walker.nextNode()) {
          const element = text.parentElement;
          if (!element || text.textContent?.trim() === '' || !element.checkVisibility()) continue;
          const style = getComputedStyle(element);
          const { color, fontSize, fontWeight, textShadow } = style;
          // What is off, and what names it, may be pale.
          const named = element.closest('label')?.control ?? element;
          const isOff = named.closest(':disabled, [aria-disabled="true"]') !== null;
          const drawn = element instanceof SVGElement ? style.fill : '';
          const key = [groundOf(element), color, drawn, fontSize, fontWeight, textShadow, isOff];
          if (passed.size > 0 && isPassed(element)) continue;
          looks.set(key.join(), [...(looks.get(key.join()) ?? []), element]);
        }
        return [...looks.values()];
      };

      const rule = 'color-contrast';
      const contrastOf = (texts: Element[]) =>
        axe.run(
          { include: texts, exclude },
          { runOnly: { type: 'rule', values: [rule] }, elementRef: true },
        );
      const contrastFaults = async () => {
        const looks = allOfEach();
        const first = await contrastOf(looks.map(([text]) => text!));
        const sure = [...first.passes, ...first.violations].flatMap(({ nodes }) => nodes);
        const judged = new Set<Element | undefined>(sure.map(({ element }) => element));
        // One that lies under another part cannot be judged: then the others of its look are.
        const more = looks.flatMap(([text, ...others]) => (judged.has(text) ? [] : others));
        const second = more.length > 0 ? (await contrastOf(more)).violations : [];
        return [...first.violations, ...second];
      };
      const found = isContrast
        ? await contrastFaults()
        : (
            await axe.run(
              { exclude },
              { resultTypes: ['violations'], rules: { [rule]: { enabled: false } } },
            )
          ).violations;
      return found.map(({ id, nodes }) => ({
        id,
        targets: nodes.map(({ target }) => target.join(' ')),
      }));
    },
    { most: alike, isContrast: contrast },
  );
  return violations.map(({ id, targets }) => `${id}: ${targets.join(', ')}`);
}

/** Expects no accessibility fault on the page as it stands, good practice included. */
export async function expectAccessible(page: Page, alike?: number): Promise<void> {
  // A page that is just being left has no title.
  await expect(page).toHaveTitle(/Zesty Hound/);
  await page.evaluate(AXE);
  expect(await faultsOf(page, { contrast: false, alike })).toEqual([]);
  expect(await faultsOf(page, { contrast: true, alike })).toEqual([]);
}

/** Expects the same in the dark, where only the contrast is another; after `expectAccessible`, whose rules are there. */
export async function expectContrastInTheDark(page: Page, alike?: number): Promise<void> {
  await page.evaluate(async () => {
    document.documentElement.dataset.bsTheme = 'dark';
    // Buttons fade to their other colours: what is between two of them is no colour of ours.
    const fading = document.getAnimations().filter((one) => one instanceof CSSTransition);
    // One that is broken off, as its part is drawn anew, has ended as well.
    await Promise.allSettled(fading.map(({ finished }) => finished));
  });
  expect(await faultsOf(page, { contrast: true, alike })).toEqual([]);
}

const knownPeople = new Map<string, string>();

/** The id of somebody of the demo workshop: read from its page, without opening it. */
async function personOf(page: Page, name: string): Promise<string> {
  const known = knownPeople.get(name);
  if (known) return known;
  const text = await (await page.request.get('/workshop')).text();
  const found = new RegExp(
    String.raw`\\"id\\":\\"([0-9a-f-]{36})\\",\\"name\\":\\"${name}\\"`,
  ).exec(text);
  if (!found) throw new Error(`Nobody is called ${name}`);
  knownPeople.set(name, found[1]!);
  return found[1]!;
}

/** Somebody of the demo workshop is at this screen, as its page of people says it. */
export async function beHere(page: Page, name: 'Ines' | 'Tobiah' | 'Wren'): Promise<void> {
  const data = { id: await personOf(page, name) };
  const answer = await page.request.post('/api/v1/who', { data });
  expect(answer.ok(), await answer.text()).toBe(true);
}

/**
 * Opens a job on a vehicle of the demo workshop as its form does, without the form; its id. The form itself is filled
 * in by the tests of a whole job.
 */
export async function jobOn(
  page: Page,
  { plate, complaint, corners }: { plate: string; complaint: string; corners: readonly string[] },
): Promise<string> {
  const id = randomUUID();
  const input = {
    ...{ id, complaint, corners, vehicleId: '', newVehicle: { plate } },
    ...{ odometerKm: '', comebackOf: null },
  };
  const write = { id: randomUUID(), name: 'job', place: `job ${id}`, number: 1, input, by: null };
  const data = { device: randomUUID(), writes: [write] };
  const answer = await page.request.post('/api/v1/writes', { data });
  expect(await answer.json()).toMatchObject({ results: [{ state: 'done', value: id }] });
  return id;
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
