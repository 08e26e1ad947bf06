import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { buildDemo } from '@/cli/demo/build';
import { DEMO_SEED } from '@/cli/demo/scenario';
import { closeDatabase, database } from '@/server/database';
import { openJobs } from '@/server/job/jobs';

/** The demo workshop that all test files of one run copy; swept away when the run ends. */
const TEMPLATE = path.join(os.tmpdir(), `zh-demo-${process.ppid}`);
/** What says that a template is whole. */
const READY = { empty: path.join(TEMPLATE, 'empty-ready'), demo: path.join(TEMPLATE, 'ready') };
const LONGEST_WAIT_MS = 110_000;

/** Makes the folder, or is told that another worker does. */
function isFirst(): boolean {
  try {
    fs.mkdirSync(TEMPLATE);
    return true;
  } catch {
    return false;
  }
}

/** Points the program at a folder for the tests of a file. */
function pointAt(folder: string): void {
  process.env.ZESTY_HOUND_DATA = folder;
  delete process.env.DATABASE_URL;
}

/** A folder of records, without the lock of whoever made it. */
const copyRecords = (from: string, to: string): void =>
  fs.cpSync(from, to, { recursive: true, filter: (file) => path.basename(file) !== 'lock' });

/** Builds an empty shop and the demo workshop once a run; the other workers wait for them. */
async function template(name: 'empty' | 'demo'): Promise<string> {
  const [empty, demo] = [path.join(TEMPLATE, 'empty'), path.join(TEMPLATE, 'demo')];
  if (isFirst()) {
    pointAt(empty);
    await database();
    await closeDatabase();
    fs.writeFileSync(READY.empty, '');
    copyRecords(empty, demo);
    pointAt(demo);
    await buildDemo(DEMO_SEED);
    await closeDatabase();
    fs.writeFileSync(READY.demo, '');
  }
  for (let waited = 0; !fs.existsSync(READY[name]); waited += 100) {
    if (waited > LONGEST_WAIT_MS) throw new Error('The demo workshop was not built');
    await wait(100);
  }
  return name === 'empty' ? empty : demo;
}

/** Copies the demo workshop into a folder and points the program at it. */
export async function demoIn(folder: string): Promise<void> {
  copyRecords(await template('demo'), folder);
  pointAt(folder);
}

/** Copies an empty shop into a folder and points the program at it: quicker than a new database. */
export async function emptyIn(folder: string): Promise<void> {
  copyRecords(await template('empty'), folder);
  pointAt(folder);
}

/** Stands the demo workshop up in a folder of its own for the tests of a file. */
export function standUpDemo(): void {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-server-'));
  beforeAll(async () => {
    await demoIn(folder);
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
