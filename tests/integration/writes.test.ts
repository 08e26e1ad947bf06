import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import { VEHICLES } from '@/cli/demo/vehicles';
import { deviceWrites, jobs } from '@/db/schema';
import { accept, refuse, type Answer } from '@/server/answer';
import { closeDatabase, database, inTransaction } from '@/server/database';
import { loadJob, openJob } from '@/server/job/jobs';
import { beginSet } from '@/server/measure/sets';
import { addPerson } from '@/server/shop/people';
import { saveVehicle } from '@/server/shop/vehicles';
import { USE_CASE_NAMES } from '@/server/writes/useCases';
import { numbered, sendWrite, sendWrites } from '../support/writes';
import { known } from './known';
import { useRecords } from './demo';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-writes-'));
const OTHER_DEVICE = '00000000-0000-4000-8000-0000000000d2';
let jobId = '';
let setId = '';
let who = '';

beforeAll(async () => {
  await useRecords(folder);
  const vehicleId = known(await saveVehicle(null, VEHICLES.bakery));
  jobId = known(await openJob({ vehicleId, complaint: 'x', odometerKm: '', corners: ['FL'] }));
  who = known(await addPerson({ name: 'Tobiah', role: 'technician' }));
  setId = known(
    await beginSet({
      ...{ jobId, corner: 'FL', kind: 'runout', phase: 'before', face: 'outboard' },
      ...{ positions: 8, shift: 0 },
    }),
  ).id;
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const reading = (position: number, text: string | null, was?: string | null) => ({
  ...{ setId, lap: 0, position, text, unit: 'mm' },
  ...(was === undefined ? {} : { was }),
});
const at = async (position: number): Promise<string | undefined> =>
  (await loadJob(jobId))!.sets
    .find(({ id }) => id === setId)!
    .readings.find((each) => each.position === position)?.text;
const write = (position: number, text: string, was?: string | null) =>
  numbered('reading', reading(position, text, was), { place: `reading ${setId} ${position}` });

// 2026-11-27: a batch was written all or none, so one bad reading kept the good ones off the disk.
test('of several writes each stands for itself: one that is refused keeps none back', async () => {
  const results = await sendWrites([write(0, '0.010'), write(1, '99'), write(2, '0.030')]);
  expect(results.map(({ state }) => state)).toEqual(['done', 'refused', 'done']);
  expect(results[1]).toMatchObject({ fields: { text: expect.stringMatching(/99/) as string } });
  expect([await at(0), await at(1), await at(2)]).toEqual(['0.010', undefined, '0.030']);
});

test('sent twice it is done once and answered alike; an older one never lands on a newer', async () => {
  const [older, newer] = [write(3, '0.010'), write(3, '0.012')];
  const [first] = await sendWrites([newer]);
  expect(await sendWrites([newer])).toEqual([first]);
  expect(await sendWrites([older])).toMatchObject([{ state: 'done' }]);
  expect(await at(3)).toBe('0.012');
});

test('a device is told of what another wrote, not of its own; the later one chooses', async () => {
  await sendWrites([write(4, '0.010', null)]);
  // The screen still shows nothing there: what it did itself it knows.
  expect(await sendWrites([write(4, '0.011', null)])).toMatchObject([{ state: 'done' }]);
  const theirs = await sendWrites([write(4, '0.020', null)], OTHER_DEVICE);
  expect(theirs).toMatchObject([
    { state: 'conflict', value: { kept: false, theirs: { text: '0.011' } } },
  ]);
  expect(await at(4)).toBe('0.011');
  expect(await sendWrites([write(4, '0.020', '0.011')], OTHER_DEVICE)).toMatchObject([
    { state: 'done' },
  ]);
  expect(await at(4)).toBe('0.020');
});

test('a check over the stamp of the same device needs no page in between', async () => {
  const check = (value: unknown) =>
    numbered(
      'check',
      { jobId, kind: 'look', place: 'FL', item: 'hose', value, note: 'looked again', seen: null },
      { place: 'hose', by: who },
    );
  expect(await sendWrites([check(['bulged']), check([]), check(['old'])])).toMatchObject([
    { state: 'done' },
    { state: 'done' },
    { state: 'done' },
  ]);
  const [met] = await sendWrites([check([])], OTHER_DEVICE);
  expect(met).toMatchObject({ state: 'conflict', value: { theirs: { value: ['old'] } } });
  const stands = (await loadJob(jobId))!.checks.find(({ item }) => item === 'hose');
  expect(stands).toMatchObject({ value: ['old'], by: 'Tobiah' });
});

test('sets, jobs and parts that are made twice under one id are one', async () => {
  const id = crypto.randomUUID();
  const set = {
    ...{ id, jobId, corner: 'FL', kind: 'thickness', phase: 'before', face: 'outboard' },
    ...{ positions: 8, shift: 0 },
  };
  await sendWrite('set-begin', set);
  expect(await sendWrite('set-begin', set)).toMatchObject({ state: 'done', value: { id } });
  const part = {
    ...{ id: crypto.randomUUID(), jobId, corner: 'FL', kind: null, name: 'Clip', fate: 'reuse' },
    ...{ place: '', orientation: '', mark: '' },
  };
  await sendWrite('part-off', part);
  await sendWrite('part-off', part);
  const { sets, tray, vehicle } = (await loadJob(jobId))!;
  expect(sets.filter((each) => each.id === id)).toHaveLength(1);
  expect(tray).toHaveLength(1);
  const job = {
    ...{ id: crypto.randomUUID(), vehicleId: vehicle.id, complaint: 'once' },
    ...{ odometerKm: '', corners: ['FL'] },
  };
  await sendWrite('job', job);
  expect(await sendWrite('job', job)).toMatchObject({ state: 'done', value: job.id });
  const db = await database();
  expect(await db.select().from(jobs).where(eq(jobs.complaint, 'once'))).toHaveLength(1);
  // A lap that is asked for by one who saw so many is added once.
  await sendWrite('set-lap', { setId: id, has: 1 });
  await sendWrite('set-lap', { setId: id, has: 1 });
  expect((await loadJob(jobId))!.sets.find((each) => each.id === id)!.laps).toBe(2);
});

test('what nobody can do is refused in words, and a number is written down only for what is done', async () => {
  expect(await sendWrite('fly', {})).toMatchObject({ state: 'refused' });
  expect(await sendWrite('constructor', {})).toMatchObject({ state: 'refused' });
  const refused = numbered('reading', reading(1, 'x'), { place: 'never' });
  await sendWrites([refused]);
  const db = await database();
  expect(await db.select().from(deviceWrites).where(eq(deviceWrites.place, 'never'))).toEqual([]);
  for (const name of USE_CASE_NAMES) {
    expect(await sendWrite(name, { nonsense: true })).toMatchObject({ state: 'refused' });
  }
});

// 2026-11-27: the drill sent one; the server answered that it was in trouble, and the device sent it for ever.
test('a change of a set that changes nothing is taken, not trouble', async () => {
  expect(await sendWrite('set-details', { setId })).toMatchObject({ state: 'done' });
});

describe('parts of one whole', () => {
  const note = (complaint: string): Promise<Answer<string>> =>
    inTransaction(async (tx) => {
      await tx.update(jobs).set({ complaint }).where(eq(jobs.id, jobId));
      return complaint === 'no' ? refuse('Not that.') : accept(complaint);
    });
  const noted = async (): Promise<string | undefined> => (await loadJob(jobId))?.complaint;

  test('what a part refuses is what the whole answers, and nothing of it stands', async () => {
    expect(await inTransaction(() => note('one'), { isWhole: true })).toEqual(accept('one'));
    const two = await inTransaction(
      async () => {
        const first = await note('two');
        return first.ok ? note('no') : first;
      },
      { isWhole: true },
    );
    expect(two).toMatchObject({ ok: false, message: 'Not that.' });
    expect(await noted()).toBe('one');
  });
  test('where it goes on after a part that refused, that part alone is undone', async () => {
    let times = 0;
    const whole = await inTransaction(
      async () => {
        times += 1;
        await note('three');
        await note('no');
        return accept('went on');
      },
      { isWhole: true },
    );
    expect([whole, times, await noted()]).toEqual([accept('went on'), 2, 'three']);
  });
});
