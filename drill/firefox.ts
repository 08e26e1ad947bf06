import { rmSync } from 'node:fs';
import puppeteer, { type Page } from 'puppeteer-core';
import { serve } from '../bench/serve';
import { VIEWS } from '../tests/e2e/viewList';
import { demoFolder } from './place';

/** What cannot be shown without a second browser’s eyes is at least walked through in it. */
const PORT = 3986;
const FIREFOX = process.env.FIREFOX_PATH ?? '/usr/bin/firefox-esr';
const SIZES = [
  { width: 1280, height: 800 },
  { width: 390, height: 664 },
] as const;

/** A lap of runout in mm as it is keyed, its closing reading last. */
const LAP = [34, 44, 42, 29, 8, -15, -34, -44, -42, -29, -8, 15, 34].map((um) => um / 1000);

/** Goes to an address and waits until the page listens. */
async function open(page: Page, address: string): Promise<void> {
  // Pictures and streams may go on loading.
  await page.goto(address, { waitUntil: 'domcontentloaded', timeout: 60_000 });
  await page.waitForSelector('html[data-alive]', { timeout: 60_000 });
}

const seen = (page: Page, selector: string): Promise<string> =>
  page.$eval(selector, (element) => element.textContent);

/** A quick check by keys alone up to its verdict; answers what went wrong. */
async function quickCheck(page: Page, base: string): Promise<string[]> {
  await open(page, `${base}/checks/new`);
  await page.locator('main button ::-p-text(FL)').click();
  await page.waitForSelector('#reading', { timeout: 30_000 });
  for (const figure of LAP) {
    await page.keyboard.type(String(figure));
    await page.keyboard.press('Enter');
  }
  await page.waitForFunction(
    () => document.querySelector('[aria-label="Answer"]')?.textContent.includes('Beyond') === true,
    { timeout: 20_000 },
  );
  const answer = await seen(page, '[aria-label="Answer"]');
  return answer.includes('0.089') ? [] : [`The quick check answers ${answer.slice(0, 200)}`];
}

/** A part of the drawing that is tapped leads to its step. */
async function drawing(page: Page, address: string): Promise<string[]> {
  await open(page, address);
  await page.locator('[data-part="clips"]').click();
  const step = await seen(page, '#zh-step');
  return step === 'Pads out' ? [] : [`The pad clips lead to ${step}`];
}

/** The ids of the demo’s open jobs by their numbers. */
async function jobsOf(page: Page, base: string): Promise<Map<number, string>> {
  await open(page, base);
  const lines = await page.$$eval('a[href^="/jobs/"]', (links) =>
    links.map((link) => `${link.textContent} ${link.getAttribute('href')}`),
  );
  return new Map(
    lines.flatMap((line): [number, string][] => {
      const [, number, id] = /job (\d+).* \/jobs\/([^/ ]+)/su.exec(line) ?? [];
      return number && id ? [[Number(number), id]] : [];
    }),
  );
}

/**
 * npm run drill -- firefox: every view at two sizes, a quick check by keys and the drawing of a corner in
 * Debian’s Firefox over WebDriver BiDi. Answers what was found.
 */
export async function runFirefox(): Promise<string[]> {
  const { folder } = await demoFolder();
  const server = await serve(folder, PORT);
  const browser = await puppeteer.launch({
    ...{ browser: 'firefox', executablePath: FIREFOX, headless: true },
    protocol: 'webDriverBiDi',
  });
  const faults: string[] = [];
  try {
    const page = await browser.newPage();
    let where = '';
    page.on('pageerror', (error) => {
      // A request that was broken off by leaving its page is none.
      if (!String(error).includes('NS_BINDING_ABORTED')) faults.push(`${where}: ${String(error)}`);
    });
    page.on('console', (message) => {
      if (message.type() === 'error') faults.push(`${where}: ${message.text().slice(0, 200)}`);
    });
    await page.setViewport(SIZES[0]);
    where = 'quick check';
    faults.push(...(await quickCheck(page, server.address)));
    const jobs = await jobsOf(page, server.address);
    for (const size of SIZES) {
      await page.setViewport(size);
      for (const [name, job, path] of VIEWS) {
        where = `${name}, ${size.width} wide`;
        const id = job === null ? null : jobs.get(job);
        // Jobs that are signed stand on a later page of the list.
        if (id === undefined) continue;
        await open(page, server.address + (id === null ? path : `/jobs/${id}/${path}`));
        const wide = await page.evaluate(() => document.documentElement.scrollWidth);
        if (wide > size.width) faults.push(`${where}: ${wide} px wide`);
      }
    }
    where = 'drawing';
    const strip = `${server.address}/jobs/${jobs.get(110) ?? ''}/strip/RL`;
    faults.push(...(await drawing(page, strip)));
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  console.log(`Firefox ${faults.length === 0 ? 'shows every view' : 'found:'}`);
  for (const fault of faults) console.log(`  FAULT ${fault}`);
  return faults;
}
