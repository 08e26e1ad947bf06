import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { seededRandom } from '@/core/numeric';
import { openDatabase } from '@/db/client';
import { lookAtLog } from '@/db/connect/logDamage';
import { LogPages, logStart } from '@/db/connect/logPages';
import { readRecord } from '@/db/connect/logRecords';
import { sayEndedLog } from '@/server/records/endedLog';

/**
 * A flipped byte in the middle of the log of a folder whose program was killed: the engine took it for the end of the
 * log, and what had been answered for after it was gone without a word (2026-12-01).
 */

const PEOPLE = 40;
let work: string;
/** A folder of which the program was killed after so many people had been put on file. */
let killed: string;
let count = 0;

beforeAll(async () => {
  work = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-log-'));
  const running = path.join(work, 'running');
  killed = path.join(work, 'killed');
  const handle = await openDatabase({ folder: running });
  for (let i = 1; i <= PEOPLE; i += 1) {
    await handle.db.execute(
      sql`insert into people (name, initials, role) values (${`Person ${i}`}, 'IN', 'lead')`,
    );
  }
  fs.cpSync(running, killed, {
    recursive: true,
    filter: (from) => path.basename(from) !== 'lock',
  });
  await handle.close();
});
afterAll(() => fs.rmSync(work, { recursive: true, force: true }));

const databaseIn = (folder: string): string => path.join(folder, 'pg');

/** Where every record of a log begins, and whether it commits. */
function recordsOf(folder: string): { at: number; isCommit: boolean }[] {
  const start = logStart(databaseIn(folder))!;
  const log = new LogPages(path.join(databaseIn(folder), 'pg_wal'), start);
  const records: { at: number; isCommit: boolean }[] = [];
  let before: number | null = null;
  let at = start.redo;
  for (;;) {
    const found = readRecord(log, at, before);
    if (found.is !== 'record') return records;
    records.push(found);
    before = found.at;
    at = found.next;
  }
}

const logFile = (folder: string): string => {
  const own = path.join(databaseIn(folder), 'pg_wal');
  return path.join(
    own,
    fs.readdirSync(own).find((name) => /^[0-9A-F]{24}$/.test(name))!,
  );
};

/** Runs on a folder like the one that was killed; changes of it are gone afterwards. */
function copied(): string {
  const to = path.join(work, `copy-${(count += 1)}`);
  fs.cpSync(killed, to, { recursive: true, preserveTimestamps: true });
  return to;
}

function flip(folder: string, address: number, bit = 4): void {
  const file = logFile(folder);
  const handle = fs.openSync(file, 'r+');
  const byte = Buffer.alloc(1);
  const at = address % fs.statSync(file).size;
  fs.readSync(handle, byte, 0, 1, at);
  byte[0]! ^= bit;
  fs.writeSync(handle, byte, 0, 1, at);
  fs.closeSync(handle);
}

/** Opens a folder: how many people are in it, or why it is refused. */
async function open(folder: string): Promise<string> {
  try {
    const { db, close } = await openDatabase({ folder });
    const found = await db.execute(sql`select count(*)::int as n from people`);
    await close();
    return `${(found as unknown as { rows: { n: number }[] }).rows[0]?.n} people`;
  } catch (error) {
    return String(error);
  }
}

const middleOf = (folder: string): number => {
  const commits = recordsOf(folder).filter(({ isCommit }) => isCommit);
  return commits[commits.length - PEOPLE / 2]!.at;
};
const lastCommit = (folder: string): number =>
  recordsOf(folder).findLast(({ isCommit }) => isCommit)!.at;

test('what is whole is read to its end, and opens', async () => {
  expect(lookAtLog(databaseIn(killed), true).faults).toEqual([]);
  expect(recordsOf(killed).filter(({ isCommit }) => isCommit).length).toBeGreaterThanOrEqual(
    PEOPLE,
  );
  expect(await open(copied())).toBe(`${PEOPLE} people`);
});

test('a flipped byte in its middle is refused in words; nothing is changed, and it is said again', async () => {
  const folder = copied();
  flip(folder, middleOf(folder) + 30);
  const said = await open(folder);
  expect(said).toMatch(/its log \(pg\/pg_wal\/[0-9A-F]{24}\) is damaged/);
  expect(said).toMatch(/what was written after \d{4}-\d\d-\d\d \d\d:\d\d:\d\d UTC cannot be read/);
  expect(said).toContain('Nothing was changed.');
  expect(said).toContain('ZESTY_HOUND_LEAVE_LOG=1');
  expect(await open(folder)).toBe(said);
});

test('it is opened with what can be read where that is wanted, and keeps what cannot', async () => {
  const folder = copied();
  flip(folder, middleOf(folder) + 30);
  const damaged = fs.readFileSync(logFile(folder));
  process.env.ZESTY_HOUND_LEAVE_LOG = '1';
  const opened = await open(folder);
  delete process.env.ZESTY_HOUND_LEAVE_LOG;
  const left = Number(/^(\d+) people$/.exec(opened)?.[1]);
  expect(left).toBeGreaterThanOrEqual(PEOPLE / 2 - 2);
  expect(left).toBeLessThanOrEqual(PEOPLE / 2);
  const [kept] = fs.readdirSync(path.join(folder, 'set-aside'));
  const file = path.join(folder, 'set-aside', kept!, path.basename(logFile(folder)));
  expect(fs.readFileSync(file).equals(damaged)).toBe(true);
  expect(await open(folder)).toBe(opened);
  process.env.ZESTY_HOUND_DATA = folder;
  expect(sayEndedLog()).toMatch(
    /opened on \d{4}-\d\d-\d\d \d\d:\d\d UTC the end of their log could not be read.*set-aside\/log-/,
  );
  fs.rmSync(path.join(folder, 'set-aside', kept!), { recursive: true });
  expect(sayEndedLog()).toBeNull();
});

test.each([
  ['since', true, 'is damaged'],
  ['anew', false, `${PEOPLE - 1} people`],
])(
  'its last commit, flipped, is damage where the machine has run since; after a power cut it may never have been whole (%s)',
  async (_, isSince, expected) => {
    const folder = copied();
    flip(folder, lastCommit(folder) + 30);
    const file = path.join(databaseIn(folder), 'inventory.json');
    const inventory = JSON.parse(fs.readFileSync(file, 'utf8')) as object;
    if (!isSince) fs.writeFileSync(file, JSON.stringify({ ...inventory, boot: 'another' }));
    expect(await open(folder)).toContain(expected);
  },
);

test.each([
  ['cut off', (file: string) => fs.truncateSync(file, fs.statSync(file).size - 8192), /is cut off/],
  ['missing', (file: string) => fs.rmSync(file), /log \(pg\/pg_wal\) is missing/],
])('a file of it that is %s is refused', async (_, change, said) => {
  const folder = copied();
  change(logFile(folder));
  expect(await open(folder)).toMatch(said);
});

test('before the record that it opens by nothing is left out: only a copy mends it', async () => {
  const folder = copied();
  const { checkpoint } = logStart(databaseIn(folder))!;
  flip(folder, checkpoint + 30);
  const said = await open(folder);
  expect(said).toMatch(/its log .* is damaged|does not open/);
  expect(said).not.toContain('ZESTY_HOUND_LEAVE_LOG');
});

test.each([
  ['magic', 0],
  ['address', 9],
  ['size of its files', 34],
])('its first page with another %s is refused', async (_, at) => {
  const folder = copied();
  flip(folder, at);
  expect(await open(folder)).toMatch(/not whole/);
});

test('wherever a byte is flipped: it is refused, or nothing of it is lost', () => {
  const folder = copied();
  const records = recordsOf(folder);
  const [from, to] = [records[1]!.at, records.at(-1)!.at];
  const random = seededRandom(12);
  for (let i = 0; i < 300; i += 1) {
    const at = from + Math.floor(random.uniform() * (to - from));
    const bit = 1 << Math.floor(random.uniform() * 8);
    flip(folder, at, bit);
    const { faults } = lookAtLog(databaseIn(folder), true);
    const isWhole = faults.length > 0 || recordsOf(folder).length === records.length;
    expect([at, bit, isWhole]).toEqual([at, bit, true]);
    flip(folder, at, bit);
  }
});
