import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { VEHICLES } from '@/cli/demo/vehicles';
import { POST as postPhoto } from '@/app/api/v1/jobs/[id]/photos/route';
import { PUT as putReadings } from '@/app/api/v1/sets/[id]/readings/route';
import { pullsOf } from '@/core/torque';
import { checks, findings, jobs, readings as readingRows } from '@/db/schema';
import { pedalOf, readinessOf, rebuildNext, rebuildSteps, signOffOf } from '@/core/job';
import { closeDatabase, database } from '@/server/database';
import { recordCheck } from '@/server/job/checks';
import { changeComplaint, loadJob, openJob } from '@/server/job/jobs';
import { beginSet, saveReadings, setAside } from '@/server/measure/sets';
import { recordFinding } from '@/server/nose/nose';
import { setRecheck } from '@/server/prove/rechecks';
import { keepBleedOrder, keepTorqueFigure } from '@/server/rebuild/torque';
import { keepRoadTest } from '@/server/roadtest/roadTests';
import { addPerson, allPeople } from '@/server/shop/people';
import { saveVehicle } from '@/server/shop/vehicles';
import { addToRecord, signOff } from '@/server/signoff/signOff';
import { allSound } from '@/server/strip/looks';
import { putBack, takeOffPart } from '@/server/strip/tray';
import { LEAD, TECHNICIAN } from '../support/people';
import { sendWrite } from '../support/writes';
import { known } from './known';
import { useRecords } from './demo';

const cookie = { who: '' };
jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));
jest.mock('next/headers', () => ({
  cookies: () =>
    Promise.resolve({ get: () => (cookie.who === '' ? undefined : { value: cookie.who }) }),
}));

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-rebuild-'));
let vehicleId = '';
const MINUTE = 60_000;

beforeAll(async () => {
  await useRecords(folder);
  vehicleId = known(await saveVehicle(null, VEHICLES.bakery));
  known(await addPerson({ name: 'Ines', role: 'lead' }));
  known(await addPerson({ name: 'Tobiah', role: 'technician' }));
});
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
  cookie.who = '';
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const jobOf = async (id: string) => (await loadJob(id))!;
const newJob = async (): Promise<string> =>
  known(await openJob({ vehicleId, complaint: 'x', odometerKm: '50000', corners: ['FL'] }));

/** Writes a check over what stands there. */
async function write(
  jobId: string,
  kind: string,
  item: string,
  value: unknown,
  {
    place = kind === 'pedal' || kind === 'hydraulics' || kind === 'prove' || kind === 'bedding'
      ? ''
      : 'FL',
    note = null as string | null,
  } = {},
) {
  const seen =
    (await jobOf(jobId)).checks.find(
      (each) => each.kind === kind && each.item === item && each.place === place,
    )?.stamp ?? null;
  return recordCheck({ jobId, kind, place, item, value, note, seen }, TECHNICIAN);
}
const wrote = async (...args: Parameters<typeof write>): Promise<void> => {
  known(await write(...args));
};
const refused = async (answer: Promise<{ ok: boolean; message?: string }>): Promise<string> => {
  const got = await answer;
  if (got.ok) throw new Error('It was not refused');
  return got.message ?? '';
};

/** The clock moved on, for everything that asks it. */
function later(milliseconds: number): void {
  setClock(Date.now() + milliseconds);
  passed += milliseconds;
  jest.spyOn(performance, 'now').mockImplementation(() => runOn() + passed);
}
const runOn = performance.now.bind(performance);
let passed = 0;

/** Sets the time of day, which runs no clock on. */
function setClock(now: number): void {
  jest.useFakeTimers({
    now,
    doNotFake: ['nextTick', 'setImmediate', 'setTimeout', 'queueMicrotask', 'performance'],
  });
}

const FIGURES = { 'bracket-bolts': '110', 'pin-bolts': '30', 'wheel-nuts': '120' } as const;

/** The figures of the vehicle, once for all tests. */
async function figures(jobId: string): Promise<void> {
  for (const [fastener, text] of Object.entries(FIGURES)) {
    const figure = { text, unit: 'N·m', confirmed: true };
    const form = { jobId, axle: 'front', fastener, figure, source: 'maker', angle: 0 };
    known(await keepTorqueFigure({ ...form, treatment: '', oneUse: false }, LEAD));
  }
}

/** A job whose caliper is off and whose pistons were pushed back. */
async function stripped(): Promise<string> {
  const jobId = await newJob();
  for (const step of ['wheel-off', 'push-back', 'caliper-off'])
    await wrote(jobId, 'step', step, 'done');
  return jobId;
}

async function together(jobId: string): Promise<void> {
  for (const { code } of rebuildSteps(await jobOf(jobId), 'FL')) {
    await wrote(jobId, 'rebuild', code, 'done');
  }
}

async function drawnUp(jobId: string): Promise<void> {
  await figures(jobId);
  await wrote(jobId, 'torque', 'star', { pulls: pullsOf(5, 3).map(() => null) });
  for (const [fastener, text] of Object.entries(FIGURES)) {
    await wrote(jobId, 'torque', fastener, { text, unit: 'N·m' });
  }
  await wrote(jobId, 'torque', 'vehicle-down', 'done');
}

async function pumped(jobId: string): Promise<void> {
  await wrote(jobId, 'pedal', 'firm', 'done');
  await wrote(jobId, 'pedal', 'hold', 'done');
  later(MINUTE + 1000);
  await wrote(jobId, 'pedal', 'held', 'held');
  await wrote(jobId, 'pedal', 'level', 'done');
}

/** A job that can be signed off. */
async function whole(): Promise<string> {
  const jobId = await stripped();
  await together(jobId);
  await wrote(jobId, 'hydraulics', 'none-opened', 'done');
  await drawnUp(jobId);
  await pumped(jobId);
  return jobId;
}
const sign = (jobId: string, who = LEAD, reason = 'open on purpose') =>
  signOff({ jobId, cause: null, reason }, who);

describe('the pedal stop', () => {
  test('refuses while a caliper is off, and names it', async () => {
    const jobId = await stripped();
    for (const [item, value] of [
      ['firm', 'done'],
      ['hold', 'done'],
      ['held', 'held'],
      ['held', 'sank'],
      ['level', 'done'],
    ] as const) {
      expect(await refused(write(jobId, 'pedal', item, value))).toMatch(
        /Do not touch the pedal\. The caliper of FL is off/,
      );
    }
  });

  test('goes in its order, and a minute is a minute', async () => {
    const jobId = await stripped();
    await together(jobId);
    expect(await refused(write(jobId, 'pedal', 'hold', 'done'))).toMatch(/firm first/);
    await wrote(jobId, 'pedal', 'firm', 'done');
    expect(await refused(write(jobId, 'pedal', 'held', 'held'))).toMatch(/Start the minute/);
    await wrote(jobId, 'pedal', 'hold', 'done');
    expect(await refused(write(jobId, 'pedal', 'held', 'held'))).toMatch(/5\d|60 s are left/);
    expect(await refused(write(jobId, 'pedal', 'level', 'done'))).toMatch(/minute first/);
    later(MINUTE - 5000);
    expect(await refused(write(jobId, 'pedal', 'held', 'held'))).toMatch(/whole minute/);
    later(6000);
    await wrote(jobId, 'pedal', 'held', 'held');
    await wrote(jobId, 'pedal', 'level', 'done');
    expect(pedalOf(await jobOf(jobId))).toEqual({ firm: true, held: 'held', level: true });
  });

  test('needs a name', async () => {
    const jobId = await stripped();
    await together(jobId);
    const form = {
      jobId,
      kind: 'pedal',
      place: '',
      item: 'firm',
      value: 'done',
      note: null,
      seen: null,
    };
    expect(await refused(recordCheck(form, null))).toMatch(/who you are/);
  });

  test('a pedal that sank keeps the vehicle, and the minute begins anew after it was put right', async () => {
    const jobId = await whole();
    await wrote(jobId, 'pedal', 'held', 'sank');
    expect((await sign(jobId)).ok).toBe(false);
    expect(await refused(write(jobId, 'pedal', 'moved', 'done'))).toMatch(/sank/);
    expect(await refused(write(jobId, 'pedal', 'held', null))).toMatch(/why this is taken back/);
    expect(await refused(write(jobId, 'pedal', 'held', 'held', { note: 'x' }))).toMatch(/It sank/);
    await wrote(jobId, 'pedal', 'held', null, { note: 'union drawn up' });
    expect(pedalOf(await jobOf(jobId)).firm).toBe(false);
    expect(await refused(write(jobId, 'pedal', 'held', 'held'))).toMatch(/firm first/);
  });

  test('counts no more once a caliper came off again', async () => {
    const jobId = await whole();
    expect(pedalOf(await jobOf(jobId)).level).toBe(true);
    later(3 * MINUTE);
    await wrote(jobId, 'step', 'caliper-off', null, { note: 'slip' });
    await wrote(jobId, 'step', 'caliper-off', 'done');
    expect(pedalOf(await jobOf(jobId))).toEqual({ firm: false, held: null, level: false });
    expect(await refused(write(jobId, 'pedal', 'firm', 'done'))).toMatch(/caliper of FL/);
  });

  test('nobody says that no piston moved where one did', async () => {
    expect(await refused(write(await stripped(), 'pedal', 'none-moved', 'done'))).toMatch(
      /Pistons moved in this job/,
    );
  });

  test('nothing says that the vehicle moved or was driven before it', async () => {
    const jobId = await stripped();
    await together(jobId);
    await wrote(jobId, 'hydraulics', 'none-opened', 'done');
    await drawnUp(jobId);
    const feel = { wheel: 0, pedal: 0, seat: 0 };
    for (const [kind, item, value] of [
      ['pedal', 'moved', 'done'],
      ['pedal', 'first-stop', 'done'],
      ['bedding', 'driven', { stops: 3 }],
      ['prove', 'feel-after', feel],
    ] as const) {
      expect(await refused(write(jobId, kind, item, value))).toMatch(/pedal was not pumped/);
    }
    expect(await refused(write(jobId, 'pedal', 'turns', 'free', { place: 'FL' }))).toMatch(
      /Finish the pedal stop/,
    );
    const test_ = { jobId, phase: 'after', diameter: 0.66, summary: { samples: 2 } };
    expect((await keepRoadTest(test_)).ok).toBe(false);
    expect((await sign(jobId)).ok).toBe(false);
  });
});

describe('what a screen sends is refused like the use case itself', () => {
  const pedal = (jobId: string) =>
    ({
      jobId,
      kind: 'pedal',
      place: '',
      item: 'firm',
      value: 'done',
      note: null,
      seen: null,
    }) as const;

  test('the pedal, whoever presses it', async () => {
    const form = pedal(await stripped());
    const by = (await allPeople())[0]!.id;
    expect(await sendWrite('check', form, by)).toMatchObject({ state: 'refused' });
    const elsewhere = { ...form, place: 'FL', item: 'firm' };
    expect(await sendWrite('check', elsewhere)).toMatchObject({ state: 'refused' });
  });

  test('the sign-off by a technician, by nobody, and by a lead of a job that is not together', async () => {
    const ready = await whole();
    const people = await allPeople();
    const id = (role: string): string => people.find((each) => each.role === role)!.id;
    const form = { jobId: ready, cause: null, reason: 'x' };
    const says = (message: RegExp) => ({ message: expect.stringMatching(message) as string });
    expect(await sendWrite('sign-off', form)).toMatchObject(says(/who you are/));
    expect(await sendWrite('sign-off', form, id('technician'))).toMatchObject(
      says(/a lead does this/),
    );
    const apart = { ...form, jobId: await stripped() };
    expect(await sendWrite('sign-off', apart, id('lead'))).toMatchObject(
      says(/cannot be signed off/),
    );
    expect(await sendWrite('sign-off', form, id('lead'))).toMatchObject({ state: 'done' });
  });
});

describe('torque', () => {
  test('a figure far from its kind is asked for twice; one off by a factor too', async () => {
    const jobId = await newJob();
    await figures(jobId);
    const keep = (text: string, more = {}) =>
      keepTorqueFigure(
        {
          ...{ jobId, axle: 'rear', fastener: 'wheel-nuts', source: 'maker', angle: 0 },
          ...{ treatment: '', oneUse: false, figure: { text, unit: 'N·m', ...more } },
        },
        LEAD,
      );
    expect(await keep('12')).toMatchObject({ fields: { challenge: expect.stringMatching(/far/) } });
    expect(await keep('88.5')).toMatchObject({ message: expect.stringMatching(/mixed up/) });
    known(await keep('88.5', { confirmed: true }));
    expect(await keep('tight')).toMatchObject({ ok: false });
    expect(await refused(keepTorqueFigure({}, LEAD))).toBeTruthy();
    expect(
      await refused(
        keep('120').then(() =>
          keepTorqueFigure(
            {
              jobId,
              axle: 'front',
              fastener: 'hose',
              figure: { text: '30', unit: 'N·m' },
              source: 'maker',
              angle: 0,
              treatment: '',
              oneUse: false,
            },
            null,
          ),
        ),
      ),
    ).toMatch(/who you are/);
  });

  test('no value without a figure, no wheel without its star, no star with more nuts', async () => {
    const other = known(
      await saveVehicle(null, { ...VEHICLES.bakery, plate: 'SK-900-X', model: 'Other' }),
    );
    const jobId = known(
      await openJob({ vehicleId: other, complaint: 'x', odometerKm: '', corners: ['FL'] }),
    );
    await wrote(jobId, 'step', 'caliper-off', 'done');
    const pull = (item: string) => write(jobId, 'torque', item, { text: '110', unit: 'N·m' });
    expect(await refused(pull('bracket-bolts'))).toMatch(/Enter the figure/);
    await figures(jobId);
    known(await pull('bracket-bolts'));
    expect(await refused(pull('wheel-nuts'))).toMatch(/nut by nut/);
    expect(await refused(write(jobId, 'torque', 'vehicle-down', 'done'))).toMatch(/star first/);
    const many = { pulls: Array.from({ length: 16 }, () => null) };
    expect(await refused(write(jobId, 'torque', 'star', many))).toMatch(/no more nuts/);
    expect(await refused(pull('hose'))).toMatch(/no such fastener/);
  });

  test('what was pulled far off is said twice, and counts no more once the figure changed', async () => {
    const jobId = await whole();
    const pull = (confirmed: boolean) =>
      write(jobId, 'torque', 'bracket-bolts', { text: '150', unit: 'N·m', confirmed });
    expect(await refused(pull(false))).toMatch(/36 % over/);
    known(await pull(true));
    expect(signOffOf(await jobOf(jobId)).blocks).toEqual([]);
    const figure = { text: '115', unit: 'N·m', confirmed: true };
    const form = { jobId, axle: 'front', fastener: 'bracket-bolts', figure, source: 'maker' };
    later(5000);
    known(await keepTorqueFigure({ ...form, angle: 0, treatment: '', oneUse: false }, LEAD));
    expect(
      signOffOf(await jobOf(jobId))
        .blocks.map(({ say }) => say)
        .join(' '),
    ).toMatch(/torque not written down: bracket bolts/);
  });

  test('figures serve the like of a vehicle, and block the sign-off of one without', async () => {
    const jobId = await whole();
    expect(signOffOf(await jobOf(jobId)).blocks).toEqual([]);
    const again = await stripped();
    expect(
      readinessOf(await jobOf(again)).corners[0]!.torque.every(({ hasFigure }) => hasFigure),
    ).toBe(true);
    const other = known(
      await saveVehicle(null, { ...VEHICLES.bakery, plate: 'SK-901-X', variant: 'large' }),
    );
    const third = known(
      await openJob({ vehicleId: other, complaint: 'x', odometerKm: '', corners: ['FL'] }),
    );
    await wrote(third, 'step', 'wheel-off', 'done');
    expect(
      signOffOf(await jobOf(third))
        .blocks.map(({ say }) => say)
        .join(' '),
    ).toMatch(/no torque figure with a source: wheel nuts/);
  });
});

describe('hydraulics', () => {
  test('nobody says closed what was opened; an opened system is bled to the end', async () => {
    const jobId = await stripped();
    await together(jobId);
    await wrote(jobId, 'hydraulics', 'opened', 'done');
    expect(await refused(write(jobId, 'hydraulics', 'none-opened', 'done'))).toMatch(/were opened/);
    const open = async (): Promise<string> =>
      readinessOf(await jobOf(jobId)).hydraulicsOpen.join(' ');
    expect(await open()).toMatch(/Choose how/);
    await wrote(jobId, 'hydraulics', 'method', 'pressure');
    expect(await open()).toMatch(/order in which the maker bleeds/);
    const order = { jobId, order: 'RR RL, fr FL', source: 'maker' };
    expect(await keepBleedOrder({ ...order, order: 'RR RR' })).toMatchObject({ ok: false });
    expect(await keepBleedOrder({ ...order, order: 'left' })).toMatchObject({ ok: false });
    known(await keepBleedOrder(order));
    expect(await open()).toMatch(/rear right is not bled/);
    for (const place of ['RR', 'RL', 'FR'])
      await wrote(jobId, 'hydraulics', 'bled', 'done', { place });
    expect(await refused(write(jobId, 'hydraulics', 'bled', 'left-out', { place: 'FL' }))).toMatch(
      /why/,
    );
    await wrote(jobId, 'hydraulics', 'bled', 'left-out', {
      place: 'FL',
      note: 'done by hand pump',
    });
    expect(await open()).toMatch(/“Closed and capped” is not done/);
    for (const step of ['fluid', 'closed']) await wrote(jobId, 'hydraulics', step, 'done');
    expect(await open()).toBe('');
    // A bleeder that was opened is drawn up, and the pedal pumped after it.
    await figures(jobId);
    expect(rebuildNext(await jobOf(jobId)).todo).toMatch(/Draw up FL/);
    expect(
      signOffOf(await jobOf(jobId))
        .blocks.map(({ say }) => say)
        .join(' '),
    ).toMatch(/no torque figure with a source: bleeder screw/);
  });
});

describe('rebuild steps', () => {
  test('a required step is not left out; the caliper waits for the correction; the tray is emptied', async () => {
    const jobId = await stripped();
    const why = { note: 'no time' };
    expect(await refused(write(jobId, 'rebuild', 'caliper-on', 'left-out', why))).toMatch(
      /cannot be left out/,
    );
    await wrote(jobId, 'rebuild', 'hose-free', 'left-out', why);
    const part = known(
      await takeOffPart(
        {
          jobId,
          corner: 'FL',
          kind: 'pad-inner',
          name: 'Inner pad',
          place: '',
          orientation: '',
          mark: '',
          fate: 'reuse',
        },
        'Tobiah',
      ),
    );
    expect(await refused(write(jobId, 'rebuild', 'tray', 'done'))).toMatch(/inner pad/);
    expect(
      signOffOf(await jobOf(jobId))
        .blocks.map(({ say }) => say)
        .join(' '),
    ).toMatch(/caliper of FL/);
    known(await putBack(part.id, true, 'Tobiah'));
    await wrote(jobId, 'rebuild', 'tray', 'done');
  });
});

describe('after the sign-off', () => {
  test('the record is closed to every way in, and additions carry name and time', async () => {
    const jobId = await newJob();
    const set = known(
      await beginSet({
        jobId,
        corner: 'FL',
        kind: 'runout',
        phase: 'before',
        shift: 0,
        face: 'outboard',
        positions: 8,
      }),
    );
    const reading = { lap: 0, position: 0, text: '0.01', unit: 'mm' };
    known(await saveReadings(set.id, { readings: [reading] }));
    // Its wheel was off for the reading: it goes together first.
    await wrote(jobId, 'pedal', 'none-moved', 'done');
    await wrote(jobId, 'hydraulics', 'none-opened', 'done');
    await drawnUpWheel(jobId);
    await wrote(jobId, 'rebuild', 'wheel-on', 'done');
    expect(await refused(addToRecord({ jobId, text: 'x' }, LEAD))).toMatch(/still open/);
    expect(await refused(sign(jobId, LEAD, ''))).toMatch(/Say why/);
    known(await sign(jobId));
    const signed = await jobOf(jobId);
    expect(signed).toMatchObject({ signedBy: 'Ines' });
    expect(signed.signedWith!.open.length).toBeGreaterThan(0);

    const CLOSED = /signed off: its record is closed/;
    const ways: (() => Promise<{ ok: boolean; message?: string }>)[] = [
      () => sign(jobId),
      () => write(jobId, 'look', 'hose', []),
      () => write(jobId, 'rebuild', 'wheel-on', null),
      () => allSound(jobId, 'FL', null),
      () => saveReadings(set.id, { readings: [{ ...reading, text: '0.02' }] }),
      () => setAside({ setId: set.id, reason: 'tidy' }, TECHNICIAN),
      () =>
        beginSet({
          jobId,
          corner: 'FL',
          kind: 'runout',
          phase: 'after',
          shift: 0,
          face: 'outboard',
          positions: 8,
        }),
      () => recordFinding({ jobId, code: 'pedal-feel', corner: null, value: 'soft' }),
      () => changeComplaint(jobId, { complaint: 'other', odometerKm: '', corners: ['FL'] }),
      () =>
        takeOffPart(
          {
            jobId,
            corner: 'FL',
            kind: null,
            name: 'x',
            place: '',
            orientation: '',
            mark: '',
            fate: 'reuse',
          },
          null,
        ),
    ];
    for (const way of ways) expect(await refused(way())).toMatch(CLOSED);

    const put = await putReadings(
      new Request('http://127.0.0.1/', {
        method: 'PUT',
        body: JSON.stringify({ readings: [reading] }),
        headers: { 'content-type': 'application/json' },
      }),
      { params: Promise.resolve({ id: set.id }) },
    );
    expect(await put.text()).toMatch(CLOSED);
    const form = new FormData();
    form.set('corner', 'FL');
    const photo = await postPhoto(
      new Request('http://127.0.0.1/', {
        method: 'POST',
        body: form,
        headers: { 'content-length': '500' },
      }),
      {
        params: Promise.resolve({ id: jobId }),
      },
    );
    expect(await photo.text()).toMatch(CLOSED);

    // Whoever gets past all of that meets the database.
    const db = await database();
    const code = { cause: expect.objectContaining({ code: 'ZH001' }) };
    await expect(
      db
        .insert(checks)
        .values({ jobId, kind: 'look', place: 'FL', item: 'hose', value: [] })
        .execute(),
    ).rejects.toMatchObject(code);
    await expect(
      db.insert(findings).values({ jobId, code: 'felt', corner: '', value: 'seat' }).execute(),
    ).rejects.toMatchObject(code);
    await expect(db.update(readingRows).set({ valueUm: 1 }).execute()).rejects.toMatchObject(code);
    await expect(db.update(jobs).set({ closedAt: null }).execute()).rejects.toMatchObject(code);

    known(await addToRecord({ jobId, text: 'Owner called: quiet.' }, TECHNICIAN));
    expect((await jobOf(jobId)).additions[0]).toMatchObject({
      by: 'Tobiah',
      text: 'Owner called: quiet.',
    });
    expect(await refused(addToRecord({ jobId, text: 'x' }, null))).toMatch(/who you are/);
    known(await setRecheck({ jobId, what: 'runout', afterKm: 5000, on: null }, LEAD));
    expect((await jobOf(jobId)).rechecks[0]).toMatchObject({ dueKm: 55_000, what: 'runout' });
  });

  test('below discard never passes, whoever signs', async () => {
    const jobId = await whole();
    const set = known(
      await beginSet({
        jobId,
        corner: 'FL',
        kind: 'thickness',
        phase: 'after',
        shift: 0,
        face: 'outboard',
        positions: 8,
      }),
    );
    const readings = Array.from({ length: 8 }, (_, position) => ({
      lap: 0,
      position,
      text: '25.8',
      unit: 'mm',
    }));
    known(await saveReadings(set.id, { readings }));
    expect(await refused(sign(jobId))).toMatch(/below discard thickness/);
    expect(await refused(write(jobId, 'pedal', 'moved', 'done'))).toMatch(/below discard/);
  });

  test('a leak that was found never passes until it was put right', async () => {
    const jobId = await whole();
    await wrote(jobId, 'look', 'leaks', ['leak']);
    expect(await refused(sign(jobId))).toMatch(/cannot be signed off.*leak/i);
    await wrote(jobId, 'fixed', 'leaks', 'fixed', { note: 'new hose' });
    // Put right by opening the system: now it is bled before anybody signs.
    expect(await refused(sign(jobId))).toMatch(/bled/);
  });
});

/** The wheel alone drawn up. */
async function drawnUpWheel(jobId: string): Promise<void> {
  await figures(jobId);
  await wrote(jobId, 'torque', 'star', { pulls: pullsOf(5, 3).map(() => 120) });
  await wrote(jobId, 'torque', 'wheel-nuts', { text: '120', unit: 'N·m' });
  await wrote(jobId, 'torque', 'vehicle-down', 'done');
}
