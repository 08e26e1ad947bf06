import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { tallyJob } from '@/core/insights';
import { seededRandom } from '@/core/numeric';
import { loadHistory } from '@/cli/history/load';
import { pastJobs, pastVehicle, planOf } from '@/cli/history/past';
import { judgeCorner } from '@/core/job';
import { findVehicleByPlate, jobsToLearnFrom } from '@/db/repositories';
import { closeDatabase, database } from '@/server/database';
import { latestClosedJobs, loadJob, openJob, openJobs } from '@/server/job/jobs';
import { dueList } from '@/server/records/due';
import { find, findQuickly } from '@/server/records/find';
import { insightsOf } from '@/server/records/insights';
import { rotorCharts } from '@/server/records/rotorCharts';
import { rotorsOfVehicle } from '@/server/records/rotorLife';
import { vehiclesPage, vehicleWithJobs } from '@/server/shop/vehicles';
import { tableScans } from '../support/plans';
import { useRecords } from './demo';
import { known } from './known';

const SIZE = { jobs: 400, open: 5, seed: 3, from: new Date('2024-01-01T08:00:00Z'), days: 700 };
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-history-'));
let vehicleId = '';

beforeAll(async () => {
  await useRecords(folder);
  const db = await database();
  await loadHistory(db, SIZE);
  vehicleId = (await findVehicleByPlate(db, pastVehicle(7).plate))?.id ?? '';
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

test('the same seed draws the same jobs, another one others', () => {
  const drawn = (seed: number): unknown => pastJobs(3, 400, planOf(SIZE, seededRandom(seed)));
  expect(drawn(1)).toEqual(drawn(1));
  expect(drawn(1)).not.toEqual(drawn(2));
});

test('a history of 400 jobs has fifty readings a closed job, and goes on from its last number', async () => {
  const db = await database();
  const counted = await db.execute(
    sql`select (select count(*) from jobs)::int as jobs, (select count(*) from readings)::int as readings`,
  );
  expect((counted as unknown as { rows: unknown[] }).rows[0]).toEqual({
    jobs: 400,
    readings: 395 * 50 + 5 * 40,
  });
  expect((await openJobs(1)).total).toBe(5);
  const id = known(
    await openJob({ vehicleId, complaint: 'After it all.', odometerKm: '', corners: ['FL'] }),
  );
  expect((await loadJob(id))?.number).toBe(401);
});

test('its jobs are whole: judged, learnt from, found', async () => {
  const { jobs } = await find({ q: '12', state: 'closed' });
  const job = (await loadJob(jobs.find(({ number }) => number === 12)?.id ?? ''))!;
  const { assessment } = judgeCorner(job, 'FL', 'before');
  expect(assessment.runout?.verdict.value).toBeGreaterThan(0);
  expect(assessment.thicknessVerdicts).not.toBeNull();
  expect(job.keepsFigures).toBe(true);
  expect(job.vehicle.axles).toHaveLength(2);
  expect(await jobsToLearnFrom(await database(), 10)).toEqual([]);
  const view = await insightsOf(null);
  expect(view.jobs).toBe(395);
  expect(view.stages).toHaveLength(9);
  const within = view.predictions.reduce((sum, { within: { count } }) => sum + count, 0);
  const all = view.predictions.reduce((sum, { within: { of } }) => sum + of, 0);
  expect(within / all).toBeGreaterThan(0.85);
  const tallied = pastJobs(3, 400, planOf(SIZE, seededRandom(9))).flatMap(({ learnt }) =>
    tallyJob(learnt),
  );
  expect(tallied.length).toBeGreaterThan(50);
});

test('pages and order of many jobs', async () => {
  const first = await find({});
  expect(first).toMatchObject({ total: 401, isMore: true, pages: 17 });
  const last = await find({ page: '17' });
  expect(last).toMatchObject({ isMore: false });
  expect(last.jobs).toHaveLength(1);
  const seen = [...first.jobs, ...(await find({ page: '2' })).jobs].map(({ number }) => number);
  expect(seen).toEqual([...seen].sort((p, q) => q - p));
  expect(new Set(seen).size).toBe(50);
});

describe('nothing that grows is read from end to end', () => {
  test.each<[string, () => Promise<unknown>]>([
    ['start page', async () => [await openJobs(1), await latestClosedJobs()]],
    [
      'search by words and cause',
      () => find({ q: 'pellick shake', state: 'closed', cause: 'hub-runout' }),
    ],
    ['search by a plate', () => find({ q: 'SK-107' })],
    ['comebacks', () => find({ comeback: '1', sort: 'oldest' })],
    ['to decide', () => find({ state: 'to-decide' })],
    ['to correct', () => find({ state: 'to-correct' })],
    ['signed off last first', () => find({ sort: 'closed' })],
    ['overdue', () => find({ due: '1' })],
    ['a corner and a year', () => find({ corner: 'FL', from: '2024-03-01', to: '2024-12-31' })],
    ['palette', () => findQuickly('SK-10')],
    ['vehicles', () => vehiclesPage('', 1)],
    ['a vehicle', async () => [await vehicleWithJobs(vehicleId), await rotorsOfVehicle(vehicleId)]],
    ['rotor history', () => rotorCharts(vehicleId, 'FL')],
    ['insights', () => insightsOf(2024)],
    ['what is due', () => dueList()],
  ])('%s', async (_, action) => {
    const { questions, scans } = await tableScans(action, true);
    expect(questions).toBeGreaterThan(0);
    expect(scans).toEqual([]);
  });
});
