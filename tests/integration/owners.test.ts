import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { approvalOf, isWithinGuarantee, sayGuarantee, sayPromise } from '@/core/job';
import { closeDatabase, database } from '@/server/database';
import { makeArchive } from '@/server/records/archive';
import { dueList } from '@/server/records/due';
import { startLine } from '@/server/records/startLine';
import { ownerReport } from '@/server/report/owner';
import { ownerOf } from '@/server/shop/owners';
import { useRecords } from './demo';
import { numbered, sendWrites } from '../support/writes';
import {
  ask,
  done,
  ids,
  jobOf,
  newJob,
  newVehicle,
  sign,
  threePeople,
  tick,
} from '../support/wholeJob';

/** Who brings a vehicle, and what was promised to them. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-owners-'));
const NAME = 'The baker of the quay';
const REACH = 'ring the bell twice';
let vehicleId = '';
let jobId = '';
beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
  vehicleId = (await newVehicle()).id;
  jobId = await newJob(vehicleId);
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const everythingWritten = async (): Promise<string> => {
  const db = await database();
  const rows = [
    await db.query.ledger.findMany(),
    await db.query.deviceWrites.findMany(),
    await db.query.settings.findMany(),
  ];
  return JSON.stringify(rows, (_, value: unknown) =>
    typeof value === 'bigint' ? String(value) : value,
  );
};

test('an owner stands on the vehicle and on what is due, in no archive and in no line of the history', async () => {
  expect(await ownerOf(vehicleId)).toBeNull();
  expect(await ask('owner', { vehicleId, name: NAME, reach: REACH }, 'apprentice')).toMatch(
    /a technician or a lead/,
  );
  await done('owner', { vehicleId, name: NAME, reach: REACH });
  expect(await ownerOf(vehicleId)).toMatchObject({ name: NAME, reach: REACH });
  await done('recheck', { jobId, what: 'wheel-nuts', afterKm: null, on: '2031-01-02' });
  expect((await dueList())[0]?.owner).toBe(`${NAME}, ${REACH}`);
  const written = await everythingWritten();
  expect(written).not.toContain(NAME);
  expect(written).toContain('"what":"owner"');
  expect(JSON.stringify(await makeArchive({ kind: 'all' }))).not.toContain(NAME);
});

test('the one line finds a vehicle by the name of who brings it, and says no name unasked', async () => {
  const [found] = (await startLine('baker quay')).vehicles;
  expect(found).toMatchObject({ id: vehicleId, owner: NAME });
  const plate = found?.plate ?? '';
  expect((await startLine(plate)).vehicles).toMatchObject([{ id: vehicleId, owner: null }]);
  expect((await startLine('%')).vehicles).toEqual([]);
});

test('two screens at one owner: what another wrote is not written over unseen', async () => {
  const unseen = numbered('owner', { vehicleId, name: 'x', reach: 'y' }, { seen: 0, by: ids.lead });
  const [result] = await sendWrites([unseen]);
  expect(result?.state).toBe('conflict');
  expect(await ownerOf(vehicleId)).toMatchObject({ name: NAME });
});

test('a name under what was agreed goes with the owner, and is in no line of the history', async () => {
  const { id } = await newVehicle();
  const own = await newJob(id);
  await done('owner', { vehicleId: id, name: 'The vintner', reach: 'at the press' });
  const agreed = { how: 'telephone', chosen: 'New rotors.', upTo: 300, currency: 'crowns' };
  await tick(own, 'estimate//approval', { ...agreed, name: 'the Vintner' });
  const name = async () => approvalOf(await jobOf(own))?.value.name;
  expect(await name()).toBe('the Vintner');
  expect((await everythingWritten()).toLowerCase()).not.toContain('vintner');
  expect(await everythingWritten()).toContain('New rotors.');
  await done('owner', { vehicleId: id, name: '', reach: '' });
  expect(await name()).toBe('the owner');
  expect(approvalOf(await jobOf(own))?.value).toMatchObject(agreed);
  expect(JSON.stringify(await makeArchive({ kind: 'all' })).toLowerCase()).not.toContain('vintner');
});

test('erased it is nowhere, and a line says so', async () => {
  await done('owner', { vehicleId, name: '', reach: ' ' });
  expect(await ownerOf(vehicleId)).toBeNull();
  expect((await startLine('baker quay')).vehicles).toEqual([]);
  expect((await dueList())[0]?.owner ?? null).toBeNull();
  expect(await everythingWritten()).toContain('owner erased');
});

test('what was promised is on the report, and a comeback within it is offered', async () => {
  expect(await ask('check', promise(null, null), 'technician')).toMatch(/months or km/);
  await tick(jobId, 'promise//guarantee', { months: 12, km: 20_000 });
  const say = sayPromise(await jobOf(jobId));
  expect(say).toBe('We stand for this work for 12 months or 20,000 km, whichever comes first.');
  expect(ownerReport(await jobOf(jobId), 'mm').due).toContain(say);
  await tick(jobId, 'look/FL/hose', []);
  expect(await sign(jobId)).toBeNull();
  const { plate } = (await jobOf(jobId)).vehicle;
  expect((await startLine(plate)).vehicles[0]?.guaranteed).toMatchObject({ id: jobId });
});

const promise = (months: number | null, km: number | null) => ({
  ...{ jobId, kind: 'promise', place: '', item: 'guarantee' },
  ...{ value: { months, km }, note: null, seen: null },
});

test.each([
  [{ months: 12, km: null }, '2026-01-31', '2027-01-31', null, true],
  [{ months: 12, km: null }, '2026-01-31', '2027-02-01', null, false],
  [{ months: null, km: 10_000 }, '2026-01-31', '2030-01-31', 60_000, true],
  [{ months: null, km: 10_000 }, '2026-01-31', '2026-02-01', 60_001, false],
  [{ months: 24, km: 10_000 }, '2026-01-31', '2026-02-01', null, true],
] as const)('a guarantee of %j from %s holds on %s at %s km: %s', (value, from, on, km, holds) => {
  const signed = { at: new Date(from), km: 50_000 };
  expect(isWithinGuarantee(value, signed, { at: new Date(on), km })).toBe(holds);
  expect(sayGuarantee(value)).toMatch(/months|km/);
});
