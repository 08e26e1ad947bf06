import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { buildDemo } from '@/cli/demo/build';
import { DEMO_SEED } from '@/cli/demo/scenario';
import { closeDatabase, database } from '@/server/database';
import { openJobs } from '@/server/job/jobs';
import { createDatabase, serverForTests } from '../support/postgres';

/** What a test begins with: a shop in which nothing was done yet, or the demo workshop. */
export type Shop = 'empty' | 'demo';

/** The engine under the records: the embedded one, or a PostgreSQL server. */
type Engine = 'folder' | 'server';

/** The shops that all test files of one run copy; swept away when the run ends. */
const TEMPLATES = path.join(os.tmpdir(), `zh-demo-${process.ppid}`);
const LONGEST_WAIT_MS = 110_000;

const templateOf = (engine: Engine, shop: Shop): string => path.join(TEMPLATES, engine, shop);
/** What says that a template is whole. */
const readyOf = (engine: Engine, shop: Shop): string => `${templateOf(engine, shop)}-ready`;
/** The template of a shop on the server. */
const databaseOf = (shop: Shop): string => `zh_${shop}_${process.ppid}`;

/** Makes the templates of an engine, or is told that another worker does. */
function isFirst(engine: Engine): boolean {
  fs.mkdirSync(TEMPLATES, { recursive: true });
  try {
    fs.mkdirSync(path.join(TEMPLATES, engine));
    return true;
  } catch {
    return false;
  }
}

/** Points the program at records for the tests of a file. */
function pointAt(folder: string, url?: string): void {
  process.env.ZESTY_HOUND_DATA = folder;
  if (url === undefined) delete process.env.DATABASE_URL;
  else process.env.DATABASE_URL = url;
}

/** A folder of records, without the lock of whoever made it. */
const copyFolder = (from: string, to: string): void =>
  fs.cpSync(from, to, { recursive: true, filter: (file) => path.basename(file) !== 'lock' });

/** Says that a template is whole; what is open on it is closed. */
async function finish(engine: Engine, shop: Shop): Promise<void> {
  await closeDatabase();
  fs.writeFileSync(readyOf(engine, shop), '');
}

/** Builds an empty shop and the demo workshop, once a run and engine. */
async function buildTemplates(engine: Engine): Promise<void> {
  const [empty, demo] = [templateOf(engine, 'empty'), templateOf(engine, 'demo')];
  const isServer = engine === 'server';
  fs.mkdirSync(empty);
  pointAt(empty, isServer ? createDatabase(databaseOf('empty')) : undefined);
  await database();
  await finish(engine, 'empty');
  // A whole test makes the demo workshop once, for these tests and for those of the browser.
  const made = isServer ? undefined : process.env.TEST_DEMO;
  if (made) {
    copyFolder(made, demo);
    return finish(engine, 'demo');
  }
  copyFolder(empty, demo);
  const url = isServer ? createDatabase(databaseOf('demo'), databaseOf('empty')) : undefined;
  pointAt(demo, url);
  await buildDemo(DEMO_SEED);
  await finish(engine, 'demo');
}

/** The folder of a shop to copy; whoever asks first builds it, and the other workers wait. */
async function template(engine: Engine, shop: Shop): Promise<string> {
  if (isFirst(engine)) await buildTemplates(engine);
  for (let waited = 0; !fs.existsSync(readyOf(engine, shop)); waited += 100) {
    if (waited > LONGEST_WAIT_MS) throw new Error('The demo workshop was not built');
    await wait(100);
  }
  return templateOf(engine, shop);
}

/** Copies a shop of the embedded engine into a folder and points the program at it. */
export async function shopIn(folder: string, shop: Shop): Promise<void> {
  copyFolder(await template('folder', shop), folder);
  pointAt(folder);
}

/**
 * Copies a shop and points the program at it: into a folder of the embedded engine, or, where TEST_PG names a
 * PostgreSQL server, into a new database there. Call it before anything is asked of the records.
 */
export async function useRecords(folder: string, shop: Shop = 'empty'): Promise<void> {
  if (serverForTests() === undefined) return shopIn(folder, shop);
  copyFolder(await template('server', shop), folder);
  pointAt(folder, createDatabase(undefined, databaseOf(shop)));
}

/** Stands the demo workshop up for the tests of a file. */
export function standUpDemo(): void {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-server-'));
  beforeAll(async () => {
    await useRecords(folder, 'demo');
  });
  afterAll(async () => {
    await closeDatabase();
    fs.rmSync(folder, { recursive: true, force: true });
  });
}

/** The id of the demo job of a number. */
export async function jobNumber(number: number): Promise<string> {
  const { lines } = await openJobs(1);
  const line = lines.find((each) => each.number === number);
  if (!line) throw new Error(`No job ${number}`);
  return line.id;
}
