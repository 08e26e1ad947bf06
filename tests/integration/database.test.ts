import { createHash } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { eq, sql } from 'drizzle-orm';
import { openDatabase, type DatabaseHandle } from '@/db/client';
import { folderVersion, writeFolderVersion } from '@/db/connect/folderVersion';
import {
  findJob,
  findSetFile,
  insertJob,
  insertSet,
  insertVehicle,
  listOpenJobs,
  saveDecisions,
  signJob,
  updateComplaint,
  updateVehicle,
  writeReadings,
} from '@/db/repositories';
import { readingChanges } from '@/db/schema';
import { createDatabase, serverForTests } from '../support/postgres';

const axle = (position: 'front' | 'rear') => ({
  position,
  fastening: 'studs' as const,
  studs: 5,
  allowedShifts: null,
  limits: [
    { kind: 'discard' as const, valueUm: 26_000, text: '26', unit: 'mm', source: 'maker' as const },
  ],
});
const VEHICLE = {
  plate: 'SK-900-T',
  make: 'Pellick',
  model: 'Test',
  axles: [axle('front'), axle('rear')],
};

let folder: string;
let handle: DatabaseHandle;
beforeAll(async () => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-db-'));
  handle = await openDatabase({ folder, url: serverForTests() && createDatabase() });
});
afterAll(async () => {
  await handle.close();
  fs.rmSync(folder, { recursive: true, force: true });
});

async function newSet() {
  const { db } = handle;
  const vehicleId = await insertVehicle(db, { ...VEHICLE, plate: `SK-${Math.random()}` });
  const jobId = await insertJob(db, {
    vehicleId,
    complaint: 'shakes',
    odometerKm: null,
    corners: ['FL', 'FR'],
  });
  const set = await insertSet(db, {
    jobId,
    corner: 'FL',
    kind: 'runout',
    phase: 'before',
    face: 'outboard',
    positions: 8,
    shift: 0,
    resolutionUm: 1,
    repeatabilityUm: 1,
  });
  return { vehicleId, jobId, setId: set.id };
}

// 2026-11-27: of 144 values that were written over, 59 were in the history.
test('of many who write at one empty place, every value but the last is in the history', async () => {
  const values = Array.from({ length: 12 }, (_, i) => i + 1);
  for (let round = 0; round < 6; round += 1) {
    const { setId } = await newSet();
    // All connections there are: whoever waits for one writes late.
    await Promise.all(values.map(() => handle.db.execute(sql`select pg_sleep(0.02)`)));
    await Promise.all(
      values.map((valueUm) =>
        writeReadings(handle.db, setId, [
          { lap: 0, position: 1, valueUm, text: `${valueUm} um`, unit: 'um' },
        ]),
      ),
    );
    const stands = (await findSetFile(handle.db, setId))!.readings.map(({ valueUm }) => valueUm);
    const before = await handle.db
      .select()
      .from(readingChanges)
      .where(eq(readingChanges.setId, setId));
    const all = [...before.map(({ valueUm }) => valueUm), ...stands];
    expect(all.sort((p, q) => p - q)).toEqual(values);
  }
});

// A folder is the embedded engine’s own: a server has none.
if (!serverForTests()) {
  test('a second start on the same folder is refused in words that name it', async () => {
    await expect(openDatabase({ folder })).rejects.toThrow(folder);
  });

  test('a commit reaches the disk: the engine calls fsync', async () => {
    const calls = jest.spyOn(fs, 'fsyncSync');
    const { setId } = await newSet();
    const before = calls.mock.calls.length;
    await writeReadings(handle.db, setId, [
      { lap: 0, position: 0, valueUm: 12, text: '0.012', unit: 'mm' },
    ]);
    expect(calls.mock.calls.length).toBeGreaterThan(before);
    calls.mockRestore();
  });
}

test('a reading is written over and taken back; text stays as typed', async () => {
  const { setId } = await newSet();
  const write = (text: string, valueUm: number) =>
    writeReadings(handle.db, setId, [{ lap: 0, position: 2, valueUm, text, unit: 'in' }]);
  await write('.0005"', 12.7);
  await write('.001"', 25.4);
  const [reading] = (await findSetFile(handle.db, setId))!.readings;
  expect(reading).toMatchObject({ text: '.001"', valueUm: 25.4, unit: 'in' });
  await writeReadings(handle.db, setId, [{ lap: 0, position: 2, valueUm: null }]);
  expect((await findSetFile(handle.db, setId))!.readings).toEqual([]);
});

test('of several readings all are written or none', async () => {
  const { setId } = await newSet();
  const good = { lap: 0, position: 0, valueUm: 1, text: '1', unit: 'um' };
  const bad = { ...good, position: 1, text: null as unknown as string };
  await expect(writeReadings(handle.db, setId, [good, bad])).rejects.toThrow();
  expect((await findSetFile(handle.db, setId))!.readings).toEqual([]);
});

test('a job carries its vehicle, corners, sets and decisions', async () => {
  const { jobId } = await newSet();
  const decision = {
    jobId,
    corner: 'FL' as const,
    shift: 2,
    words: 'Move.',
    action: 'index',
    detail: null,
  };
  await saveDecisions(handle.db, [{ ...decision, correction: 'index' }]);
  await saveDecisions(handle.db, [{ ...decision, correction: 'hub', words: 'Clean.' }]);
  const file = (await findJob(handle.db, jobId))!;
  expect(file.corners).toEqual(['FL', 'FR']);
  expect(file.vehicle.axles.map(({ position }) => position)).toEqual(['front', 'rear']);
  expect(file.vehicle.axles[0]!.limits[0]).toMatchObject({ kind: 'discard', valueUm: 26_000 });
  expect(file.sets).toHaveLength(1);
  expect(file.decisions).toMatchObject([{ correction: 'hub', words: 'Clean.' }]);
});

test('a corner with readings stays when the corners are changed', async () => {
  const { jobId } = await newSet();
  await updateComplaint(handle.db, jobId, { complaint: 'x', odometerKm: 5, corners: ['RR'] });
  expect((await findJob(handle.db, jobId))!.corners).toEqual(['FL', 'RR']);
});

test('a vehicle is written over with its figures', async () => {
  const { vehicleId, jobId } = await newSet();
  await updateVehicle(handle.db, vehicleId, {
    ...VEHICLE,
    plate: `SK-${Math.random()}`,
    axles: [{ ...axle('front'), studs: 6, limits: [] }],
  });
  const front = (await findJob(handle.db, jobId))!.vehicle.axles[0]!;
  expect(front).toMatchObject({ studs: 6, limits: [] });
});

test('closed jobs leave the list of open ones', async () => {
  const { jobId } = await newSet();
  const { total } = await listOpenJobs(handle.db, 1);
  const sign = {
    ...{ closedAt: new Date(), confirmedCause: null, signedBy: 'Ines' },
    signedWith: { open: [], reason: null },
    signedAs: { axles: [], torque: [], rules: null, shop: null },
  };
  expect(await signJob(handle.db, jobId, sign)).toBe(true);
  expect(await signJob(handle.db, jobId, sign)).toBe(false);
  expect((await listOpenJobs(handle.db, 1)).total).toBe(total - 1);
});

test('a folder made by a newer version is refused and not changed', async () => {
  const other = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-new-'));
  writeFolderVersion(other, { when: 9e15, tag: 'from the future' });
  await expect(openDatabase({ folder: other })).rejects.toThrow(/newer version/);
  expect(fs.readdirSync(other).filter((name) => name !== 'lock')).toEqual(['version.json']);
  fs.rmSync(other, { recursive: true, force: true });
});

test('an older folder is copied before it is migrated', async () => {
  const other = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-old-'));
  await (await openDatabase({ folder: other })).close();
  const known = folderVersion(other)!;
  writeFolderVersion(other, { when: known.when - 1, tag: 'before' });
  await (await openDatabase({ folder: other })).close();
  expect(folderVersion(other)).toEqual(known);
  const [copy] = fs.readdirSync(path.join(other, 'copies'));
  expect(fs.existsSync(path.join(other, 'copies', copy!, 'pg', 'PG_VERSION'))).toBe(true);
  fs.rmSync(other, { recursive: true, force: true });
});

test('a migration that was released is as it was released: it is never run again where it was', () => {
  const folderOf = path.join(process.cwd(), 'src/db/migrations');
  const released = JSON.parse(
    fs.readFileSync(path.join(__dirname, 'landedMigrations.json'), 'utf8'),
  ) as Record<string, string>;
  const now = Object.keys(released).map((name) => [
    name,
    createHash('sha256')
      .update(fs.readFileSync(path.join(folderOf, name)))
      .digest('hex'),
  ]);
  expect(Object.fromEntries(now)).toEqual(released);
});

test('the database is never opened during a build', () => {
  process.env.NEXT_PHASE = 'phase-production-build';
  expect(() => openDatabase({ folder })).toThrow(/build/);
  delete process.env.NEXT_PHASE;
});
