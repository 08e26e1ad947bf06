import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import {
  findCheck,
  inspectionAt,
  isPutRight,
  offTheRoad,
  outcomeOf,
  proveNext,
  REPAIRED_BESIDE,
  signOffOf,
  stagesOf,
} from '@/core/job';
import { KNOWLEDGE, readShop } from '@/core/contracts';
import { NEW_SHOP } from '@/core/options';
import { closeDatabase } from '@/server/database';
import { repairViews, sayTakes } from '@/server/decide/repairsView';
import { fileReport } from '@/server/report/file';
import { ownerReport } from '@/server/report/owner';
import { useRecords } from './demo';
import { ask, checkInput, jobOf, newJob, newVehicle, sign, threePeople } from '../support/wholeJob';

/** A source beside the rotors: decided, put right or referred, proven, and told in both reports. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-sources-'));
beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const write = async (
  jobId: string,
  key: string,
  value: unknown,
  note: string | null = null,
  role: 'technician' | 'apprentice' = 'technician',
): Promise<string | null> => ask('check', { ...(await checkInput(jobId, key, value)), note }, role);

const begin = async (): Promise<string> => newJob((await newVehicle()).id);
const stageAt = async (jobId: string, key: string): Promise<string | undefined> =>
  stagesOf(await jobOf(jobId)).find((stage) => stage.key === key)?.state;

test('a wheel out of balance is put right here: decided, ticked with what was done, driven, signed', async () => {
  const jobId = await begin();
  expect(await write(jobId, 'repaired//tyre-wheel', 'done', 'balanced')).toMatch(/Decide first/);
  expect(await write(jobId, 'repair//tyre-wheel', 'here', null, 'apprentice')).toMatch(
    /a technician or a lead does this/,
  );
  expect(await write(jobId, 'repair//tyre-wheel', 'here')).toBeNull();
  expect(await stageAt(jobId, 'decide')).toBe('done');
  expect(await stageAt(jobId, 'measure')).toBe('left-out');
  expect(await stageAt(jobId, 'correct')).toBe('open');
  const open = signOffOf(await jobOf(jobId)).open.map(({ say }) => say);
  expect(open).toContainEqual(expect.stringMatching(/Tyre or wheel.*not ticked as done/));
  expect(await write(jobId, 'repaired//tyre-wheel', 'done')).toMatch(/Say why/);
  const did = 'all four balanced, front left 35 g';
  expect(await write(jobId, 'repaired//tyre-wheel', 'done', did)).toBeNull();
  for (const value of [null, 'referred']) {
    expect(await write(jobId, 'repair//tyre-wheel', value, 'why')).toMatch(/take that back first/);
  }
});

test('what was put right counts when it was driven; both reports tell it', async () => {
  const jobId = await begin();
  await write(jobId, 'repair//tyre-wheel', 'here');
  await write(jobId, 'repaired//tyre-wheel', 'done', 'all four balanced');
  expect(outcomeOf(await jobOf(jobId))?.state).toBe('not-proven');
  const feel = (wheel: number) => ({ wheel, pedal: 0, seat: 0 });
  expect(await write(jobId, 'prove//feel-before', feel(3))).toBeNull();
  expect(await write(jobId, 'prove//feel-after', feel(0))).toBeNull();
  expect(outcomeOf(await jobOf(jobId))?.state).toBe('cured');
  expect(await stageAt(jobId, 'correct')).toBe('done');
  expect(await sign(jobId)).toBeNull();
  const job = await jobOf(jobId);
  const owner = ownerReport(job, 'mm');
  expect(owner.found.join(' ')).toContain('The shake comes from a tyre or wheel');
  expect(owner.done.join(' ')).toContain('all four balanced');
  expect(owner.verdict?.state).toBe('cured');
  expect(JSON.stringify(fileReport(job, 'mm'))).toContain('all four balanced');
});

test('a cause outside the brakes closes as found, told and referred, and is no cure', async () => {
  const jobId = await begin();
  expect(await write(jobId, 'repair//driveline', 'referred')).toMatch(/Say why/);
  const toWhom = 'To the shaft shop at the quay; owner told by telephone';
  expect(await write(jobId, 'repair//driveline', 'referred', toWhom)).toBeNull();
  const outcome = outcomeOf(await jobOf(jobId));
  expect(outcome).toMatchObject({ state: 'referred', left: [] });
  expect(outcome?.reasons[0]).toContain(toWhom);
  expect(await stageAt(jobId, 'prove')).toBe('done');
  expect(signOffOf(await jobOf(jobId)).open).toEqual([]);
  expect(await sign(jobId)).toBeNull();
  const owner = ownerReport(await jobOf(jobId), 'mm');
  expect(owner.verdict).toMatchObject({ state: 'referred' });
  expect(owner.found.join(' ')).toContain('The shake comes from the driveline');
  expect(owner.done.join(' ')).toContain(toWhom);
});

test('what goes elsewhere keeps a job that was worked on from being called cured', async () => {
  const jobId = await begin();
  await write(jobId, 'repair//driveline', 'referred', 'elsewhere');
  await write(jobId, 'repair/FL/stuck-pins', 'here');
  await write(jobId, 'repaired/FL/stuck-pins', 'done', 'pins cleaned and greased');
  await write(jobId, 'prove//feel-after', { wheel: 0, pedal: 0, seat: 0 });
  const outcome = outcomeOf(await jobOf(jobId));
  expect(outcome?.state).toBe('better');
  expect(outcome?.left.join(' ')).toMatch(/Driveline.*referred/);
});

test('what a reading or a spin must show is asked for, counts only since it was put right, and is told', async () => {
  const jobId = await begin();
  const open = async () => signOffOf(await jobOf(jobId)).open.map(({ say }) => say);
  const asked = 'FL: Stuck slide pins: what shows it is not written down.';
  await write(jobId, 'repair/FL/stuck-pins', 'here');
  // Before it is put right nothing can show it.
  await write(jobId, 'prove/FL/stuck-pins', 'shown', 'slid by hand');
  await write(jobId, 'repaired/FL/stuck-pins', 'done', 'pins cleaned and greased');
  expect((await open()).join(' ')).toContain(asked);
  expect(proveNext(await jobOf(jobId)).todo).toBe('Show it: FL: Stuck slide pins.');
  expect(await write(jobId, 'prove/FL/stuck-pins', 'shown')).toMatch(/Say why|few words/);
  await write(jobId, 'prove/FL/stuck-pins', 'not-shown', 'the lower one still binds');
  await write(jobId, 'prove//feel-after', { wheel: 0, pedal: 0, seat: 0 });
  expect(outcomeOf(await jobOf(jobId))).toMatchObject({
    state: 'better',
    left: [
      'FL: Stuck slide pins: it did not show that it is put right (the lower one still binds).',
    ],
  });
  await write(jobId, 'prove/FL/stuck-pins', 'shown', 'both slide, wheel spins free');
  expect((await open()).join(' ')).not.toContain('Stuck slide pins');
  expect(outcomeOf(await jobOf(jobId))?.state).toBe('cured');
  const { done } = ownerReport(await jobOf(jobId), 'mm');
  expect(done.join(' ')).toContain('Checked after it: both slide, wheel spins free.');
});

test('what belongs to the brakes is not referred, and is done before anybody signs', async () => {
  const jobId = await begin();
  for (const code of ['master-cylinder', 'loose-fixing', 'hose']) {
    expect(await write(jobId, `repair//${code}`, 'referred', 'elsewhere')).toMatch(
      /belongs to the brakes/,
    );
  }
  expect(await write(jobId, 'repair//master-cylinder', 'here')).toBeNull();
  const blocks = async () => signOffOf(await jobOf(jobId)).blocks.map(({ say }) => say);
  expect(await blocks()).toContainEqual(expect.stringMatching(/Master cylinder.*not ticked/));
  expect(await sign(jobId)).toMatch(/cannot be signed off/);
  expect(await write(jobId, 'repair//master-cylinder', null)).toBeNull();
  expect(await blocks()).toEqual([]);
});

test('every cause leads to a repair with its price and time: an option of a rotor, or an item of the list', async () => {
  const ofRotor = KNOWLEDGE.causes.filter(({ work }) => work.length === 0);
  expect(ofRotor.map(({ code }) => code).sort()).toEqual([
    ...['deposits', 'dtv-front', 'dtv-rear', 'heat-damage', 'hub-runout', 'rotor-runout'],
    ...['rust-under-hat', 'standing-corrosion', 'uneven-new-rotor'],
  ]);
  const job = await jobOf(await begin());
  for (const cause of REPAIRED_BESIDE) {
    expect(sayTakes(job, cause)).toMatch(/The shop’s list does not say/);
  }
  expect((await repairViews(job)).every(({ standing }) => standing === null)).toBe(true);
});

test('a list that was kept before an item was added still holds, the new item not said', () => {
  const { driveline: _new, ...items } = NEW_SHOP.prices.items;
  const old = { ...NEW_SHOP, prices: { ...NEW_SHOP.prices, currency: 'crowns', items } };
  const read = readShop(old);
  expect(read.prices.currency).toBe('crowns');
  expect(read.prices.items.driveline).toEqual({ parts: null, minutes: null, away: null });
});

// 2026-11-30: chatter seen after a cut stood in the report as not put right, and nothing said so where it was signed.
test('what was found wrong and is not put right stands open at the sign-off, once', async () => {
  const jobId = await begin();
  const open = async (): Promise<string[]> =>
    signOffOf(await jobOf(jobId))
      .open.map(({ say }) => say)
      .filter((say) => /found wrong/.test(say));
  await write(jobId, 'look/FL/pins', ['stuck']);
  // What keeps the vehicle off the road blocks, and says so there.
  await write(jobId, 'look/FL/hose', ['bulged']);
  expect(await open()).toEqual(['FL: found wrong, and not put right: slide pins (stuck).']);
  expect(
    signOffOf(await jobOf(jobId))
      .blocks.map(({ say }) => say)
      .join(' '),
  ).toMatch(/hose/i);
  await write(jobId, 'fixed/FL/pins', 'fixed', 'freed and greased');
  expect(await open()).toEqual([]);
});

test('what was seen of a source is put right with it, in its words, and taken back with it', async () => {
  const jobId = await begin();
  await write(jobId, 'look/FL/pins', ['stuck']);
  await write(jobId, 'look/FL/threads', ['loose', 'stripped']);
  await write(jobId, 'repair/FL/stuck-pins', 'here');
  await write(jobId, 'repair/FL/loose-fixing', 'here');
  const view = (await repairViews(await jobOf(jobId))).find(({ code }) => code === 'stuck-pins');
  expect(view?.settles).toBe('FL slide pins (stuck)');
  await write(jobId, 'repaired/FL/stuck-pins', 'done', 'pins freed and greased');
  // A stripped thread is more than a bolt that is drawn up.
  await write(jobId, 'repaired/FL/loose-fixing', 'done', 'drawn up to torque');
  const job = await jobOf(jobId);
  expect(isPutRight(job, 'FL', 'threads')).toBe(false);
  expect(offTheRoad(job).join(' ')).toMatch(/bolt/);
  expect(findCheck(job, 'fixed', 'FL', 'pins')).toMatchObject({ note: 'pins freed and greased' });
  const lines = inspectionAt(job, 'FL').wrong;
  expect(lines.map(({ putRight }) => putRight)).toContain('pins freed and greased');
  const done = ownerReport(job, 'mm').done.filter((each) => each.includes('pins freed'));
  // What was put right elsewhere in the same words is told by itself.
  await write(jobId, 'look/FL/hose', ['cracked']);
  await write(jobId, 'fixed/FL/hose', 'fixed', 'pins freed and greased');
  const both = ownerReport(await jobOf(jobId), 'mm').done;
  expect(both.filter((each) => each.includes('pins freed'))).toHaveLength(2);
  expect(done).toEqual(['Front left, stuck slide pins: pins freed and greased.']);
  await write(jobId, 'repaired/FL/stuck-pins', null);
  expect(isPutRight(await jobOf(jobId), 'FL', 'pins')).toBe(false);
});
