import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { VEHICLES } from '@/cli/demo/vehicles';
import type { VehicleForm } from '@/core/contracts';
import { linesSince, listSheets } from '@/db/repositories';
import { closeDatabase, database } from '@/server/database';
import { sheetsOfVehicle } from '@/server/shop/sheets';
import { planSheets, sheetsTable } from '@/server/shop/sheetsExchange';
import { vehicleWithJobs } from '@/server/shop/vehicles';
import { useRecords } from './demo';
import { ask, done, jobOf, newVehicle, threePeople } from '../support/wholeJob';

/** Figures belong to a model: a vehicle of a known model has them at once. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-sheets-'));
beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const allSheets = async () => listSheets(await database());
const MODEL = { make: 'Osgrave', model: 'Batch delivery van' };
const OF_MODEL = { ...MODEL, of: { yearFrom: 2017, yearTo: 2017, variant: '' } };
const vehicleOf = async (id: string) => (await vehicleWithJobs(id))!.vehicle;
const frontOf = async (id: string) =>
  (await vehicleOf(id)).axles.find(({ position }) => position === 'front')!;
const kindsOf = async (id: string): Promise<string[]> =>
  (await frontOf(id)).limits.map(({ kind, text }) => `${kind} ${text}`).sort();

/** A vehicle from a plate alone. */
async function plateAlone(plate: string): Promise<{ vehicleId: string; jobId: string }> {
  const jobId = String(
    await done(
      'job',
      { vehicleId: '', newVehicle: { plate }, complaint: '', odometerKm: '', corners: ['FL'] },
      'apprentice',
    ),
  );
  return { jobId, vehicleId: (await jobOf(jobId)).vehicle.id };
}

const TORQUE = { axle: 'front', fastener: 'wheel-nuts', source: 'maker', angle: 0, treatment: '' };
let first = '';

test('a vehicle’s figures become its model’s sheets, front and rear, with their sources', async () => {
  const { id } = await newVehicle();
  first = id;
  const jobId = String(
    await done('job', { vehicleId: id, complaint: '', odometerKm: '', corners: ['FL'] }),
  );
  const figure = { text: '110', unit: 'N·m' };
  await done('torque-figure', {
    ...{ jobId, ...TORQUE, oneUse: false },
    figure: { ...figure, confirmed: false },
  });
  expect(await ask('sheet-from', { id }, 'technician')).toMatch(/lead/);
  expect(await done('sheet-from', { id }, 'lead')).toBeGreaterThan(5);
  const sheets = await allSheets();
  expect(sheets.map(({ axle, make, yearFrom }) => [axle, make, yearFrom])).toEqual([
    ['front', 'Osgrave', 2017],
    ['rear', 'Osgrave', 2017],
  ]);
  const front = sheets[0]!.figures;
  expect(front.find(({ code }) => code === 'torque.wheel-nuts')).toMatchObject({
    ...{ text: '110', unit: 'N·m', value: 110, source: 'maker', by: 'Ines' },
  });
  // Said once more, nothing is added.
  expect(await done('sheet-from', { id }, 'lead')).toBe(0);
});

test('a vehicle from a plate alone has them once its model is said: studs, limits and torque', async () => {
  const { vehicleId, jobId } = await plateAlone('SK-801-T');
  expect((await frontOf(vehicleId)).isFasteningSaid).toBe(false);
  // It gives torques too, which an apprentice does not enter.
  expect(await ask('sheet-take', { vehicleId, ...OF_MODEL }, 'apprentice')).toMatch(/technician/);
  expect(await done('sheet-take', { vehicleId, ...OF_MODEL })).toBeGreaterThan(5);
  expect((await vehicleOf(vehicleId)).year).toBe(2017);
  const [theirs, ours] = [await frontOf(first), await frontOf(vehicleId)];
  expect(ours).toMatchObject({ studs: theirs.studs, isFasteningSaid: true, traits: theirs.traits });
  expect(await kindsOf(vehicleId)).toEqual(await kindsOf(first));
  // Nobody has read the stamp of this part.
  const discard = (axle: typeof ours) => axle.limits.find(({ kind }) => kind === 'discard');
  expect([discard(theirs)?.source, discard(ours)?.source]).toEqual(['stamped', 'other']);
  expect(
    await ask('sheet-take', { vehicleId, make: 'Pellick', model: 'Tern' }, 'technician'),
  ).toMatch(/on file as Osgrave Batch delivery van/);
  expect((await jobOf(jobId)).torque).toMatchObject([{ fastener: 'wheel-nuts', valueNm: 110 }]);
  // It works on: a set may be begun at once.
  const set = { kind: 'thickness', phase: 'before', face: 'outboard', positions: 8, shift: 0 };
  await done('set-begin', { jobId, corner: 'FL', left: [], ...set }, 'apprentice');
});

test('a vehicle whose year is not said is given nothing of one year', async () => {
  const { vehicleId } = await plateAlone('SK-804-T');
  expect(await done('sheet-take', { vehicleId, ...MODEL })).toBe(0);
  expect(await kindsOf(vehicleId)).toEqual([]);
  expect((await frontOf(vehicleId)).isFasteningSaid).toBe(false);
});

test('its own stamped figure stands, and the difference is said', async () => {
  const { vehicleId, jobId } = await plateAlone('SK-802-T');
  await done('limit', { jobId, corner: 'FL', kind: 'discard', text: '19.5', source: 'stamped' });
  await done('sheet-take', { vehicleId, ...OF_MODEL });
  expect(await kindsOf(vehicleId)).toContain('discard 19.5');
  const { differs, missing } = (await sheetsOfVehicle(vehicleId))!;
  expect(missing).toEqual([]);
  expect(differs).toMatchObject([{ axle: 'front', code: 'discard', own: { text: '19.5' } }]);
});

test('a new vehicle of the model has what its form left empty; what is emptied later stays empty', async () => {
  const bare = VEHICLES.bakery!;
  const empty = { length: '', source: 'maker' as const };
  const form: VehicleForm = {
    ...bare,
    plate: 'SK-803-T',
    front: { ...bare.front, limits: { ...bare.front.limits, discard: empty } },
  };
  const id = String(await done('vehicle', { id: null, form }));
  const discard = (await frontOf(first)).limits.find(({ kind }) => kind === 'discard')!.text;
  expect(await kindsOf(id)).toContain(`discard ${discard}`);
  await done('vehicle', { id, form });
  expect((await kindsOf(id)).join()).not.toContain('discard');
  expect((await sheetsOfVehicle(id))!.missing.map(({ code }) => code)).toEqual(['discard']);
});

describe('a spreadsheet', () => {
  const HEAD =
    'make,model,year_from,year_to,axle,discard_mm,discard_source,runout_mm,runout_source';
  const text = [
    HEAD,
    'osgrave,batch delivery van,2017,2017,front,18.5,other,0.05,maker',
    'Quillon,Vine pickup,,,rear,9.0,stamped,,',
  ].join('\n');

  test('what goes out comes in the same', async () => {
    const out = (await sheetsTable('comma')).text;
    const plan = await planSheets({ text: out, take: [] });
    expect(plan.ok && new Set(plan.value.lines.map(({ state }) => state))).toEqual(
      new Set(['same']),
    );
  });

  test('a dry run writes nothing; what differs is taken only where it is chosen', async () => {
    const before = JSON.stringify(await allSheets());
    const plan = await planSheets({ text, take: [] });
    const lines = plan.ok ? plan.value.lines : [];
    expect(lines.map(({ code, state }) => [code, state])).toEqual([
      ['discard', 'conflict'],
      ['runout', 'same'],
      ['discard', 'new'],
    ]);
    expect(JSON.stringify(await allSheets())).toBe(before);
    expect(await ask('sheets-in', { text, take: [] }, 'technician')).toMatch(/lead/);
    await done('sheets-in', { text, take: [] }, 'lead');
    const discardOf = async (): Promise<string | undefined> =>
      (await allSheets())[0]!.figures.find(({ code }) => code === 'discard')?.text;
    expect(await discardOf()).not.toBe('18.5');
    expect((await allSheets()).at(-1)).toMatchObject({ make: 'Quillon', axle: 'rear', yearTo: 0 });
    await done('sheets-in', { text, take: [lines[0]!.id] }, 'lead');
    expect(await discardOf()).toBe('18.5');
    // What was changed here since it was looked through stays.
    const stale = text.replace('18.5', '18.0');
    expect(await done('sheets-in', { text: stale, take: [lines[0]!.id] }, 'lead')).toBe(0);
    expect(await discardOf()).toBe('18.5');
    // Vehicles keep what they were given.
    expect((await kindsOf(first)).join()).not.toContain('18.5');
  });

  test('what is wrong in it is said by line, and nothing of it is taken', async () => {
    const wrong = `${text}\nPellick,Tern,,,front,260,maker,,`;
    expect(await ask('sheets-in', { text: wrong, take: [] }, 'lead')).toMatch(
      /^Line 4: discard_mm/,
    );
    expect((await allSheets()).some(({ make }) => make === 'Pellick')).toBe(false);
  });
});

test('a sheet is written by a lead, in order, once for a model, and taken off file', async () => {
  const form = {
    ...{ make: 'Velloway', model: 'Round estate', yearFrom: '', yearTo: '', axle: 'front' },
    ...{ variant: '', wheel: '' },
    figures: { discard: { text: '24,0', source: 'stamped' } },
  };
  expect(await ask('sheet', { id: null, form }, 'technician')).toMatch(/lead/);
  const id = String(await done('sheet', { id: null, form }, 'lead'));
  expect(await ask('sheet', { id: null, form: { ...form, make: 'VELLOWAY ' } }, 'lead')).toMatch(
    /There is a sheet of this model/,
  );
  const swapped = { ...form.figures, machineTo: { text: '23', source: 'maker' } };
  expect(await ask('sheet', { id, form: { ...form, figures: swapped } }, 'lead')).toMatch(
    /Machine-to is below discard/,
  );
  await done('sheet', { id, form: { ...form, figures: {} } }, 'lead');
  expect((await allSheets()).find((each) => each.id === id)?.figures).toEqual([]);
  await done('sheet', { id, form: { ...form, model: 'Long estate' } }, 'lead');
  await done('sheet-drop', { id }, 'lead');
  // Written, emptied, renamed, filled, dropped: nothing of it goes without a trace.
  const lines = (await linesSince(await database(), { of: 'shop' }, { seq: 0, most: 5000 }))
    .filter(({ place }) => place.startsWith('Velloway'))
    .sort((p, q) => p.seq - q.seq);
  expect(lines.map(({ op, place }) => `${op} ${place}`)).toEqual([
    'write Velloway Round estate, front',
    'write Velloway Round estate, front discard',
    'take-back Velloway Round estate, front discard',
    'change Velloway Long estate, front',
    'write Velloway Long estate, front discard',
    'take-back Velloway Long estate, front discard',
    'take-back Velloway Long estate, front',
  ]);
  expect((await allSheets()).some((each) => each.id === id)).toBe(false);
});

test('the torque of a wheel goes by what the wheel is made of: said, or given by neither sheet', async () => {
  const text = [
    'make,model,axle,wheel,torque_wheel_nuts_nm,torque_wheel_nuts_source',
    'Velloway,Minnow hatchback,front,alloy,130,maker',
    'Velloway,Minnow hatchback,front,steel,110,maker',
  ].join('\n');
  await done('sheets-in', { text, take: [] }, 'lead');
  const bare = { ...VEHICLES.nurse!, year: '' };
  const torqueOf = async (plate: string, wheel: VehicleForm['wheel']): Promise<number[]> => {
    const id = String(await done('vehicle', { id: null, form: { ...bare, plate, wheel } }));
    const jobId = String(
      await done('job', { vehicleId: id, complaint: '', odometerKm: '', corners: ['FL'] }),
    );
    const { torque } = await jobOf(jobId);
    return torque.flatMap((each) => (each.axle === 'front' ? [each.valueNm] : []));
  };
  expect(await torqueOf('SK-810-T', '')).toEqual([]);
  expect(await torqueOf('SK-811-T', 'alloy')).toEqual([130]);
  // Each keeps its own: what was given to one with alloy wheels is none for steel ones.
  expect(await torqueOf('SK-812-T', 'steel')).toEqual([110]);
  expect(await torqueOf('SK-813-T', '')).toEqual([]);
});
