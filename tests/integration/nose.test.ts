import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { VEHICLES } from '@/cli/demo/vehicles';
import { logDrive } from '@/core/bench';
import { KNOWLEDGE } from '@/core/contracts';
import { seededRandom } from '@/core/numeric';
import { analyseRoadTest, readLogText } from '@/core/roadtest';
import { findingsOfJob, stagesOf } from '@/core/job';
import { closeDatabase } from '@/server/database';
import { loadJob, openJob } from '@/server/job/jobs';
import {
  changeKnowledge,
  noseOf,
  recordFinding,
  shopKnowledge,
  weighFinding,
} from '@/server/nose/nose';
import {
  keepRecording,
  keepRoadTest,
  keepTyre,
  keptRecording,
  takeRoadTestBack,
} from '@/server/roadtest/roadTests';
import { saveVehicle } from '@/server/shop/vehicles';
import { signOff } from '@/server/signoff/signOff';
import { LEAD, signedOff } from '../support/people';
import { known } from './known';
import { useRecords } from './demo';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-nose-'));
const NOWHERE = '00000000-0000-4000-8000-000000000000';
let vehicleId = '';

const newJob = async (): Promise<string> =>
  known(
    await openJob({ vehicleId, complaint: 'It shakes.', odometerKm: '', corners: ['FL', 'FR'] }),
  );
const jobOf = async (id: string) => (await loadJob(id))!;
const first = async (id: string) => (await noseOf(await jobOf(id))).diagnosis.causes[0]!;

beforeAll(async () => {
  await useRecords(folder);
  vehicleId = known(await saveVehicle(null, VEHICLES.bakery));
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

describe('findings', () => {
  test('are recorded, written over, taken back, set aside and weighed again', async () => {
    const jobId = await newJob();
    const pins = { jobId, code: 'pins-check', corner: 'FL' as const };
    known(await recordFinding({ ...pins, value: 'free' }));
    known(await recordFinding({ ...pins, value: 'stuck' }));
    known(await recordFinding({ jobId, code: 'drag', corner: null, value: 'yes' }));
    const stuck = await first(jobId);
    expect([stuck.code, stuck.place]).toEqual(['stuck-pins', 'FL']);
    known(await weighFinding({ jobId, code: 'pins-check', isAside: true }));
    const without = await noseOf(await jobOf(jobId));
    expect(without.aside).toEqual(['pins-check']);
    expect(without.diagnosis.causes[0]!.probability).toBeLessThan(stuck.probability);
    expect(without.findings.map(({ code }) => code)).toContain('pins-check');
    known(await weighFinding({ jobId, code: 'pins-check', isAside: false }));
    expect((await first(jobId)).probability).toBeCloseTo(stuck.probability, 12);
    known(await recordFinding({ ...pins, value: null }));
    expect(findingsOfJob(await jobOf(jobId)).map(({ code }) => code)).toEqual(['drag']);
  });

  test.each([
    [{ code: 'aura', value: 'x' }, /not in the knowledge/],
    [{ code: 'felt', value: 'elbow' }, /not an answer/],
    [{ code: 'runout', value: '3' }, /not an answer/],
    [{ code: 'felt', value: 'both', corner: 'XX' }, /./],
  ])('that cannot be are refused: %j', async (change, words) => {
    const answer = await recordFinding({ jobId: await newJob(), corner: null, ...change });
    expect(answer.ok ? '' : answer.message).toMatch(words);
  });

  test('of a job that is gone are refused in words', async () => {
    const gone = await recordFinding({ jobId: NOWHERE, code: 'drag', corner: null, value: 'yes' });
    expect(gone).toMatchObject({ ok: false, message: expect.stringMatching(/not on file/) });
    const aside = await weighFinding({ jobId: NOWHERE, code: 'drag', isAside: true });
    expect(aside.ok).toBe(false);
  });

  test('that forbid a drive keep forbidding it when they are set aside', async () => {
    const jobId = await newJob();
    known(await recordFinding({ jobId, code: 'pedal-feel', corner: null, value: 'soft' }));
    known(await weighFinding({ jobId, code: 'pedal-feel', isAside: true }));
    expect((await noseOf(await jobOf(jobId))).noDrive).toBe('the pedal is soft');
  });
});

test('closed jobs with a confirmed cause move the shares by counts', async () => {
  const before = (await shopKnowledge()).priors.find(({ code }) => code === 'hose')!;
  const jobId = await newJob();
  const form = { jobId, cause: 'witchcraft', reason: '' };
  expect(await signOff(form, LEAD)).toMatchObject({ ok: false });
  await signedOff(jobId, 'hose');
  await signedOff(await newJob());
  const shop = await shopKnowledge();
  const after = shop.priors.find(({ code }) => code === 'hose')!;
  expect([before.confirmed, after.confirmed, shop.confirmedJobs]).toEqual([0, 1, 1]);
  expect(after.share).toBeGreaterThan(before.share);
  expect((await jobOf(jobId)).confirmedCause).toBe('hose');
});

test('a shop changes its knowledge and goes back to what is shipped', async () => {
  const fields = {
    ...Object.fromEntries(
      KNOWLEDGE.causes.map(({ code, prior }) => [`prior.${code}`, String(prior)]),
    ),
    ...Object.fromEntries(
      KNOWLEDGE.findings.map(({ code, minutes }) => [`minutes.${code}`, String(minutes)]),
    ),
  };
  const numbers = (hose: string) =>
    changeKnowledge({ what: 'numbers', fields: { ...fields, 'prior.hose': hose } });
  known(await numbers('50'));
  expect((await shopKnowledge()).knowledge.causes.find(({ code }) => code === 'hose')?.prior).toBe(
    50,
  );
  expect((await numbers('-1')).ok).toBe(false);
  const weight = { answer: 'pull left', cause: 'hose', decibans: '99' };
  expect((await changeKnowledge({ what: 'weight', fields: weight })).ok).toBe(false);
  known(await changeKnowledge({ what: 'reset', fields: {} }));
  expect((await shopKnowledge()).knowledge).toEqual(KNOWLEDGE);
});

describe('a road test', () => {
  const log = logDrive(
    {
      parts: [
        { from: 24, to: 24, seconds: 30 },
        { from: 24, to: 8, seconds: 9 },
      ],
      diameter: 0.64,
      shakes: [{ order: 1, amplitude: 0.6, during: 'braking', axis: 'x' }],
      noise: 0.1,
      rate: 100,
    },
    seededRandom(1),
  );
  const summary = analyseRoadTest({ recording: readLogText(log), diameter: 0.64 });

  test('is kept with its recording, weighs, and is taken back', async () => {
    const jobId = await newJob();
    const stage = async () =>
      stagesOf(await jobOf(jobId)).find(({ key }) => key === 'road-test')?.state;
    expect(await stage()).toBe('open');
    const id = known(await keepRoadTest({ jobId, phase: 'before', diameter: 0.64, summary }));
    expect(await stage()).toBe('done');
    expect(findingsOfJob(await jobOf(jobId))).toContainEqual({
      code: 'recording',
      value: 'braking-1',
    });
    expect(await keptRecording(id)).toBeNull();
    known(await keepRecording(id, new Uint8Array(gzipSync(log))));
    expect(gunzipSync((await keptRecording(id))!).toString()).toBe(log);
    expect((await jobOf(jobId)).roadTests[0]).not.toHaveProperty('raw');
    expect((await takeRoadTestBack(await newJob(), id)).ok).toBe(false);
    known(await takeRoadTestBack(jobId, id));
    expect((await jobOf(jobId)).roadTests).toEqual([]);
    expect(await keptRecording(id)).toBeNull();
  });

  test('that cannot be is refused, and so is a file that is no compressed recording', async () => {
    const jobId = await newJob();
    const test = { jobId, phase: 'before', diameter: 0.64, summary };
    expect((await keepRoadTest({ ...test, diameter: 64 })).ok).toBe(false);
    expect((await keepRoadTest({ ...test, summary: { ...summary, more: 1 } })).ok).toBe(false);
    expect((await keepRoadTest({ ...test, jobId: NOWHERE })).ok).toBe(false);
    const id = known(await keepRoadTest(test));
    expect((await keepRecording(id, Uint8Array.of(1, 2, 3))).ok).toBe(false);
    expect((await keepRecording(NOWHERE, new Uint8Array(gzipSync('t')))).ok).toBe(false);
    expect((await keepRecording('no-id', new Uint8Array(gzipSync('t')))).ok).toBe(false);
    expect(await keptRecording('no-id')).toBeNull();
  });

  test('the tyre is kept with the vehicle, a bad one is refused at its field', async () => {
    const jobId = await newJob();
    const refused = await keepTyre(jobId, { tyre: 'round', finalDrive: '99' });
    expect(refused).toMatchObject({ ok: false, fields: { tyre: expect.any(String) } });
    known(await keepTyre(jobId, { tyre: '195/65r15', finalDrive: '3,9' }));
    const { vehicle } = await jobOf(jobId);
    expect([vehicle.tyre, vehicle.finalDrive]).toEqual(['195/65R15', 3.9]);
  });
});
