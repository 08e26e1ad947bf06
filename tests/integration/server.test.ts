import { currentStage, judgeCorner, stagesOf, vehicleName } from '@/core/job';
import { vehicleForm } from '@/features/vehicles/model';
import { keepTorqueFigure } from '@/server/rebuild/torque';
import { decide, undecide } from '@/server/decide/decisions';
import { loadJob, openJob, openJobs } from '@/server/job/jobs';
import {
  addLap,
  beginSet,
  noteDetails,
  saveReadings,
  setAside,
  setFile,
  takeBack,
} from '@/server/measure/sets';
import { chooseUnits, shopUnits } from '@/server/shop/settings';
import { allVehicles, saveVehicle, vehicleWithJobs } from '@/server/shop/vehicles';
import { VEHICLES } from '@/cli/demo/vehicles';
import { jobNumber, standUpDemo } from './demo';
import { signedOff, TECHNICIAN } from '../support/people';
import { known } from './known';

const NOWHERE = '00000000-0000-4000-8000-000000000000';

standUpDemo();

const judged = async (number: number) => {
  const job = (await loadJob(await jobNumber(number)))!;
  return judgeCorner(job, job.corners[0]!, 'before');
};

describe('the demo workshop shows each outcome', () => {
  test.each([
    [102, 'within'],
    [103, 'index'],
    [104, 'plate'],
    [105, 'machine'],
    [106, 'replace'],
    [107, 'too-close'],
    [108, 'not-valid'],
    [109, 'measure'],
  ])('job %i: %s', async (number, kind) => {
    expect((await judged(number)).advice.kind).toBe(kind);
  });

  test('six vehicles and at least eight jobs', async () => {
    expect((await allVehicles()).length).toBeGreaterThanOrEqual(6);
    expect((await openJobs(1)).total).toBeGreaterThanOrEqual(8);
  });
});

describe('a job', () => {
  test('opens at the stage that is next', async () => {
    const stage = async (number: number) =>
      currentStage((await loadJob(await jobNumber(number)))!)?.key;
    expect(await stage(110)).toBe('road-test');
    expect(await stage(103)).toBe('decide');
    // Nothing to correct, but its wheel was off: it goes together first.
    expect(await stage(102)).toBe('rebuild');
  });

  test('a stage left out of a closed job is left out, not open', async () => {
    const { vehicle } = (await loadJob(await jobNumber(110)))!;
    const form = { vehicleId: vehicle.id, complaint: 'It hums.', odometerKm: '', corners: ['FL'] };
    const id = known(await openJob(form));
    await signedOff(id);
    const states = stagesOf((await loadJob(id))!).map(({ state }) => state);
    expect(states).toEqual(['done', ...Array.from({ length: 5 }, () => 'left-out'), 'done']);
  });

  test('needs a vehicle that is on file', async () => {
    const form = { vehicleId: NOWHERE, complaint: 'x', odometerKm: '', corners: ['FL'] };
    expect(await openJob(form)).toMatchObject({
      ok: false,
      fields: { vehicleId: expect.stringMatching(/not on file/) },
    });
    expect(await openJob(null)).toMatchObject({ ok: false });
  });

  test('is opened with a vehicle of which only the plate is known', async () => {
    const newVehicle = { plate: 'quick 7', fastening: 'bolts', studs: 4 };
    const form = { vehicleId: '', newVehicle, complaint: 'x', odometerKm: '', corners: ['FL'] };
    const first = (await loadJob(known(await openJob(form))))!;
    expect(first.vehicle).toMatchObject({ plate: 'QUICK 7', make: '', model: '' });
    expect(first.vehicle.axles).toMatchObject([
      { position: 'front', fastening: 'bolts', studs: 4, limits: [] },
      { position: 'rear', fastening: 'bolts', studs: 4, limits: [] },
    ]);
    expect(vehicleName(first.vehicle)).toBe('make and model not entered');
    // The same plate is the same vehicle, whatever is said of it.
    const again = known(await openJob({ ...form, newVehicle: { ...newVehicle, studs: 5 } }));
    expect((await loadJob(again))!.vehicle).toMatchObject({ id: first.vehicle.id });
    const neither = { ...form, newVehicle: null };
    const both = { ...form, vehicleId: first.vehicle.id };
    for (const refused of [neither, both, { ...form, newVehicle: { ...newVehicle, plate: ' ' } }]) {
      expect(await openJob(refused)).toMatchObject({ ok: false });
    }
  });

  test('of a vehicle not named shares no torque figure, and keeps it when it is named', async () => {
    const quick = async (plate: string) => {
      const newVehicle = { plate, fastening: 'studs', studs: 5 };
      const form = { vehicleId: '', newVehicle, complaint: 'x', odometerKm: '', corners: ['FL'] };
      return known(await openJob(form));
    };
    const [own, other] = [await quick('Q-1'), await quick('Q-2')];

    const form = { fastener: 'wheel-nuts', axle: 'front', source: 'maker', angle: 0 };
    const figure = { text: '115', unit: 'N·m', confirmed: true };
    const typed = { jobId: own, ...form, figure, treatment: '', oneUse: false };
    const who = { id: NOWHERE, name: 'Ines', role: 'lead' as const, initials: 'I', isHere: true };
    known(await keepTorqueFigure(typed, who));
    const torqueOf = async (id: string) => (await loadJob(id))!.torque.map(({ text }) => text);
    expect([await torqueOf(own), await torqueOf(other)]).toEqual([['115'], []]);
    const { vehicle } = (await loadJob(own))!;
    const named = { ...vehicleForm(vehicle), make: 'Harbour', model: 'Tug' };
    known(await saveVehicle(vehicle.id, named));
    expect(await torqueOf(own)).toEqual(['115']);
  });

  test('records only what the readings advise, and takes it back', async () => {
    const jobId = await jobNumber(103);
    const stale = await decide({ jobId, corner: 'FL', action: 'plate' });
    expect(stale).toMatchObject({
      ok: false,
      message: expect.stringMatching(/cannot be done any more/),
    });
    known(await decide({ jobId, corner: 'FL', action: 'index' }));
    expect((await loadJob(jobId))!.decisions).toMatchObject([{ shift: 4, correction: 'index' }]);
    known(await undecide({ jobId, corner: 'FL' }));
    expect((await loadJob(jobId))!.decisions).toEqual([]);
    expect(await undecide({ jobId, corner: 'XX' })).toMatchObject({ ok: false });
    expect(await decide({ jobId, corner: 'RR', action: 'index' })).toMatchObject({ ok: false });
  });
});

describe('a reading set', () => {
  const begin = async () =>
    known(
      await beginSet({
        jobId: await jobNumber(110),
        corner: 'RL',
        kind: 'thickness',
        phase: 'before',
        face: 'outboard',
        positions: 8,
        shift: 0,
      }),
    );
  const reading = { lap: 0, position: 0, text: '11.4', unit: 'mm' };

  test('takes readings as typed and refuses what cannot be one, all or none', async () => {
    const { id } = await begin();
    known(await saveReadings(id, { readings: [reading] }));
    const bad = [
      { ...reading, text: '114' },
      { ...reading, text: 'eleven' },
      { ...reading, position: 8 },
      { ...reading, lap: 1 },
      { ...reading, unit: 'furlong' },
      { ...reading, extra: 1 },
    ];
    for (const each of bad) {
      const good = { ...reading, position: 1 };
      const answer = await saveReadings(id, { readings: [good, each] });
      expect(answer.ok).toBe(false);
    }
    expect((await setFile(id))!.readings).toHaveLength(1);
    known(await saveReadings(id, { readings: [{ ...reading, text: null }] }));
    expect((await setFile(id))!.readings).toEqual([]);
  });

  test('grows by laps, is noted, set aside and taken back', async () => {
    const { id } = await begin();
    expect(known(await addLap(id))).toBe(2);
    known(await noteDetails({ setId: id, rotorCelsius: 31 }));
    expect(await noteDetails({ setId: id, rotorCelsius: 9999 })).toMatchObject({ ok: false });
    known(await setAside({ setId: id, reason: 'slipped' }, TECHNICIAN));
    expect(await setFile(id)).toMatchObject({ rotorCelsius: 31, setAsideReason: 'slipped' });
    known(await takeBack(id));
    expect((await setFile(id))!.setAsideAt).toBeNull();
    expect(await setAside({ setId: id, reason: '' }, TECHNICIAN)).toMatchObject({ ok: false });
    known(await setAside({ setId: id, reason: 'end of the test' }, TECHNICIAN));
  });

  test('a mounting beyond the studs, a corner that is not part of the job, a set that is gone', async () => {
    const set = await begin();
    const base = {
      jobId: set.jobId,
      corner: 'RL',
      kind: 'runout',
      phase: 'before',
      face: 'outboard',
      positions: 12,
      shift: 0,
    };
    expect(await beginSet({ ...base, shift: 6 })).toMatchObject({ ok: false });
    expect(await beginSet({ ...base, corner: 'FL' })).toMatchObject({ ok: false });
    expect(await beginSet({ ...base, positions: 3 })).toMatchObject({ ok: false });
    expect(await addLap(NOWHERE)).toMatchObject({ ok: false });
    expect(await addLap('no id')).toMatchObject({ ok: false });
    expect(await setFile('no id')).toBeNull();
    known(await setAside({ setId: set.id, reason: 'end of the test' }, TECHNICIAN));
  });
});

describe('a vehicle', () => {
  test('a plate stands once', async () => {
    const answer = await saveVehicle(null, VEHICLES.shuttle);
    expect(answer).toMatchObject({ ok: false, fields: { plate: expect.any(String) } });
  });
  test('is written over, and one that is gone is not made', async () => {
    const shuttle = (await allVehicles()).find(({ plate }) => plate === 'SK-042-K')!;
    known(await saveVehicle(shuttle.id, { ...VEHICLES.shuttle, model: 'Tern II' }));
    expect((await vehicleWithJobs(shuttle.id))!.vehicle.model).toBe('Tern II');
    expect(await saveVehicle(NOWHERE, { ...VEHICLES.shuttle, plate: 'SK-555-Z' })).toMatchObject({
      ok: false,
    });
    expect(await vehicleWithJobs('no id')).toBeNull();
  });
});

test('units are chosen once and remembered', async () => {
  expect(await shopUnits()).toBe('mm');
  known(await chooseUnits('thou'));
  expect(await shopUnits()).toBe('thou');
  expect(await chooseUnits('furlong')).toMatchObject({ ok: false });
  known(await chooseUnits('mm'));
});
