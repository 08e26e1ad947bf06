import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { VEHICLES } from '@/cli/demo/vehicles';
import { axleAt, judgeCorner, signOffOf } from '@/core/job';
import { closeDatabase, database } from '@/server/database';
import { openJobs } from '@/server/job/jobs';
import { quickChecks } from '@/server/quick/quickCheck';
import { startLine } from '@/server/records/startLine';
import { saveVehicle, vehiclesPage } from '@/server/shop/vehicles';
import { useRecords } from './demo';
import { ask, done, jobOf, threePeople } from '../support/wholeJob';
import { known } from './known';

/** The quick ways in: a bench without a vehicle, a job from a plate alone, one line. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-quick-'));
beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const plain = { corner: 'FL', fastening: 'studs', studs: 5, discard: '', runout: '' };
interface Begun {
  readonly id: string;
  readonly setId: string;
}
async function begin(form: Partial<typeof plain> = {}): Promise<Begun> {
  const ids = { id: crypto.randomUUID(), setId: crypto.randomUUID() };
  await done('check-begin', { ...plain, ...form, ...ids }, null);
  return ids;
}
async function readLap({ setId }: Begun): Promise<void> {
  for (let position = 0; position <= 12; position += 1) {
    const text = (0.04 * Math.cos((Math.PI * position) / 6)).toFixed(3);
    await done('reading', { setId, lap: 0, position, text, unit: 'mm', was: null }, null);
  }
}
const vehicleRows = async () => (await database()).query.vehicles.findMany();

test('a check begins with its first set, once however often it is sent, and stands in no list of jobs', async () => {
  const ids = await begin();
  await done('check-begin', { ...plain, ...ids }, null);
  const job = await jobOf(ids.id);
  expect(job.sets).toHaveLength(1);
  expect(job.vehicle.isCheck).toBe(true);
  await readLap(ids);
  const { runout } = judgeCorner(await jobOf(ids.id), 'FL', 'before').assessment;
  expect(runout?.verdict.state).toBe('beyond');
  expect((await openJobs(1)).total).toBe(0);
  expect((await quickChecks(1)).lines.map(({ id }) => id)).toContain(ids.id);
  expect((await vehiclesPage('', 1)).vehicles).toEqual([]);
  // It is no job yet: nobody signs it.
  expect(
    signOffOf(job)
      .blocks.map(({ say }) => say)
      .join(' '),
  ).toMatch(/type its plate/);
});

test('a check that is refused leaves nothing', async () => {
  const before = (await vehicleRows()).length;
  const ids = { id: crypto.randomUUID(), setId: crypto.randomUUID() };
  expect(await ask('check-begin', { ...plain, ...ids, studs: 2 }, null)).not.toBeNull();
  expect(await ask('check-begin', { ...plain, ...ids, discard: 'thin' }, null)).not.toBeNull();
  expect((await vehicleRows()).length).toBe(before);
});

test('its plate makes a job of it, nothing read again; a new plate a new vehicle', async () => {
  const ids = await begin({ discard: '24.0' });
  await readLap(ids);
  expect(await ask('check-plate', { jobId: ids.id, plate: ' ' }, null)).toMatch(/plate/);
  await done('check-plate', { jobId: ids.id, plate: 'sk-611-q' }, null);
  const job = await jobOf(ids.id);
  expect(job.vehicle).toMatchObject({ plate: 'SK-611-Q', isCheck: false });
  expect(axleAt(job, 'FL')?.limits).toMatchObject([{ kind: 'discard', text: '24.0' }]);
  expect(job.sets[0]?.readings).toHaveLength(13);
  expect((await openJobs(1)).lines.map(({ plate }) => plate)).toContain('SK-611-Q');
  expect(await ask('check-plate', { jobId: ids.id, plate: 'SK-1' }, null)).toMatch(/already/);
});

test('the plate of a vehicle on file gives it the check; where studs or limits differ it is refused', async () => {
  const form = { ...VEHICLES.bakery!, plate: 'SK-612-Q' };
  const vehicleId = known(await saveVehicle(null, form));
  const four = await begin({ studs: 4 });
  expect(await ask('check-plate', { jobId: four.id, plate: 'SK-612-Q' }, null)).toMatch(
    /on file with 5 studs; this was read with 4/,
  );
  const thin = await begin({ discard: '11.0' });
  expect(await ask('check-plate', { jobId: thin.id, plate: 'SK-612-Q' }, null)).toMatch(
    /another discard/,
  );
  expect((await jobOf(thin.id)).vehicle.isCheck).toBe(true);
  const right = await begin();
  await readLap(right);
  const before = (await vehicleRows()).length;
  await done('check-plate', { jobId: right.id, plate: 'SK-612-Q' }, null);
  const job = await jobOf(right.id);
  expect(job.vehicle.id).toBe(vehicleId);
  expect(job.sets[0]?.readings).toHaveLength(13);
  // What stood behind the check is gone, and the vehicle keeps its own figures.
  expect((await vehicleRows()).length).toBe(before - 1);
  expect(axleAt(job, 'FL')?.limits.length).toBeGreaterThan(3);
});

test('a plate alone opens a job; studs and discard are asked where they are needed, once', async () => {
  const opened = { vehicleId: '', complaint: '', odometerKm: '', corners: ['FL', 'FR'] };
  const jobId = String(await done('job', { ...opened, newVehicle: { plate: 'sk-613-q' } }, null));
  expect(axleAt(await jobOf(jobId), 'FL')?.isFasteningSaid).toBe(false);
  const set = {
    ...{ jobId, corner: 'FL', kind: 'runout', phase: 'before', face: 'outboard' },
    ...{ positions: 12, shift: 0 },
  };
  expect(await ask('set-begin', set, 'technician')).toMatch(/how many studs/);
  // Nor is a star drawn up by a count that nobody has said.
  const star = { jobId, kind: 'torque', place: 'FL', item: 'star', note: null, seen: null };
  const pulls = { pulls: new Array<null>(15).fill(null) };
  expect(await ask('check', { ...star, value: pulls }, 'technician')).toMatch(/how many studs/);
  // A form that leaves what stands there unsaid has not said it.
  const { id: vehicleId } = (await jobOf(jobId)).vehicle;
  const plain = { ...VEHICLES.bakery!, plate: 'SK-613-Q', why: 'its make' };
  const nothing = { length: '', source: 'maker' };
  const kinds = Object.keys(plain.front.limits);
  const limits = Object.fromEntries(kinds.map((kind) => [kind, nothing]));
  const unsaid = { fastening: 'studs', studs: 5, limits };
  const form = {
    ...plain,
    front: { ...plain.front, ...unsaid },
    rear: { ...plain.rear, ...unsaid },
  };
  await done('vehicle', { id: vehicleId, form }, 'technician');
  expect(axleAt(await jobOf(jobId), 'FL')?.isFasteningSaid).toBe(false);
  await done('fastening', { jobId, corner: 'FR', fastening: 'bolts', studs: 4 }, 'apprentice');
  expect(axleAt(await jobOf(jobId), 'FL')).toMatchObject({
    ...{ fastening: 'bolts', studs: 4, isFasteningSaid: true },
  });
  expect(
    await ask('fastening', { jobId, corner: 'FL', fastening: 'bolts', studs: 5 }, 'lead'),
  ).toMatch(/said already/);
  expect(await ask('set-begin', set, 'technician')).toBeNull();
  const limit = { jobId, corner: 'FL', source: 'stamped' };
  expect(await ask('limit', { ...limit, kind: 'discard', text: 'x' }, null)).not.toBeNull();
  await done('limit', { ...limit, kind: 'discard', text: '20.0' }, 'apprentice');
  expect(await ask('limit', { ...limit, kind: 'machineTo', text: '19' }, null)).toMatch(/swapped/);
  expect(await ask('limit', { ...limit, kind: 'discard', text: '18.0' }, 'lead')).toMatch(
    /on file already/,
  );
  expect(axleAt(await jobOf(jobId), 'FR')?.limits).toHaveLength(1);
});

test('one line: a known plate to its open job, words to a job, an unknown plate to a new one', async () => {
  const open = await startLine('sk-613');
  expect(open.vehicles[0]).toMatchObject({
    plate: 'SK-613-Q',
    openJob: { number: expect.any(Number) },
  });
  expect((await startLine('SK-999-X')).newPlate).toBe('SK-999-X');
  expect((await startLine('SK-613-Q')).newPlate).toBeNull();
  expect((await startLine('shakes on the bend')).newPlate).toBeNull();
  expect(await startLine('  ')).toEqual({ vehicles: [], jobs: [], newPlate: null });
});
