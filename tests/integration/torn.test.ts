import { trials } from '../support/trials';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { openDatabase, type DatabaseHandle } from '@/db/client';
import { lookThrough, noteOpening } from '@/db/connect/inventory';

/** Of 12 files that were deleted, flipped or cut off, 9 opened without a word (2026-11-27). */

let work: string;
/** A folder that was closed, one of which the program was killed, and the file of a table in both. */
let closed: string;
let killed: string;
const files: Record<string, string> = {};
const place = (name: string): string => path.join(work, name);

beforeAll(async () => {
  work = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-torn-'));
  [closed, killed] = [place('closed'), place('killed')];
  const handle = await openDatabase({ folder: closed });
  for (const table of ['people', 'ledger', 'vehicles']) {
    const found = await handle.db.execute(sql`select pg_relation_filepath(${table}) as file`);
    files[table] = (found as unknown as { rows: { file: string }[] }).rows[0]!.file;
  }
  const plates = sql`insert into vehicles (plate, make, model)
    select 'SK-' || n, repeat('x', 60), repeat('y', 60) from generate_series(1, 400) n`;
  await handle.db.execute(plates);
  await handle.db.execute(
    sql`insert into people (name, initials, role) values ('Ines', 'IN', 'lead')`,
  );
  await handle.close();
  const running = place('running');
  fs.cpSync(closed, running, { recursive: true, preserveTimestamps: true });
  const other = await openDatabase({ folder: running });
  fs.cpSync(running, killed, { recursive: true, filter: (from) => path.basename(from) !== 'lock' });
  await other.close();
}, 120_000);
afterAll(() => fs.rmSync(work, { recursive: true, force: true }));

let count = 0;
/** A copy of a folder as it was, changed. */
function changed(from: string, change: (file: (name: string) => string) => void): string {
  const to = place(`changed-${(count += 1)}`);
  fs.cpSync(from, to, { recursive: true, preserveTimestamps: true });
  change((name) => path.join(to, 'pg', files[name] ?? name));
  return to;
}

async function open(folder: string): Promise<string> {
  let handle: DatabaseHandle | null = null;
  try {
    handle = await openDatabase({ folder });
    const found = await handle.db.execute(sql`select count(*)::int as n from vehicles`);
    return `${(found as unknown as { rows: { n: number }[] }).rows[0]?.n} vehicles`;
  } catch (error) {
    return String(error);
  } finally {
    await handle?.close();
  }
}

function flip(file: string, at: number): void {
  const bytes = fs.readFileSync(file);
  bytes[at]! ^= 4;
  fs.writeFileSync(file, bytes);
}

const swap = (one: string, other: string): void => {
  fs.renameSync(one, `${one}.x`);
  fs.renameSync(other, one);
  fs.renameSync(`${one}.x`, other);
};

test('whole ones open, moved or not', async () => {
  expect(await open(changed(closed, () => undefined))).toBe('400 vehicles');
  expect(await open(changed(killed, () => undefined))).toBe('400 vehicles');
  const moved = place('moved');
  fs.cpSync(closed, moved, { recursive: true });
  expect(await open(moved)).toBe('400 vehicles');
  // Opened and closed again it is known anew; what the engine makes by itself need not be there.
  fs.truncateSync(path.join(moved, 'pg/base/5/pg_internal.init'), 10);
  expect(await open(moved)).toBe('400 vehicles');
});

// A power cut between the opening of the engine and the next word on what it is made of.
test('one that was stopped while it opened is read by its log', async () => {
  const folder = changed(closed, (file) => {
    noteOpening(file('.'));
    flip(file('global/pg_control'), 40);
  });
  expect((await lookThrough(path.join(folder, 'pg'))).faults).toEqual([]);
});

const CHANGES: readonly (readonly [string, (file: (name: string) => string) => void, RegExp])[] = [
  ['a table is gone', (file) => fs.rmSync(file('vehicles')), /is missing/],
  ['a byte is flipped', (file) => flip(file('vehicles'), 8192 + 5000), /damaged at page 1/],
  ['a table is cut within a page', (file) => fs.truncateSync(file('vehicles'), 12_000), /cut off/],
  ['a table is cut at a page', (file) => fs.truncateSync(file('vehicles'), 8192), /cut off/],
  ['a table is emptied', (file) => fs.truncateSync(file('people'), 0), /cut off/],
  ['two are swapped', (file) => swap(file('people'), file('vehicles')), /is what pg|cut off/],
];
const CLOSED_ONLY: typeof CHANGES = [
  [
    'what was committed is forgotten',
    (file) => flip(file('pg_xact/0000'), 100),
    /not as it was left/,
  ],
  [
    'the control file is another',
    (file) => flip(file('global/pg_control'), 60),
    /not as it was left/,
  ],
];

test.each([...CHANGES, ...CLOSED_ONLY])('closed: %s', async (_name, change, says) => {
  const folder = changed(closed, change);
  const said = await open(folder);
  expect(said).toMatch(says);
  expect(said).toContain(`The data folder ${folder} is not whole`);
});

test.each(CHANGES)('killed: %s', async (_name, change, says) => {
  expect(await open(changed(killed, change))).toMatch(says);
});

/** Opens a folder in a process of its own: an engine that cannot begin leaves a clock running. */
function openApart(folder: string): string {
  const script = `require('./src/db/client.ts').openDatabase({ folder: ${JSON.stringify(folder)} })
      .then(() => 'opened', (error) => error.message)
      .then((said) => { process.stdout.write(said); process.exit(); });`;
  const args = ['--conditions=react-server', '--import', 'tsx', '-e', script];
  return spawnSync(process.execPath, [...process.execArgv, ...args], { encoding: 'utf8' }).stdout;
}

// 2026-11-28: “PGlite failed to initialize properly” was all that was said of these.
test.each(['2601', '2616'].slice(0, trials(2, 1)))(
  'killed: a byte of what the engine begins with is flipped (%s)',
  (name) => {
    const folder = changed(killed, (file) => flip(file(`base/5/${name}`), 8000));
    const said = openApart(folder);
    expect(said).toContain(`The data folder ${folder} is not whole`);
    expect(said).toMatch(/damaged at page 0/);
  },
);
