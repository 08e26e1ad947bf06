import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { readDial } from '@/core/bench';
import { findState, judgeFind, truthShares, writeCode } from '@/core/practice';
import {
  actionsOfJob,
  benchOfJob,
  carOfPlate,
  carStands,
  cornerOfJob,
  isCuredByMetal,
  leftAt,
} from '@/core/practiceJob';
import { seededRandom } from '@/core/numeric';
import type { Phase } from '@/core/job';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { linesSince, type PersonRow } from '@/db/repositories';
import { closeDatabase, database } from '@/server/database';
import { findQuickly } from '@/server/records/find';
import { openJobs } from '@/server/job/jobs';
import { noseInPractice } from '@/server/practice/car';
import { beginOnStages, carOnStages } from '@/server/practice/stages';
import { addPerson, allPeople } from '@/server/shop/people';
import { chooseUnits, shopUnits } from '@/server/shop/settings';
import { vehiclesPage } from '@/server/shop/vehicles';
import { isPractice, withStore } from '@/server/store';
import { ask, done, ids, jobOf, pumped, threePeople, tick, together } from '../support/wholeJob';
import { known } from './known';
import { useRecords } from './demo';

/** A whole car of practice on the stages of a job: records of its own, and a truth behind its gauges. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-stages-'));
beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

/** Of its rotor, front left. */
const ROTOR = 'FB-0000B';
const inPractice = <Value>(work: () => Promise<Value>): Promise<Value> =>
  withStore('practice', work);
const idIn = (page: string): string => page.split('/')[2]!;
const WREN = { name: 'Wren', role: 'apprentice', initials: '', isHere: true } as const;
const wren = () => ({ ...WREN, id: ids.apprentice });
const begin = async (code: string, who: PersonRow | null = wren()): Promise<string> =>
  idIn(known(await beginOnStages({ code }, who)));
const carOf = (id: string) => carOnStages(id, wren());

/** Reads a lap of runout of a corner as its gauge shows it. */
async function readLap(jobId: string, phase: Phase, shift = 0): Promise<void> {
  const job = await jobOf(jobId);
  const own = carOfPlate(job.vehicle.plate)!;
  const { corner } = benchOfJob(own, job, own.corner, phase);
  const id = crypto.randomUUID();
  const plan = { kind: 'runout', positions: 12, shift, face: 'outboard', gaugeId: null };
  const rest = { torqueNm: null, endPlayUm: null, angles: null, left: [] };
  await done('set-begin', { id, jobId, phase, corner: own.corner, ...plan, ...rest });
  const run = { shift, positions: 12, laps: 1, gauge: WORKSHOP_DEFAULTS.dialIndicator };
  const { laps, closing } = readDial(corner, run, seededRandom(3));
  for (const [position, um] of [...laps[0]!, ...closing].entries()) {
    const text = (um / 1000).toFixed(3);
    await done('reading', { setId: id, lap: 0, position, text, unit: 'mm', was: null });
  }
}

test('a car comes in where no record of the shop is touched, with the shop’s people and units', async () => {
  known(await chooseUnits('thou'));
  const page = known(await beginOnStages({ code: ROTOR }, wren()));
  expect(page).toMatch(/^\/jobs\/[0-9a-f-]{36}\/complaint$/);
  expect((await openJobs(1)).total).toBe(0);
  expect((await vehiclesPage('', 1)).vehicles).toEqual([]);
  expect(await findQuickly(ROTOR)).toEqual([]);
  expect(await carOf(crypto.randomUUID())).toBeNull();
  await inPractice(async () => {
    expect(isPractice()).toBe(true);
    const job = await jobOf(idIn(page));
    expect(job.vehicle.plate).toBe(ROTOR);
    expect(job.corners).toEqual(['FL', 'FR']);
    expect(job.complaint).not.toBe('');
    expect((await allPeople()).map(({ id }) => id).sort()).toEqual(Object.values(ids).sort());
    expect(await shopUnits()).toBe('thou');
  });
  expect(isPractice()).toBe(false);
  // Its own folder, its own lock: a copy of the shop's records is made of what lies beside it.
  expect(fs.existsSync(path.join(folder, 'practice', 'pg'))).toBe(true);
});

test('who goes there again finds the job that they have open; another gets a car of their own', async () => {
  const own = await begin(ROTOR);
  expect(await begin(ROTOR)).toBe(own);
  const other = await begin(ROTOR, null);
  expect(other).not.toBe(own);
  const [first, second] = await inPractice(() => Promise.all([jobOf(own), jobOf(other)]));
  expect([first.vehicle.plate, second.vehicle.plate]).toEqual([ROTOR, `${ROTOR}/2`]);
  // Nobody looks at a car that somebody else works.
  expect(await carOnStages(own, { id: ids.technician })).toBeNull();
  expect(await carOnStages(other, { id: ids.technician })).toMatchObject({ code: ROTOR });
});

test('who brings it in is in its history; a name that was taken there meanwhile is given up', async () => {
  await inPractice(async () => {
    known(await addPerson({ name: 'Oto', role: 'technician' }));
  });
  known(await addPerson({ name: 'Oto', role: 'lead' }));
  const id = await begin('FB-0003S');
  await inPractice(async () => {
    const lines = await linesSince(await database(), { of: 'job', id }, { seq: 0, most: 50 });
    expect(lines.map(({ who }) => who)).toContain('Wren');
    expect((await allPeople()).filter(({ name }) => name === 'Oto')).toMatchObject([
      { role: 'lead' },
    ]);
  });
});

test('only a whole car is worked on the stages', async () => {
  for (const code of ['RD-7K3Q0', 'nothing', 7]) {
    expect(await beginOnStages({ code }, null)).toMatchObject({ ok: false });
  }
});

test('a transaction of the shop that goes there does not take the records of practice for its own', async () => {
  const shop = await database();
  await inPractice(async () => expect(await database()).not.toBe(shop));
});

test('what is asked, read and done counts as what it truly did', async () => {
  const id = await begin(ROTOR);
  await inPractice(async () => {
    const own = carOfPlate(ROTOR)!;
    await done('finding', { jobId: id, code: 'pedal-feel', corner: null, value: 'firm' });
    await done('finding', { jobId: id, code: 'noise', corner: null, value: 'none' });
    await readLap(id, 'before');
    const first = actionsOfJob(own, await jobOf(id));
    expect(first.map(({ kind }) => kind)).toEqual(['check', 'check', 'read', 'back']);
    const [, , read] = first;
    expect(read).toMatchObject({ found: [{ code: 'runout' }, { code: 'nut-pull' }] });
    expect(findState(own, first)).toMatchObject({ isCured: false, harm: null });

    await done('decide', { jobId: id, corner: own.corner, action: 'new' });
    await tick(id, `correct/${own.corner}/done`, 'done');
    const job = await jobOf(id);
    expect(truthShares(own.bench).runout).toBeGreaterThan(2);
    expect(truthShares(cornerOfJob(own, job, own.corner, 'after')).runout).toBeLessThan(1);
    const second = actionsOfJob(own, job);
    expect(second).toContainEqual({ kind: 'decide', action: 'new', isRight: true });
    // Cured, and given back with a pedal that nobody pumped.
    expect(findState(own, second)).toMatchObject({ isCured: true, harm: 'back-pedal' });
    await together(id);
    await pumped(id);
    const third = actionsOfJob(own, await jobOf(id));
    expect(judgeFind(own, third)).toMatchObject({ isRight: true, isHarm: false });
  });
  const car = await carOf(id);
  expect(car).toMatchObject({ code: ROTOR, isSigned: false });
  expect(car!.left.runout).toBeLessThan(1);
});

test('a rotor that is left as it is cures nothing, and a seat cleaned elsewhere neither', async () => {
  const id = await begin('FB-00018');
  await inPractice(async () => {
    const own = carOfPlate('FB-00018')!;
    await readLap(id, 'before');
    await done('decide', { jobId: id, corner: own.corner, action: 'leave' });
    expect(findState(own, actionsOfJob(own, await jobOf(id))).isCured).toBe(false);
  });
});

test.each([
  ['FB-00018', 'index', false],
  ['FB-00018', 'new', true],
  ['FB-00016', 'clean', true],
  ['FB-00016', 'leave', false],
] as const)('%s: %s puts it right: %s', async (code, action, isRight) => {
  const own = carOfPlate(code)!;
  const decision = { corner: own.corner, action, shift: 0, detail: null, decidedAt: new Date(0) };
  const job = (checks: readonly object[]) => ({
    ...{ findings: [], sets: [], checks, roadTests: [], corners: [own.corner] },
    decisions: [{ ...decision, correction: action === 'leave' ? 'leave' : 'replace', words: '' }],
  });
  const done = { kind: 'correct', place: own.corner, item: 'done', value: 'done' };
  expect(isCuredByMetal(own, job([done]) as never)).toBe(isRight);
  // What was decided and not done puts nothing right.
  expect(isCuredByMetal(own, job([]) as never)).toBe(false);
});

test('what is put right beside the rotors counts once it is ticked, at its own corner', async () => {
  const code = 'FB-0003N';
  const id = await begin(code);
  await inPractice(async () => {
    const own = carOfPlate(code)!;
    const other = own.corner === 'FL' ? 'FR' : 'FL';
    const repair = async (place: string): Promise<void> => {
      await tick(id, `repair/${place}/stuck-pins`, 'here');
      await tick(id, `repaired/${place}/stuck-pins`, 'done', 'new pins, greased');
    };
    const isCured = async () => findState(own, actionsOfJob(own, await jobOf(id))).isCured;
    await repair(other);
    expect(await isCured()).toBe(false);
    await repair(own.corner);
    expect(await isCured()).toBe(true);
  });
});

test('a seat that is cleaned, or read as cleaned, is put right; so are nuts that are drawn up', async () => {
  const id = await begin('FB-00016');
  await inPractice(async () => {
    const own = carOfPlate('FB-00016')!;
    const stands = async () => carStands(own, await jobOf(id), 0);
    const runout = async (): Promise<number> => leftAt(own, await jobOf(id)).runout;
    await readLap(id, 'as-found');
    expect([(await stands()).isCured, (await runout()) > 1.5]).toEqual([false, true]);
    await readLap(id, 'before');
    expect([(await stands()).isCured, (await runout()) < 1]).toEqual([true, true]);
  });
  const nuts = carOfPlate('FB-00013')!;
  const job = (checks: readonly object[]) =>
    ({ findings: [], sets: [], checks, roadTests: [], corners: ['FL'], decisions: [] }) as never;
  expect(leftAt(nuts, job([])).runout).toBeGreaterThan(1.5);
  const pulled = { kind: 'torque', place: 'FL', item: 'wheel-nuts', value: { text: '120' } };
  expect(leftAt(nuts, job([pulled])).runout).toBeLessThan(1);
});

test('work that is right cures, whatever else was done wrong', async () => {
  // A car that must not be driven, and is driven before anybody asked how its pedal is.
  const driven = { kind: 'check', code: 'felt-order' } as const;
  const own = Array.from({ length: 2000 }, (_, seed) =>
    carOfPlate(writeCode({ level: 'find', subject: 'both', seed }))!,
  ).find((car) => car.cause.work.length > 0 && findState(car, [driven]).harm !== null)!;
  const id = await begin(own.code);
  await inPractice(async () => {
    await done('finding', { jobId: id, code: driven.code, corner: null, value: 'none' });
    await tick(id, `repair/${own.place ?? ''}/${own.cause.code}`, 'here');
    await tick(id, `repaired/${own.place ?? ''}/${own.cause.code}`, 'done', 'as it should be');
    const job = await jobOf(id);
    expect(findState(own, actionsOfJob(own, job)).harm).toBe('not-asked');
    expect(carStands(own, job, 0).isCured).toBe(true);
  });
});

test('the nose is left off, and asked once it is seen until something is written down', async () => {
  const id = await begin('FB-0002C');
  expect(await ask('practice-nose', { jobId: id, how: 'off' }, 'apprentice')).toMatch(/^Only in/);
  await inPractice(async () => {
    const nose = async () => noseInPractice(await jobOf(id));
    expect(await nose()).toMatchObject({ isOn: true, isSeen: true });
    await done('practice-nose', { jobId: id, how: 'off' });
    expect(await nose()).toMatchObject({ isOn: false, isSeen: false, asked: 0 });
    await done('practice-nose', { jobId: id, how: 'once' });
    expect(await nose()).toMatchObject({ isOn: false, isSeen: true, asked: 1 });
    await done('finding', { jobId: id, code: 'noise', corner: null, value: 'none' });
    expect(await nose()).toMatchObject({ isSeen: false, asked: 1 });
  });
  const { actions } = (await carOf(id))!;
  expect(actions.filter(({ kind }) => kind === 'nose')).toHaveLength(1);
});

test('what was written otherwise than it was is told', async () => {
  const own = carOfPlate('FB-00022')!;
  const truth = own.shows.find(({ code }) => code === 'felt')!.value;
  const written = truth === 'pedal' ? 'steering' : 'pedal';
  const id = await begin(own.code);
  await inPractice(async () => {
    await done('finding', { jobId: id, code: 'felt', corner: null, value: written });
  });
  expect((await carOf(id))!.otherwise).toEqual([{ code: 'felt', written }]);
});
