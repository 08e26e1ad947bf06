import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { BEDDING_SCHOOLS, SHIPPED_PROGRAMMES } from '@/core/bedding';
import { formOfShop, PROCEDURE } from '@/core/contracts';
import { readJob } from '@/core/job';
import { mayBeTaken } from '@/core/options';
import { reachOf, type LedgerRoom } from '@/db/repositories';
import { closeDatabase, database } from '@/server/database';
import { loadJob } from '@/server/job/jobs';
import { shopOfToday } from '@/server/shop/shop';
import { REPLACING } from '@/server/writes/replaces';
import { USE_CASE_NAMES } from '@/server/writes/useCases';
import { done, ids, newJob, newVehicle, runout, threePeople, tick } from '../support/wholeJob';
import { DEVICE, numbered, sendWrites } from '../support/writes';
import { useRecords } from './demo';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-replaces-'));
const OTHER = '00000000-0000-4000-8000-0000000000d2';

beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

/** What two tablets write at one thing, and in which room of the ledger. */
interface Two {
  readonly room: LedgerRoom;
  readonly theirs: unknown;
  readonly mine: unknown;
  /** What the later one is told. */
  readonly told: RegExp;
}
const SHOP: LedgerRoom = { of: 'shop' };
const ofJob = (id: string): LedgerRoom => ({ of: 'job', id });

const jobOfNew = async () => {
  const vehicle = await newVehicle();
  return { vehicle, jobId: await newJob(vehicle.id, ['FL', 'FR']) };
};

const decided = (name: string): [string, () => Promise<Two>] => [
  name,
  async () => {
    const { jobId } = await jobOfNew();
    await runout(jobId);
    await runout(jobId, 'FR');
    const judged = readJob((await loadJob(jobId))!);
    const taken = (corner: 'FL' | 'FR') =>
      judged
        .options(corner)
        .options.filter(mayBeTaken)
        .map(({ action }) => action);
    const both = taken('FL').filter((action) => taken('FR').includes(action));
    const left = { corner: 'FL', action: both[0] };
    const right = { corner: 'FR', action: both[0] };
    await done('decide', { jobId, ...left });
    return {
      room: ofJob(jobId),
      theirs: { jobId, ...left, action: both[1] },
      mine: { undecide: { jobId, corner: 'FL' }, 'decide-pair': { jobId, left, right } }[name] ?? {
        jobId,
        ...left,
      },
      told: /FL/,
    };
  },
];

const CASES: ReadonlyMap<string, () => Promise<Two>> = new Map([
  [
    'vehicle',
    async () => {
      const { id, form } = await newVehicle();
      return {
        room: { of: 'vehicle', id },
        theirs: { id, form: { ...form, model: 'Other' } },
        mine: { id, form: { ...form, tyre: '205/55R16' } },
        told: /model .* → model Other/,
      };
    },
  ],
  [
    'owner',
    async () => {
      const { vehicle } = await jobOfNew();
      const owner = { vehicleId: vehicle.id, reach: '' };
      return {
        room: { of: 'vehicle', id: vehicle.id },
        theirs: { ...owner, name: 'The baker' },
        mine: { ...owner, name: 'The nurse' },
        // Who it is stands in no line.
        told: /^(?!.*baker).*owner: changed/,
      };
    },
  ],
  [
    'tyre',
    async () => {
      const { jobId, vehicle } = await jobOfNew();
      return {
        room: { of: 'vehicle', id: vehicle.id },
        theirs: { jobId, form: { tyre: '205/55R16', finalDrive: '' } },
        mine: { jobId, form: { tyre: '195/65R15', finalDrive: '' } },
        told: /205\/55R16/,
      };
    },
  ],
  [
    'bleed-order',
    async () => {
      const { jobId, vehicle } = await jobOfNew();
      return {
        room: { of: 'vehicle', id: vehicle.id },
        theirs: { jobId, order: 'RR RL FR FL', source: 'maker' },
        mine: { jobId, order: 'FL FR RL RR', source: 'maker' },
        told: /RR, RL, FR, FL/,
      };
    },
  ],
  [
    'complaint',
    async () => {
      const { jobId } = await jobOfNew();
      const form = { complaint: 'shakes', odometerKm: '50000', corners: ['FL', 'FR'] };
      return {
        room: ofJob(jobId),
        theirs: { jobId, form },
        mine: { jobId, form: { ...form, complaint: 'squeals' } },
        told: /complaint x → complaint shakes/,
      };
    },
  ],
  [
    'finding',
    async () => {
      const { jobId } = await jobOfNew();
      const finding = { jobId, code: 'pull', corner: null };
      return {
        room: ofJob(jobId),
        theirs: { ...finding, value: 'left' },
        mine: { ...finding, value: 'right' },
        told: /left/,
      };
    },
  ],
  [
    'set-details',
    async () => {
      const { jobId } = await jobOfNew();
      const setId = crypto.randomUUID();
      await done('set-begin', {
        ...{ id: setId, jobId, corner: 'FL', kind: 'thickness', phase: 'before' },
        ...{ face: 'outboard', positions: 8, shift: 0 },
      });
      return {
        room: ofJob(jobId),
        theirs: { setId, rotorCelsius: 20 },
        mine: { setId, rotorCelsius: 40 },
        told: /FL thickness/,
      };
    },
  ],
  [
    'torque-figure',
    async () => {
      const { jobId } = await jobOfNew();
      const figure = (text: string) => ({
        ...{ jobId, axle: 'front', fastener: 'wheel-nuts', source: 'maker', angle: 0 },
        ...{ figure: { text, unit: 'N·m', confirmed: true }, treatment: '', oneUse: false },
      });
      return { room: SHOP, theirs: figure('110'), mine: figure('120'), told: /110/ };
    },
  ],
  ...['sheet', 'sheet-drop'].map((name): [string, () => Promise<Two>] => [
    name,
    async () => {
      const form = (discard: string) => ({
        ...{ make: 'Pellick', model: `Tern ${name}`, yearFrom: '', yearTo: '', axle: 'front' },
        ...{ variant: '', wheel: '', figures: { discard: { text: discard, source: 'maker' } } },
      });
      const id = String(await done('sheet', { id: null, form: form('24') }, 'lead'));
      const [theirs, mine] = [form('25'), form('26')].map((each) => ({ id, form: each }));
      return { room: SHOP, theirs, mine: name === 'sheet' ? mine : { id }, told: /25/ };
    },
  ]),
  ...['decide', 'decide-pair', 'undecide'].map(decided),
  ...['gauge', 'gauge-retire'].map((name): [string, () => Promise<Two>] => [
    name,
    async () => {
      const gauge = {
        ...{ name: `Dial ${name}`, kind: 'dial', resolution: '0.01', repeatability: '0.003' },
        ...{ mpe: '', due: '', unit: '', turned: false, isUsual: false, lineFormat: null },
      };
      const id = String(await done('gauge', gauge));
      const theirs = { ...gauge, id, resolution: '0.002' };
      return { room: SHOP, theirs, mine: name === 'gauge' ? { ...gauge, id } : { id }, told: /2/ };
    },
  ]),
  ...['person-change', 'person-remove'].map((name): [string, () => Promise<Two>] => [
    name,
    async () => {
      const person = { name: `Wanda ${name}`, role: 'apprentice' };
      const id = String(await done('person', person, 'lead'));
      const form = { role: 'technician', initials: 'WX' };
      const mine = name === 'person-change' ? { id, form: { ...form, initials: 'WY' } } : { id };
      return { room: SHOP, theirs: { id, form }, mine, told: /initials WX/ };
    },
  ]),
  [
    'prices',
    async () => {
      const form = formOfShop(await shopOfToday(), 'mm');
      return {
        room: SHOP,
        theirs: { ...form, hourly: '77' },
        mine: { ...form, hourly: '88' },
        told: /hourly 77/,
      };
    },
  ],
  [
    'knowledge',
    async () => {
      const weight = (decibans: string) => ({
        what: 'weight',
        fields: { answer: 'pull left', cause: 'hose', decibans },
      });
      return Promise.resolve({ room: SHOP, theirs: weight('3'), mine: weight('5'), told: /3/ });
    },
  ],
  [
    'torque-unit',
    () => Promise.resolve({ room: SHOP, theirs: 'lb·ft', mine: 'N·m', told: /lb·ft/ }),
  ],
  ['positions', () => Promise.resolve({ room: SHOP, theirs: 12, mine: 16, told: /12/ })],
  [
    'rule',
    async () => {
      const [first] = PROCEDURE.rules;
      const [own, other] = first!.schools;
      return Promise.resolve({
        room: SHOP,
        theirs: { rule: first!.code, choice: own!.code },
        mine: { rule: first!.code, choice: other!.code },
        told: new RegExp(own!.code),
      });
    },
  ],
  [
    'programme',
    async () => {
      const [school] = BEDDING_SCHOOLS;
      const programme = SHIPPED_PROGRAMMES[school];
      return Promise.resolve({
        room: SHOP,
        theirs: { school, programme: { ...programme, coolMinutes: 7 } },
        mine: { school, programme: { ...programme, coolMinutes: 9 } },
        told: /7/,
      });
    },
  ],
]);

test('every use case that replaces something is tried here', () => {
  expect([...CASES.keys()].sort()).toEqual([...REPLACING].sort());
  expect(REPLACING.filter((name) => !USE_CASE_NAMES.some((each) => each === name))).toEqual([]);
});

describe.each([...CASES])('%s', (name, make) => {
  const send = async (device: string, use: string, input: unknown, seen: number) => {
    const write = numbered(use, input, { by: ids.lead, place: `${name} of a test`, seen });
    const [result] = await sendWrites([write], device);
    return result!;
  };

  // 2026-11-27: two tablets at one form: the later one wrote over the earlier one unseen.
  test('what another tablet wrote meanwhile is told, with who wrote it, and not written over', async () => {
    const { room, theirs, mine, told } = await make();
    const reach = async (): Promise<number> => reachOf(await database(), room);
    const seen = await reach();
    const first = name === 'undecide' || name === 'decide-pair' ? 'decide' : name;
    const theirName =
      { 'gauge-retire': 'gauge', 'person-remove': 'person-change', 'sheet-drop': 'sheet' }[name] ??
      first;
    expect(await send(OTHER, theirName, theirs, seen)).toMatchObject({ state: 'done' });
    const stands = await reach();
    const met = await send(DEVICE, name, mine, seen);
    expect(met).toMatchObject({
      state: 'conflict',
      value: { kept: false, theirs: { by: 'Ines', said: expect.stringMatching(told) as string } },
    });
    expect(await reach()).toBe(stands);
    const { seq } = (met as { value: { theirs: { seq: number } } }).value.theirs;
    expect(await send(DEVICE, name, mine, seq)).toMatchObject({
      state: 'done',
      seq: await reach(),
    });
  });
});

test('a page that follows its device has seen what was written on it; fields that were filled have not', async () => {
  const person = { name: 'Walter', role: 'apprentice' };
  const id = String(await done('person', person, 'lead'));
  const seen = await reachOf(await database(), SHOP);
  const change = (initials: string, isOwnSeen: boolean) => ({
    ...numbered('person-change', { id, form: { role: 'technician', initials } }, { by: ids.lead }),
    seen: { upTo: seen, isOwnSeen },
  });
  const states = async (write: unknown): Promise<string> => (await sendWrites([write]))[0]!.state;
  expect(await states(change('WA', false))).toBe('done');
  expect(await states(change('WB', true))).toBe('done');
  expect(await states(change('WC', false))).toBe('conflict');
});

test('a page that does not say what it shows replaces nothing', async () => {
  const person = { name: 'Ulla', role: 'apprentice' };
  const id = String(await done('person', person, 'lead'));
  const { seen: _, ...write } = numbered(
    'person-change',
    { id, form: { role: 'lead', initials: 'UL' } },
    { by: ids.lead },
  );
  expect((await sendWrites([write]))[0]).toMatchObject({ state: 'conflict' });
});

// 2026-11-27: an answer of the nose went over what another tablet had looked at, unseen.
test('an answer that is a look by another name is told of what another saw there', async () => {
  const { jobId } = await jobOfNew();
  const seen = await reachOf(await database(), ofJob(jobId));
  await tick(jobId, 'look/FL/seat', ['rust']);
  const finding = { jobId, code: 'hub-look', corner: 'FL', value: 'clean' };
  const write = numbered('finding', finding, { by: ids.technician, seen });
  expect((await sendWrites([write]))[0]).toMatchObject({ state: 'conflict' });
});
