import { execFileSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { seededRandom } from '@/core/numeric';
import { freePort, kill, startServer, untilItAnswers } from './ownServer';

/**
 * Random walks of somebody who types, corrects, loses the network, leaves, comes back, reloads,
 * works in a second tab, types nonsense, and whose server dies: at the end of every one screen,
 * device and database say the same, and it is what was entered last. `npm run walks` plays 200,
 * every whole test one of each screen.
 */
const WALKS = Number(process.env.WALKS ?? 3);
const FIRST = Number(process.env.FIRST_WALK ?? 1);
const STEPS = 7;

interface Ids {
  readonly jobId: string;
  readonly setId: string;
  readonly who: string;
}

interface World {
  readonly address: string;
  readonly folder: string;
  readonly port: number;
  readonly ids: Ids;
  readonly context: BrowserContext;
  server: ChildProcess;
}

/** A screen that things are entered on: what is on it, and what was entered last. */
interface Screen {
  readonly path: (ids: Ids) => string;
  /** Enters something and answers when the screen shows it. */
  readonly enter: (page: Page, random: () => number) => Promise<void>;
  /** Enters something that cannot be; the screen refuses it and keeps nothing. */
  readonly mistype: ((page: Page) => Promise<void>) | null;
  /** What the screen shows, in a text. */
  readonly shown: (page: Page) => Promise<string>;
  /** The same as the records have it. */
  readonly stored: (world: World) => Promise<string>;
}

const pick = <Each>(list: readonly Each[], random: () => number): Each =>
  list[Math.floor(random() * list.length)]!;

/** What the job’s own document says of it. */
async function jobOf({ address, ids }: World): Promise<{
  readonly sets: readonly {
    readonly id: string;
    readonly readings: readonly { readonly position: number; readonly text: string }[];
  }[];
  readonly checks: readonly {
    readonly kind: string;
    readonly item: string;
    readonly value: unknown;
  }[];
}> {
  const answer = await fetch(`${address}/api/v1/jobs/${ids.jobId}`);
  return ((await answer.json()) as { job: never }).job;
}

const bench: Screen = {
  path: ({ jobId }) => `/jobs/${jobId}/measure/FL`,
  enter: async (page, random) => {
    const position = Math.floor(random() * 8);
    const text = `0.${String(Math.floor(random() * 60)).padStart(3, '0')}`;
    const place = page.locator('[class*="_ladder"] button').nth(position);
    await place.click();
    const field = page.locator('#reading');
    await field.fill(text);
    await field.press('Enter');
    await expect(place).toContainText(text);
  },
  mistype: async (page) => {
    await page.locator('[class*="_ladder"] button').first().click();
    const field = page.locator('#reading');
    await field.fill('99 mm');
    await field.press('Enter');
    await expect(page.locator('.zh-error').first()).toBeVisible();
  },
  shown: async (page) => {
    const texts = await page.locator('[class*="_ladder"] button .zh-figure').allTextContents();
    return texts
      .slice(0, 8)
      .map((text) => (text.trim() === '·' ? '' : text.trim()))
      .join(' | ');
  },
  stored: async (world) => {
    const set = (await jobOf(world)).sets.find(({ id }) => id === world.ids.setId);
    return Array.from(
      { length: 8 },
      (_, j) => set?.readings.find(({ position }) => position === j)?.text ?? '',
    ).join(' | ');
  },
};

// None of what is pressed here is a fault: one that is taken back later asks for a reason.
const LOOKS = ['Slide pins', 'Pads slide in the bracket', 'Abutments under the clips'];
const looks: Screen = {
  path: ({ jobId }) => `/jobs/${jobId}/strip/FL/findings`,
  enter: async (page, random) => {
    const group = page.getByRole('group', { name: pick(LOOKS, random), exact: true });
    const button = group.locator('button[aria-pressed]').nth(Math.floor(random() * 2));
    const was = await button.getAttribute('aria-pressed');
    await button.click();
    await expect(button).toHaveAttribute('aria-pressed', was === 'true' ? 'false' : 'true');
  },
  mistype: null,
  shown: async (page) => {
    const said: string[] = [];
    for (const name of LOOKS) {
      const group = page.getByRole('group', { name, exact: true });
      const pressed = group.locator('button[aria-pressed="true"]');
      said.push(`${name}: ${(await pressed.count()).toString()}`);
    }
    return said.join(', ');
  },
  stored: async (world) => {
    const { checks } = await jobOf(world);
    const codes = ['pins', 'pads-move', 'abutments'];
    return LOOKS.map((name, i) => {
      const look = checks.find(({ kind, item }) => kind === 'look' && item === codes[i]);
      const found = Array.isArray(look?.value) ? look.value.length : null;
      // Sound is one button that is pressed.
      return `${name}: ${found === null ? 0 : Math.max(1, found)}`;
    }).join(', ');
  },
};

const star: Screen = {
  path: ({ jobId }) => `/jobs/${jobId}/rebuild/FL/torque`,
  enter: async (page, random) => {
    const said = page.getByText(/of \d+ pulls/);
    const before = Number(/(\d+) of/.exec((await said.textContent()) ?? '')?.[1] ?? 0);
    const back = page.getByRole('button', { name: 'Take the last pull back' });
    const next = page.getByRole('button', { name: /^Pulled, next/ });
    const isBack = before > 0 && ((await next.count()) === 0 || random() < 0.3);
    await (isBack ? back : next).click();
    await expect(said).toContainText(`${before + (isBack ? -1 : 1)} of`);
  },
  mistype: async (page) => {
    const field = page.getByLabel(/What the wrench read/);
    if ((await field.count()) === 0) return;
    await field.fill('tight');
    await field.press('Enter');
    await expect(page.locator('[class*="_starCard"]').getByRole('alert')).toContainText(
      /not a torque/,
    );
    await field.fill('');
  },
  shown: async (page) =>
    /(\d+) of/.exec((await page.getByText(/of \d+ pulls/).textContent()) ?? '')?.[1] ?? '',
  stored: async (world) => {
    const { checks } = await jobOf(world);
    const row = checks.find(({ kind, item }) => kind === 'torque' && item === 'star');
    return String((row?.value as { pulls: unknown[] } | undefined)?.pulls.length ?? 0);
  },
};

const SCREENS: readonly Screen[] = [bench, looks, star];

/** Opens a screen and waits until it can be worked on. */
async function open(page: Page, screen: Screen, world: World): Promise<void> {
  await page.goto(world.address + screen.path(world.ids));
  await page.locator('[data-unsent]').first().waitFor({ state: 'attached' });
  // Buttons are worth nothing before the page is alive.
  await expect(page.locator('html[data-alive]')).toBeAttached();
}

/** How many writes this browser holds. */
const held = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('zesty-hound');
        opening.onsuccess = () => {
          const count = opening.result.transaction('writes').objectStore('writes').count();
          count.onsuccess = () => {
            opening.result.close();
            resolve(count.result);
          };
        };
      }),
  );

async function walk(world: World, screen: Screen, seed: number): Promise<void> {
  const way: string[] = [];
  try {
    await wander(world, screen, seed, way);
  } catch (fault) {
    throw new Error(`Walk ${seed}, ${way.join(', ')}`, { cause: fault });
  }
}

async function wander(world: World, screen: Screen, seed: number, way: string[]): Promise<void> {
  const random = seededRandom(seed).uniform;
  // The first draws of small seeds are alike.
  for (let i = 0; i < 20; i += 1) random();
  const { context } = world;
  const tabs: Page[] = [await context.newPage()];
  await open(tabs[0]!, screen, world);
  let last = tabs[0]!;
  let isOffline = false;
  // What a page that was opened a moment ago shows is what the one that was written on shows.
  const follows = (page: Page, wanted: string): Promise<void> =>
    expect.poll(() => screen.shown(page), { timeout: 20_000 }).toBe(wanted);
  const online = async (): Promise<void> => {
    if (isOffline) await context.setOffline(false);
    isOffline = false;
  };
  for (let step = 0; step < STEPS; step += 1) {
    const chance = random();
    const page = pick(tabs, random);
    if (chance < 0.55) {
      way.push(`enter${isOffline ? ' offline' : ''} in tab ${tabs.indexOf(page) + 1}`);
      // A second tab follows the first; what is entered is entered on what it shows.
      if (page !== last) await follows(page, await screen.shown(last));
      await screen.enter(page, random);
      last = page;
    } else if (chance < 0.63) {
      way.push('mistype');
      await screen.mistype?.(page);
    } else if (chance < 0.73) {
      way.push(isOffline ? 'online' : 'offline');
      await context.setOffline(!isOffline);
      isOffline = !isOffline;
    } else if (chance < 0.81) {
      way.push('leave and return');
      const wanted = await screen.shown(last);
      if (!isOffline) {
        // While readings are taken the trail is put away.
        const whole = page.getByRole('button', { name: 'Whole page' });
        if (await whole.isVisible()) await whole.click();
        await page.getByRole('link', { name: /^Complaint/ }).click();
        await page.getByRole('heading', { name: 'Complaint', level: 1 }).waitFor();
      } else await page.goto('about:blank');
      await online();
      await open(page, screen, world);
      await follows(page, wanted);
    } else if (chance < 0.88) {
      way.push('reload');
      const wanted = await screen.shown(last);
      await online();
      await open(page, screen, world);
      await follows(page, wanted);
    } else if (chance < 0.95) {
      if (tabs.length > 1) continue;
      way.push('second tab');
      await online();
      const wanted = await screen.shown(last);
      tabs.push(await context.newPage());
      await open(tabs[1]!, screen, world);
      await follows(tabs[1]!, wanted);
    } else {
      way.push('server killed and restarted');
      if (page !== last) await follows(page, await screen.shown(last));
      await kill(world.server);
      await screen.enter(page, random);
      last = page;
      world.server = startServer(world.port, world.folder);
      await untilItAnswers(world.address);
    }
  }
  await online();
  const wanted = await screen.shown(last);
  await expect.poll(() => held(last)).toBe(0);
  await expect.poll(() => screen.stored(world)).toBe(wanted);
  for (const page of tabs) {
    await expect.poll(() => screen.shown(page)).toBe(wanted);
  }
  await open(last, screen, world);
  expect(await screen.shown(last)).toBe(wanted);
  for (const page of tabs) await page.close();
}

test(`after each of ${WALKS} random walks screen, device and database agree`, async ({
  browser,
}) => {
  test.setTimeout(WALKS * 60_000);
  const folder = mkdtempSync(path.join(tmpdir(), 'zh-walks-'));
  const made = execFileSync(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', 'tests/e2e/walkFolder.ts'],
    { encoding: 'utf8', env: { ...process.env, ZESTY_HOUND_DATA: folder, DATABASE_URL: '' } },
  );
  const ids = JSON.parse(made) as Ids;
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const world: World = {
    ...{ address, folder, port, ids, context: await browser.newContext() },
    server: startServer(port, folder),
  };
  world.context.setDefaultTimeout(30_000);
  await untilItAnswers(address);
  await world.context.addCookies([{ name: 'zh-who', value: ids.who, url: address }]);
  for (let seed = FIRST; seed < FIRST + WALKS; seed += 1) {
    await walk(world, SCREENS[seed % SCREENS.length]!, seed);
    process.stdout.write(`walk ${seed} of ${FIRST + WALKS - 1} agrees\n`);
  }
  await world.context.close();
  await kill(world.server, 'SIGTERM');
  rmSync(folder, { recursive: true, force: true });
});
