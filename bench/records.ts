import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { pastVehicle } from '../src/cli/history/past';
import { loadHistory } from '../src/cli/history/load';
import { findVehicleByPlate } from '../src/db/repositories';
import { closeDatabase, database } from '../src/server/database';
import { dueList } from '../src/server/records/due';
import { find, findQuickly } from '../src/server/records/find';
import { startLine } from '../src/server/records/startLine';
import { insightsOf } from '../src/server/records/insights';
import { latestClosedJobs, openJobs, waitsNow } from '../src/server/job/jobs';
import { rotorCharts } from '../src/server/records/rotorCharts';
import { rotorsOfVehicle } from '../src/server/records/rotorLife';
import { vehiclesPage, vehicleWithJobs } from '../src/server/shop/vehicles';
import { tableScans } from '../tests/support/plans';
import { answerTimes, serve } from './serve';
import { HEAD, report } from './spread';

const JOBS = Number(process.env.BENCH_JOBS ?? 100_000);
const RUNS = 100;
const PORT = 3978;
const LIMIT_MS = 150;

/** A vehicle for every run, spread over all of them. */
const placeOf = (run: number): number => (run * 7919) % Math.ceil(JOBS / 8);

const letter = (run: number): string => 'abcdefghij'.charAt(run % 10);

async function measure(folder: string, ids: readonly string[]): Promise<void> {
  const { address, stop } = await serve(folder, PORT);
  const idOf = (run: number): string => ids[run % ids.length] ?? '';
  const pages: [string, (run: number) => string][] = [
    ['start page', () => '/'],
    ['search: a plate', (run) => `/find?q=${pastVehicle(placeOf(run)).plate}`],
    ['search: a word of every sixth job', () => '/find?q=pulses'],
    [
      'search: two words, signed off, a cause',
      () => '/find?q=pellick+shake&state=closed&cause=hub-runout',
    ],
    [
      'search: a corner and a year, page 9',
      () => '/find?corner=FL&from=2019-01-01&to=2019-12-31&page=9',
    ],
    ['search: comebacks, oldest first', () => '/find?comeback=1&sort=oldest'],
    [
      'palette: the beginning of a plate',
      (run) => `/api/v1/find?q=${pastVehicle(placeOf(run)).plate.slice(0, 5)}`,
    ],
    [
      'one line: a plate as typed',
      (run) => `/api/v1/line?q=${pastVehicle(placeOf(run)).plate.slice(0, 4 + (run % 5))}`,
    ],
    ['one line: words of a complaint', () => '/api/v1/line?q=pulses'],
    ['one line: the name of an owner', (run) => `/api/v1/line?q=keeper+${letter(run)}`],
    ['vehicles, page 40', () => '/vehicles?page=40'],
    ['a vehicle with its rotors', (run) => `/vehicles/${idOf(run)}`],
    ['rotor history of a corner', (run) => `/vehicles/${idOf(run)}/rotors/FL`],
    ['insights, all years', () => '/insights'],
    ['insights, one year', (run) => `/insights?year=${2017 + (run % 8)}`],
    ['what is due', () => '/due'],
  ];
  try {
    for (const [name, placeAt] of pages) {
      report(name, LIMIT_MS, await answerTimes(RUNS, (run) => `${address}${placeAt(run)}`));
    }
  } finally {
    await stop();
  }
}

/** Says which tables are read whole by what the pages ask, by the planner of the full database. */
async function checkPlans(id: string): Promise<void> {
  const actions: [string, () => Promise<unknown>][] = [
    ['start page', async () => [await openJobs(1), await waitsNow(), await latestClosedJobs()]],
    ['search', () => find({ q: 'pellick shake', state: 'closed', cause: 'hub-runout' })],
    ['search, every sixth job', () => find({ q: 'pulses' })],
    ['search, comebacks', () => find({ comeback: '1', sort: 'oldest' })],
    ['palette', () => findQuickly('SK-10')],
    ['one line', () => startLine('SK-10')],
    ['vehicles', () => vehiclesPage('', 40)],
    ['vehicle', async () => [await vehicleWithJobs(id), await rotorsOfVehicle(id)]],
    ['rotor history', () => rotorCharts(id, 'FL')],
    ['insights', () => insightsOf(null)],
    ['due', () => dueList()],
  ];
  console.log('\n| plans of | questions | tables read whole |\n| --- | --- | --- |');
  for (const [name, action] of actions) {
    const { questions, scans } = await tableScans(action);
    const said = scans.map(({ table }) => table).join(', ') || 'none';
    console.log(`| ${name} | ${questions} | ${said} |`);
  }
}

async function main(): Promise<void> {
  const kept = process.env.BENCH_HISTORY;
  const folder = kept ?? mkdtempSync(path.join(tmpdir(), 'zh-records-'));
  process.env.ZESTY_HOUND_DATA = folder;
  delete process.env.DATABASE_URL;
  const started = Date.now();
  const isNew = !existsSync(path.join(folder, 'pg'));
  const db = await database();
  if (isNew) {
    const from = new Date(Date.UTC(2016, 0, 4, 7));
    await loadHistory(db, { jobs: JOBS, open: 40, seed: 1, from, days: 3950 });
    // Every vehicle is brought by somebody.
    await db.execute(sql`insert into owners (vehicle_id, name, reach)
      select id, 'Keeper ' || translate(plate, '0123456789-', 'abcdefghij '), 'ring twice' from vehicles`);
  }
  const counted = await db.execute(
    sql`select (select count(*) from jobs) as jobs, (select count(*) from readings) as readings`,
  );
  const [{ jobs, readings } = { jobs: 0, readings: 0 }] = (
    counted as unknown as { rows: { jobs: number; readings: number }[] }
  ).rows;
  console.log(`\nRecords: ${jobs} jobs, ${readings} readings`);
  if (isNew) console.log(`made in ${Math.round((Date.now() - started) / 1000)} s`);
  const ids: string[] = [];
  for (let run = 0; run < 40; run += 1) {
    ids.push((await findVehicleByPlate(db, pastVehicle(placeOf(run)).plate))?.id ?? '');
  }
  await checkPlans(ids[0] ?? '');
  await closeDatabase();
  console.log(`\n${HEAD}`);
  await measure(folder, ids);
  if (!kept) rmSync(folder, { recursive: true, force: true });
}

void main();
