import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import type { VehicleForm } from '@/core/contracts';
import { readinessOf, readJob, signOffOf, standingOf, takenBackOf, type Job } from '@/core/job';
import { mayBeTaken } from '@/core/options';
import { pullsOf } from '@/core/torque';
import { ledgerOf } from '@/db/repositories';
import { checks, ledger } from '@/db/schema';
import { closeDatabase, database } from '@/server/database';
import { openLinesOf } from '@/server/signoff/openLines';
import { historyOf } from '@/server/records/history';
import { fileReport } from '@/server/report/file';
import { ownerReport } from '@/server/report/owner';
import { ownerPdf } from '@/server/report/pdf';
import {
  APART,
  ask,
  checkInput,
  done,
  jobOf,
  newJob,
  newVehicle,
  pumped,
  runOn,
  runout,
  sign,
  thickness,
  threePeople,
  tick,
  together,
  wholeJob,
  type Role,
} from '../support/wholeJob';
import { useRecords } from './demo';

/**
 * Every stop of this program that was once got round by requests that its own pages can send.
 * Everything here goes in as a device sends it.
 */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-safety-'));
let vehicleId = '';
let form: VehicleForm;

beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
});
beforeEach(async () => {
  ({ id: vehicleId, form } = await newVehicle());
});
afterEach(() => jest.restoreAllMocks());
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const job = (corners?: string[]): Promise<string> => newJob(vehicleId, corners);
const whole = (): Promise<string> => wholeJob(vehicleId);
const askTick = async (
  jobId: string,
  key: string,
  value: unknown,
  { role = 'technician', note = null }: { role?: Role | null; note?: string | null } = {},
) => ask('check', await checkInput(jobId, key, value, note), role);
const openOf = (read: Job): string[] => signOffOf(read).open.map(({ say }) => say);
const owner = async (jobId: string) => ownerReport(await jobOf(jobId), 'mm');

/** Takes back what stands at a place, which needs a reason. */
const takeBack = async (jobId: string, key: string, note: string, role: Role = 'technician') =>
  done('check', await checkInput(jobId, key, null, note), role);

async function answerAll(jobId: string): Promise<void> {
  for (const { seq } of openLinesOf(await jobOf(jobId), 'mm')) {
    await done('taken-back', { jobId, seq, reason: 'looked into it myself' }, 'lead');
  }
}

test('a whole job is signed by a lead, and by nobody else', async () => {
  const jobId = await whole();
  expect(await sign(jobId, null)).toMatch(/who you are/);
  expect(await sign(jobId, 'apprentice')).toMatch(/apprentice here/);
  expect(await sign(jobId, 'technician')).toMatch(/a lead does this/);
  expect(await sign(jobId)).toBeNull();
});

describe('an open job’s documents', () => {
  test('say below discard from the first reading on, and nothing that reassures', async () => {
    const jobId = await job();
    await thickness(jobId, '25.0');
    const report = await owner(jobId);
    expect(report.found.join(' ')).not.toMatch(/within its limits/);
    expect(report.mustNotMove.join(' ')).toMatch(/below discard/);
    expect(report.verdict).toBeNull();
    expect((await ownerPdf(report)).length).toBeGreaterThan(1000);
  });

  test('say a leak and a crack first, and that nobody signed it', async () => {
    const jobId = await job();
    await tick(jobId, 'look/FL/leaks', ['leak']);
    await tick(jobId, 'look/FL/cracks', ['crack']);
    const { mustNotMove, notSigned, signed } = await owner(jobId);
    expect(mustNotMove.join(' ')).toMatch(/brake fluid leaks.*a rotor is cracked|cracked.*leaks/);
    // The file report began with its readings, without a word of it.
    const file = fileReport(await jobOf(jobId), 'mm');
    expect(file.mustNotMove.join(' ')).toMatch(/leaks/);
    expect(file.notSigned).not.toBeNull();
    expect(notSigned).not.toBeNull();
    expect(signed).toBeNull();
  });
});

describe('below discard', () => {
  const BELOW = /below discard/;

  test('by a set as it was found, alone', async () => {
    const jobId = await whole();
    await thickness(jobId, '25.0', { phase: 'as-found', places: 12 });
    expect(await sign(jobId)).toMatch(BELOW);
    expect(await askTick(jobId, 'pedal//moved', 'done')).toMatch(BELOW);
  });

  test('by a finished thickness with nothing cut', async () => {
    const jobId = await whole();
    await thickness(jobId, '25.0', { places: 12 });
    await tick(jobId, 'correct/FL/finished', { text: '26.8', unit: 'mm' });
    expect(await sign(jobId)).toMatch(BELOW);
  });

  test('by a set that was put aside: it needs a name, and a lead answers it', async () => {
    const jobId = await whole();
    const setId = await thickness(jobId, '25.0', { places: 12 });
    const aside = { setId, reason: 'read wrongly' };
    expect(await ask('set-aside', aside, null)).toMatch(/who you are/);
    expect(await ask('set-aside', aside, 'apprentice')).toMatch(/apprentice here/);
    await done('set-aside', aside);
    expect(await sign(jobId)).toMatch(/put aside, by Tobiah \(read wrongly\)/);
    const read = await jobOf(jobId);
    const [line] = takenBackOf(read, readinessOf(read).pedal);
    const answer = { jobId, seq: line!.seq, reason: 'micrometer had slipped, measured anew' };
    expect(await ask('taken-back', answer, 'technician')).toMatch(/a lead does this/);
    await done('taken-back', answer, 'lead');
    expect(await sign(jobId)).toBeNull();
  });

  test('by discard emptied on the vehicle, lowered, or put back after', async () => {
    const jobId = await whole();
    await thickness(jobId, '25.0', { places: 12 });
    const limits = (length: string): VehicleForm => ({
      ...form,
      front: {
        ...form.front,
        limits: { ...form.front.limits, discard: { length, source: 'maker' } },
      },
    });
    const change = (length: string, why?: string) => ({
      id: vehicleId,
      form: { ...limits(length), ...(why ? { why } : {}) },
    });
    expect(await ask('vehicle', change(''), 'technician')).toMatch(/why they change/);
    expect(await ask('vehicle', change('', 'wrong'), 'apprentice')).toMatch(/apprentice here/);
    await done('vehicle', change('', 'not stamped here'));
    expect(await sign(jobId)).toMatch(BELOW);
    await done('vehicle', change('24 mm', 'read again'));
    expect(await sign(jobId)).toMatch(BELOW);
  });

  test('by readings after the work, of the same rotor', async () => {
    const jobId = await whole();
    await thickness(jobId, '25.0', { phase: 'as-found', places: 12 });
    await thickness(jobId, '27.0', { phase: 'after', places: 12 });
    expect(await sign(jobId)).toMatch(BELOW);
  });

  test('by a reading typed over', async () => {
    const jobId = await whole();
    const setId = await thickness(jobId, '25.0', { places: 1 });
    const again = { setId, lap: 0, position: 0, text: '27.0', unit: 'mm', was: '25.0' };
    await done('reading', again, 'apprentice');
    expect(await sign(jobId)).toMatch(/a reading below discard was changed \(25\.000 mm\)/);
    await answerAll(jobId);
    expect(await sign(jobId)).toBeNull();
  });
});

describe('what is taken back', () => {
  test('a leak needs a name, a reason and a technician, stays in the history, and a lead answers it', async () => {
    const jobId = await whole();
    await tick(jobId, 'look/FL/leaks', ['leak']);
    expect(await sign(jobId)).toMatch(/leaks/);
    expect(await askTick(jobId, 'look/FL/leaks', [])).toMatch(/why this is taken back/);
    expect(await askTick(jobId, 'look/FL/leaks', null, { note: 'x', role: null })).toMatch(
      /who you are/,
    );
    expect(await askTick(jobId, 'look/FL/leaks', [], { note: 'x', role: 'apprentice' })).toMatch(
      /apprentice here/,
    );
    await takeBack(jobId, 'look/FL/leaks', 'it was rain');
    expect(await askTick(jobId, 'pedal//moved', 'done')).toMatch(/brake fluid leaks, by Tobiah/);
    expect(await sign(jobId)).toMatch(/brake fluid leaks, by Tobiah \(it was rain\)/);
    expect((await owner(jobId)).mustNotMove.join(' ')).toMatch(/leaks/);
    const lines = await ledgerOf(await database(), jobId, { before: null, most: 500 });
    expect(lines.find(({ op }) => op === 'take-back')).toMatchObject({
      what: 'check',
      place: 'FL look leaks',
      who: 'Tobiah',
      role: 'technician',
      reason: 'it was rain',
      before: { value: ['leak'] },
      after: null,
    });
    await answerAll(jobId);
    expect(await sign(jobId)).toBeNull();
    const told = fileReport(await jobOf(jobId), 'mm').changed.map(({ by, say }) => `${by}: ${say}`);
    expect(told).toEqual(
      expect.arrayContaining([
        'Tobiah: check: FL look leaks: leak → taken back (it was rain)',
        expect.stringMatching(/^Ines: answered: FL look leaks \(looked into it myself\)$/),
      ]),
    );
    const history = await historyOf(await jobOf(jobId), { only: 'grave' });
    expect(history.lines.map(({ what }) => what)).toEqual(
      expect.arrayContaining(['signed off', 'answer', 'check']),
    );
    const page = await historyOf(await jobOf(jobId), { only: 'check' });
    expect(
      page.lines.find(({ after, before }) => before === 'leak' && after === null),
    ).toMatchObject({
      who: 'Tobiah, technician',
      reason: 'it was rain',
      isGrave: true,
    });
  });

  // 2026-11-29: a hose found cracked was taken back without a reason, and stood open nowhere.
  test('a part to be renewed needs a reason, and stands open until a lead has answered', async () => {
    const jobId = await whole();
    await tick(jobId, 'look/FL/hose', ['cracked']);
    runOn(60_000);
    const why = /why this is taken back: Hose, cracked/;
    expect(await askTick(jobId, 'look/FL/hose', [])).toMatch(why);
    expect(await askTick(jobId, 'look/FL/hose', null)).toMatch(why);
    expect(await askTick(jobId, 'look/FL/hose', ['twisted'])).toMatch(why);
    expect(await askTick(jobId, 'look/FL/hose', [], { note: 'x', role: 'apprentice' })).toMatch(
      /apprentice here/,
    );
    const nose = { jobId, code: 'hose-check', corner: 'FL', value: null };
    expect(await ask('finding', nose, 'lead')).toMatch(/where it was seen/);
    // What is found beside it takes nothing back, and does not make the rest new.
    await tick(jobId, 'look/FL/hose', ['cracked', 'twisted']);
    expect(await askTick(jobId, 'look/FL/hose', ['twisted'])).toMatch(why);
    await done('check', await checkInput(jobId, 'look/FL/hose', [], 'a mark of paint'));
    const say = 'FL: Hose, cracked: found, and taken back by Tobiah (a mark of paint).';
    expect(openOf(await jobOf(jobId))).toContain(say);
    expect(await askTick(jobId, 'pedal//moved', 'done')).toBeNull();
    await answerAll(jobId);
    expect(openOf(await jobOf(jobId))).not.toContain(say);
  });

  test('a slip of the finger is put right by who made it, for half a minute', async () => {
    const jobId = await whole();
    const began = openOf(await jobOf(jobId));
    await done('check', await checkInput(jobId, 'look/FL/hose', ['cracked']), 'apprentice');
    runOn(20_000);
    expect(await askTick(jobId, 'look/FL/hose', [])).toMatch(/why this is taken back/);
    await done('check', await checkInput(jobId, 'look/FL/hose', null, null), 'apprentice');
    expect(openOf(await jobOf(jobId))).toEqual(began);
  });

  test('what was put right is looked at again without a reason', async () => {
    const jobId = await whole();
    await tick(jobId, 'look/FL/hose', ['cracked']);
    await tick(jobId, 'fixed/FL/hose', 'fixed', 'a new hose');
    runOn(60_000);
    await tick(jobId, 'look/FL/hose', []);
    expect(openOf(await jobOf(jobId)).join(' ')).not.toMatch(/taken back/);
  });

  test('the wheel-off step leaves star and torque asked for', async () => {
    const jobId = await job();
    await tick(jobId, 'step/FL/wheel-off', 'done');
    expect(await askTick(jobId, 'step/FL/wheel-off', null)).toMatch(/why this is taken back/);
    await takeBack(jobId, 'step/FL/wheel-off', 'wrong corner');
    expect(await sign(jobId)).toMatch(/wheel off” was ticked and taken back/);
  });

  test('the bulk undo takes sound looks back, and nothing else', async () => {
    const jobId = await job();
    await tick(jobId, 'look/FL/leaks', ['leak']);
    await tick(jobId, 'step/FL/wheel-off', 'done');
    await tick(jobId, 'look/FL/hose', []);
    const stamps = (await jobOf(jobId)).checks.map(({ stamp }) => stamp);
    await done('looks-back', { jobId, stamps });
    expect((await jobOf(jobId)).checks.map(({ item }) => item).sort()).toEqual([
      'leaks',
      'wheel-off',
    ]);
  });

  test('“held” is not written over “sank” without pumping anew', async () => {
    const jobId = await whole();
    await tick(jobId, 'pedal//held', 'sank');
    expect(await askTick(jobId, 'pedal//held', 'held', { note: 'x' })).toMatch(/It sank/);
    await takeBack(jobId, 'pedal//held', 'union drawn up');
    expect(await sign(jobId)).toMatch(/pedal was not pumped firm|sank was taken back/);
    await pumped(jobId);
    expect(await sign(jobId)).toBeNull();
  });

  test('a leak is not taken back by the nose, which asks for no reason', async () => {
    const jobId = await newJob(vehicleId);
    await tick(jobId, 'look/FL/leaks', ['leak']);
    const leak = { jobId, code: 'leak-check', corner: 'FL' };
    for (const answer of [
      { ...leak, value: null, was: 'leak' },
      { ...leak, value: null },
      { ...leak, value: 'dry' },
    ]) {
      expect(await ask('finding', answer, 'technician')).toMatch(/where it was seen/);
    }
    await tick(jobId, 'look/FL/hose', ['bulged']);
    const hose = { jobId, code: 'hose-check', corner: 'FL', value: null };
    expect(await ask('finding', hose, 'lead')).toMatch(/where it was seen/);
    const soft = { jobId, code: 'pedal-feel', corner: null, value: 'soft' };
    await done('finding', soft, 'apprentice');
    expect(await ask('finding', { ...soft, value: null }, null)).toMatch(/who you are/);
    expect(await ask('finding', { ...soft, value: null }, 'apprentice')).toMatch(/apprentice here/);
    await done('finding', { ...soft, value: null });
  });

  test('an answer on which a vehicle is not driven', async () => {
    const jobId = await whole();
    await done('finding', { jobId, code: 'noise', corner: null, value: 'grind' }, 'apprentice');
    expect(await sign(jobId)).toMatch(/metal is on metal/);
    await done('finding', { jobId, code: 'noise', corner: null, value: null });
    expect(await sign(jobId)).toMatch(/metal is on metal, by Tobiah/);
    await answerAll(jobId);
    expect(await sign(jobId)).toBeNull();
  });
});

describe('put right means shown', () => {
  test('a cracked rotor by a new one only, and not by an apprentice', async () => {
    const jobId = await whole();
    await tick(jobId, 'look/FL/cracks', ['crack']);
    expect(await askTick(jobId, 'fixed/FL/cracks', 'fixed', { note: 'ok' })).toMatch(/a new one/);
    expect(
      await askTick(jobId, 'fixed/FL/leaks', 'fixed', { note: 'ok', role: 'apprentice' }),
    ).toMatch(/apprentice here/);
    expect(await sign(jobId)).toMatch(/cracked/);
  });

  test('a crack seen after a new rotor was fitted is a crack of the new one', async () => {
    const jobId = await whole();
    await thickness(jobId, '25.0', { places: 12 });
    await runout(jobId);
    await done('decide', { jobId, corner: 'FL', action: 'new' });
    await tick(jobId, 'look/FL/cracks', ['crack']);
    await tick(jobId, 'correct/FL/done', 'done');
    expect(
      standingOf(await jobOf(jobId))
        .mustNotMove.map(({ say }) => say)
        .join(' '),
    ).not.toMatch(/cracked/);
    await tick(jobId, 'look/FL/cracks', ['crazing', 'crack']);
    expect(await sign(jobId)).toMatch(/cracked/);
  });

  test('a rotor that was renewed stays so when the corner is decided otherwise later', async () => {
    const jobId = await whole();
    await thickness(jobId, '25.0', { places: 12 });
    await runout(jobId);
    await done('decide', { jobId, corner: 'FL', action: 'new' });
    await tick(jobId, 'correct/FL/done', 'done');
    await thickness(jobId, '28.0', { phase: 'after', places: 12 });
    const other = readJob(await jobOf(jobId))
      .options('FL')
      .options.filter(mayBeTaken)
      .find(({ action }) => action !== 'new');
    await done('decide', { jobId, corner: 'FL', action: other!.action });
    const says = standingOf(await jobOf(jobId)).mustNotMove.map(({ say }) => say);
    expect(says.join(' ')).not.toMatch(/below discard/);
  });

  test('a crack that was said to be put right before this was asked still stops', async () => {
    const jobId = await whole();
    await tick(jobId, 'look/FL/cracks', ['crack']);
    await (await database()).insert(checks).values({
      ...{ jobId, kind: 'fixed', place: 'FL', item: 'cracks' },
      ...{ value: 'fixed', note: 'ok', by: 'Wren' },
    });
    expect(await sign(jobId)).toMatch(/cracked/);
  });
});

describe('the clock of the server', () => {
  test('an hour ahead and set right again puts no caliper on', async () => {
    const jobId = await job();
    for (const step of APART) await tick(jobId, `step/FL/${step}`, 'done');
    const real = Date.now.bind(Date);
    jest.useFakeTimers({ now: real() + 3_600_000, advanceTimers: true });
    await together(jobId);
    jest.useRealTimers();
    await pumped(jobId);
    // Off again, by a clock that says it was before it came on.
    await tick(jobId, 'step/FL/caliper-off', null, 'slip');
    await tick(jobId, 'step/FL/caliper-off', 'done');
    expect(await sign(jobId)).toMatch(/caliper of FL is off/);
  });

  test('a jump of 61 s is no minute', async () => {
    const jobId = await job();
    for (const step of APART) await tick(jobId, `step/FL/${step}`, 'done');
    await together(jobId);
    await tick(jobId, 'pedal//firm', 'done');
    await tick(jobId, 'pedal//hold', 'done');
    jest.useFakeTimers({
      now: Date.now() + 61_000,
      doNotFake: ['performance', 'nextTick', 'setImmediate', 'setTimeout', 'queueMicrotask'],
    });
    expect(await askTick(jobId, 'pedal//held', 'held')).toMatch(/whole minute/);
    jest.useRealTimers();
  });
});

describe('ways round', () => {
  test('fewer studs on the vehicle make no whole star of nine pulls', async () => {
    const jobId = await job();
    await tick(jobId, 'step/FL/wheel-off', 'done');
    await tick(jobId, 'torque/FL/star', { pulls: pullsOf(3, 3).map(() => null) });
    const change = { ...form, front: { ...form.front, studs: '3' }, why: 'counted again' };
    await done('vehicle', { id: vehicleId, form: change });
    expect(await sign(jobId)).toMatch(/not drawn up in the star/);
  });

  test('a leak at a corner outside the job keeps the vehicle', async () => {
    const jobId = await whole();
    await done('finding', { jobId, code: 'leak-check', corner: 'RR', value: 'leak' }, 'apprentice');
    expect(await sign(jobId)).toMatch(/RR: .*leak/);
  });

  test('an untouched job is not signed without a word', async () => {
    const jobId = await job();
    expect(await sign(jobId, 'lead', '')).toMatch(/why it is signed off/);
    expect(signOffOf(await jobOf(jobId)).open[0]?.say).toMatch(/Nothing was looked at/);
  });

  test('a signed job keeps plate and make', async () => {
    const jobId = await whole();
    expect(await sign(jobId)).toBeNull();
    const change = { ...form, plate: `${form.plate}X`, make: 'Other' };
    await done('vehicle', { id: vehicleId, form: change });
    const { head } = await owner(jobId);
    expect(head).toMatchObject({ plate: form.plate, vehicle: `${form.make} ${form.model}` });
    expect((await owner(jobId)).notSigned).toBeNull();
  });
});

test('“within” is said of nothing that is not measured and judged whole', async () => {
  const jobId = await job();
  expect(standingOf(await jobOf(jobId)).isWithin).toBe(false);
  await thickness(jobId, '27.0', { places: 12 });
  expect(standingOf(await jobOf(jobId)).isWithin).toBe(false);
});

test('the ledger is only added to', async () => {
  const db = await database();
  const jobId = await job();
  const rows = await db.select().from(ledger).where(eq(ledger.jobId, jobId));
  expect(rows.length).toBeGreaterThan(0);
  const codeOf = (error: unknown) => ({
    cause: (error as { cause?: { code?: string } }).cause?.code,
  });
  for (const act of [
    () => db.update(ledger).set({ who: 'Nobody' }),
    () => db.delete(ledger),
    () => db.execute('truncate ledger'),
  ]) {
    expect(codeOf(await act().catch((error: unknown) => error))).toEqual({ cause: 'ZH002' });
  }
  expect(await db.select().from(ledger).where(eq(ledger.jobId, jobId))).toEqual(rows);
});
