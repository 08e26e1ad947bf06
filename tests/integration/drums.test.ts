import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { VEHICLES } from '@/cli/demo/vehicles';
import { DEMO_SHOP } from '@/core/bench';
import { formOfShop } from '@/core/contracts';
import {
  costDecided,
  drumAt,
  findingsOfJob,
  outcomeOf,
  outOfQuestion,
  partsNeeded,
  readinessOf,
  rebuildSteps,
  signOffOf,
  stagesOf,
  standingOf,
  totalOf,
} from '@/core/job';
import { moveBlockers, pedalBlockers } from '@/core/procedure';
import type { Corner } from '@/core/readings';
import { pullsOf } from '@/core/torque';
import { seededRandom } from '@/core/numeric';
import { refuse } from '@/server/answer';
import { closeDatabase, inTransaction } from '@/server/database';
import { decidePage } from '@/server/decide/decidePage';
import { estimateOf } from '@/server/decide/estimate';
import { fileReport } from '@/server/report/file';
import { ownerReport } from '@/server/report/owner';
import { effectsOfVehicle, saveVehicle } from '@/server/shop/vehicles';
import { known } from './known';
import { useRecords } from './demo';
import { ask, checkInput, done, jobOf, pumped, sign, threePeople, tick } from '../support/wholeJob';

/** A rear axle with drums, from the complaint to the sign-off: the same honesty as for a rotor. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-drums-'));
let vehicleId = '';
const REAR: readonly Corner[] = ['RL', 'RR'];

beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
  await done('prices', formOfShop(DEMO_SHOP, 'mm'), 'lead');
  vehicleId = known(await saveVehicle(null, { ...VEHICLES.nurse!, plate: 'SK-700-D' }));
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const newJob = async (corners: readonly Corner[] = REAR): Promise<string> =>
  String(
    await done('job', {
      vehicleId,
      complaint: 'Rumbles',
      odometerKm: '61000',
      corners: [...corners],
    }),
  );

/** Reads the four diameters of a drum. */
async function read(
  jobId: string,
  corner: Corner,
  mm: readonly number[],
  of: 'drum' | 'drum-after' = 'drum',
): Promise<void> {
  for (const [i, value] of mm.entries()) {
    await tick(jobId, `figure/${corner}/${of}-${i + 1}`, { text: String(value), unit: 'mm' });
  }
}
const refused = async (jobId: string, key: string, value: unknown, note: string | null = null) =>
  ask('check', await checkInput(jobId, key, value, note), 'technician');

/** Puts both drums on again and draws their wheels up. */
async function putTogether(jobId: string): Promise<void> {
  for (const corner of REAR) {
    for (const { code } of rebuildSteps(await jobOf(jobId), corner)) {
      await tick(jobId, `rebuild/${corner}/${code}`, 'done');
    }
  }
  await tick(jobId, 'hydraulics//none-opened', 'done');
  const nuts = { jobId, axle: 'rear', fastener: 'wheel-nuts', source: 'maker', angle: 0 };
  const screw = { ...nuts, fastener: 'rotor-screw' };
  for (const [figure, text] of [
    [nuts, '110'],
    [screw, '9'],
  ] as const) {
    await done('torque-figure', {
      ...{ ...figure, treatment: '', oneUse: false },
      figure: { text, unit: 'N·m', confirmed: true },
    });
  }
  for (const corner of REAR) {
    await tick(jobId, `torque/${corner}/star`, { pulls: pullsOf(4, 3).map(() => null) });
    await tick(jobId, `torque/${corner}/rotor-screw`, { text: '9', unit: 'N·m' });
    await tick(jobId, `torque/${corner}/wheel-nuts`, { text: '110', unit: 'N·m' });
    await tick(jobId, `torque/${corner}/vehicle-down`, 'done');
  }
}

const EMPTY = { length: '', source: 'maker' as const };
const OVAL = [228.52, 228.4, 228.28, 228.4];
const ROUND = [228.3, 228.3, 228.31, 228.3];

test('a drum has no rotor: no set, no decision of a rotor, no question about one', async () => {
  const jobId = await newJob();
  const begin = {
    ...{ jobId, corner: 'RL', kind: 'runout', phase: 'before', face: 'outboard' },
    ...{ positions: 12, shift: 0 },
  };
  expect(await ask('set-begin', begin, 'technician')).toMatch(/has a drum/);
  expect(await ask('decide', { jobId, corner: 'RL', action: 'new' }, 'technician')).toMatch(
    /has a drum|cannot/,
  );
  expect((await decidePage(await jobOf(jobId))).corners).toEqual([]);
  const { without, never } = outOfQuestion(await jobOf(jobId));
  expect(without).toEqual(expect.arrayContaining(['face-check', 'pins-check', 'runout']));
  expect(never).toEqual(['dtv-rear']);
  // With a rotor in the job its questions are asked.
  expect(outOfQuestion(await jobOf(await newJob(['FL', 'RL']))).without).toEqual([]);
});

test('a drum that was measured inside was off: wheel and pedal are asked for, whatever was ticked', async () => {
  const jobId = await newJob();
  expect(moveBlockers(readinessOf(await jobOf(jobId)))).toEqual([]);
  await read(jobId, 'RL', [228.3]);
  const says = moveBlockers(readinessOf(await jobOf(jobId))).map(({ say }) => say);
  expect(says).toEqual(
    expect.arrayContaining([
      'The drum of RL is off its shoes.',
      'The wheel of RL is not drawn up in the star.',
      expect.stringMatching(/pedal was not pumped/),
    ]),
  );
  expect(stagesOf(await jobOf(jobId)).map(({ key }) => key)).toContain('rebuild');
});

test('nothing is decided before it is measured, and nothing that its figures forbid', async () => {
  const jobId = await newJob();
  const decided = { work: 'keep', shoes: false };
  expect(await refused(jobId, 'drum/RL/decided', decided)).toMatch(/four diameters/);
  await read(jobId, 'RL', OVAL);
  expect(await refused(jobId, 'drum/RL/decided', decided)).toMatch(/out of round/);
  await tick(jobId, 'look/RL/drum-face', ['spots']);
  expect(await refused(jobId, 'drum/RL/decided', { ...decided, work: 'cut' })).toMatch(
    /hard spots/,
  );
  expect(drumAt(await jobOf(jobId), 'RL').advised).toBe('renew');
  await tick(jobId, 'look/RL/drum-face', []);
  expect(drumAt(await jobOf(jobId), 'RL').advised).toBe('cut');
  // A front corner has none.
  const front = await newJob(['FL']);
  expect(await refused(front, 'drum/FL/decided', { work: 'renew', shoes: false })).toMatch(
    /no drum/,
  );
  // An apprentice measures; what is done about it is another’s.
  const input = await checkInput(jobId, 'drum/RL/decided', { work: 'cut', shoes: false });
  expect(await ask('check', input, 'apprentice')).toMatch(/technician/);
});

test('an oval drum cut, its mate with it, new shoes: priced, told, proven, signed', async () => {
  const jobId = await newJob();
  const job = () => jobOf(jobId);
  for (const corner of REAR) {
    await tick(jobId, `step/${corner}/wheel-off-bolts`, 'done');
    await tick(jobId, `step/${corner}/drum-off`, 'done');
  }
  expect(pedalBlockers(readinessOf(await job())).map(({ say }) => say)).toEqual([
    'The drum of RL is off its shoes.',
    'The drum of RR is off its shoes.',
  ]);
  await read(jobId, 'RL', OVAL);
  await read(jobId, 'RR', ROUND);
  expect(findingsOfJob(await job())).toEqual(
    expect.arrayContaining([
      { code: 'drum-check', value: 'oval', corner: 'RL' },
      { code: 'drum-check', value: 'round', corner: 'RR' },
      { code: 'drum-size', value: 'within', corner: 'RL' },
    ]),
  );
  expect(stagesOf(await job()).find(({ key }) => key === 'measure')?.state).toBe('done');
  const estimate = await estimateOf(await job(), 'mm');
  // The axle as one: the left may not stay as it is, so neither does.
  expect(estimate.parts.map(({ where, ways }) => [where, ways.map(({ what }) => what)])).toEqual([
    [
      'rear axle, drums',
      ['Machine the brake drum round on the lathe, both sides', 'Fit a new brake drum, both sides'],
    ],
  ]);
  await tick(jobId, 'drum/RL/decided', { work: 'cut', shoes: true });
  expect(signOffOf(await job()).open.map(({ say }) => say)).toContain(
    'RL: its drum was worked on alone; both of an axle are cut or renewed alike.',
  );
  await tick(jobId, 'drum/RR/decided', { work: 'cut', shoes: true });
  // Two cuts, one set of shoes for the axle.
  const { items, hourly } = DEMO_SHOP.prices;
  const expected =
    2 * ((items['drum-cut'].minutes! / 60) * hourly! + items['drum-cut'].parts!) +
    (items.shoes.minutes! / 60) * hourly! +
    items.shoes.parts!;
  expect(totalOf(costDecided(await job()))).toBeCloseTo(expected, 6);
  expect(partsNeeded(await job()).map(({ name }) => name)).toEqual([
    'Brake shoes with springs, set of an axle',
  ]);
  // Neither is ticked without its figures, nor the drum put on before that.
  expect(await refused(jobId, 'drum/RL/done', 'done')).toMatch(/after the work/);
  expect(await refused(jobId, 'rebuild/RL/drum-on', 'done')).toMatch(/Correct page/);
  await read(jobId, 'RL', [228.2, 228.2, 228.2, 228.2], 'drum-after');
  expect(await refused(jobId, 'drum/RL/done', 'done')).toMatch(/no smaller/);
  await read(jobId, 'RL', [228.6, 228.6, 228.6, 228.6], 'drum-after');
  await read(jobId, 'RR', [228.6, 228.6, 228.61, 228.6], 'drum-after');
  for (const corner of REAR) await tick(jobId, `drum/${corner}/done`, 'done');
  expect(await refused(jobId, 'drum/RL/decided', { work: 'renew', shoes: true })).toMatch(
    /ticked as done/,
  );
  await putTogether(jobId);
  expect(moveBlockers(readinessOf(await job())).map(({ say }) => say)).toEqual([
    expect.stringMatching(/pedal was not pumped/),
  ]);
  await pumped(jobId);
  for (const corner of REAR) await tick(jobId, `pedal/${corner}/turns`, 'free');
  expect(standingOf(await job())).toMatchObject({ mustNotMove: [], isWithin: true });
  expect(outcomeOf(await job())?.state).toBe('not-proven');
  await tick(jobId, 'prove//feel-after', { wheel: 0, pedal: 0, seat: 0 });
  expect(outcomeOf(await job())?.state).toBe('cured');
  const report = ownerReport(await job(), 'mm');
  expect(report.found.join(' ')).toMatch(/Rear left: the brake drum is out of round by 0\.240 mm/);
  expect(report.done).toEqual(
    expect.arrayContaining([
      'Rear left: the brake drum was machined round; new brake shoes were fitted.',
    ]),
  );
  expect(report.figures).toContainEqual({
    ...{ corner: 'RL', what: 'Drum, out of round', before: '0.240 mm', after: '0.000 mm' },
    limit: '0.100 mm',
  });
  const file = fileReport(await job(), 'mm');
  expect(file.steps.map(({ say }) => say)).toEqual(
    expect.arrayContaining(['RL Drum: Cut it on the lathe, with new shoes']),
  );
  expect(signOffOf(await job()).blocks).toEqual([]);
});

describe('no two writes get round a drum’s danger', () => {
  const LIMIT = 'drumDiscard';
  /** A job whose drums were kept with new shoes: together, pumped, and to be signed. */
  async function wholeDrums(): Promise<string> {
    const jobId = await newJob();
    for (const corner of REAR) {
      await tick(jobId, `step/${corner}/wheel-off-bolts`, 'done');
      await tick(jobId, `step/${corner}/drum-off`, 'done');
      await read(jobId, corner, ROUND);
      await tick(jobId, `drum/${corner}/decided`, { work: 'keep', shoes: true });
      await tick(jobId, `drum/${corner}/done`, 'done');
    }
    await putTogether(jobId);
    await pumped(jobId);
    return jobId;
  }
  const vehicle = (own: object, why = 'read again') => ({
    id: vehicleId,
    form: {
      ...VEHICLES.nurse!,
      ...{ plate: 'SK-700-D', why },
      rear: { ...VEHICLES.nurse!.rear, ...own },
    },
  });
  const limit = (length: string) => {
    const { limits } = VEHICLES.nurse!.rear;
    return vehicle({ limits: { ...limits, [LIMIT]: { length, source: 'maker' } } });
  };
  const check = (key: string, value: unknown, note: string | null = 'slip') => ({
    key,
    send: async (jobId: string) =>
      ask('check', { ...(await checkInput(jobId, key, value)), note }, 'technician'),
  });
  const send = (key: string, name: string, input: (jobId: string) => unknown) => ({
    key,
    send: async (jobId: string) => ask(name, input(jobId), 'technician'),
  });
  const small = { text: '228.1', unit: 'mm' };
  const ACTS = [
    ...[1, 2, 3, 4].map((place) => check(`figure/RL/drum-${place}`, small)),
    check('figure/RL/drum-1', null),
    check('figure/RL/stamped-drum', { text: '235', unit: 'mm' }),
    check('figure/RL/stamped-drum', null),
    check('figure/RL/drum-after-1', small),
    check('drum/RL/done', null),
    check('drum/RL/done', 'done'),
    check('drum/RL/decided', null),
    check('drum/RL/decided', { work: 'keep', shoes: false }),
    check('drum/RL/decided', { work: 'cut', shoes: false }),
    check('drum/RL/decided', { work: 'renew', shoes: false }),
    check('look/RL/drum-outside', []),
    check('look/RL/cylinder', null),
    check('fixed/RL/drum-outside', 'fixed'),
    check('step/RL/drum-off', null),
    check('rebuild/RL/drum-on', 'done'),
    check('pedal//none-moved', 'done'),
    send('limit raised', 'vehicle', () => limit('235 mm')),
    send('limit emptied', 'vehicle', () => limit('')),
    send('no drum at all', 'vehicle', () => vehicle({ caliper: 'floating', traits: [] })),
    send('other corners', 'complaint', (jobId) => ({
      jobId,
      form: { complaint: 'x', odometerKm: '61000', corners: ['FL'] },
    })),
  ];
  const DANGERS: Readonly<Record<string, (jobId: string) => Promise<unknown>>> = {
    'beyond its limit': (jobId) => read(jobId, 'RL', [229.6]),
    'beyond what is stamped': (jobId) =>
      tick(jobId, 'figure/RL/stamped-drum', { text: '228.2', unit: 'mm' }),
    cracked: (jobId) => tick(jobId, 'look/RL/drum-outside', ['crack']),
    'a cylinder that leaks': (jobId) => tick(jobId, 'look/RL/cylinder', ['leaking']),
  };
  async function gotRound(jobId: string): Promise<string[]> {
    const job = await jobOf(jobId);
    const { decision } = drumAt(job, 'RL');
    // Said by name to be a new drum: that is its answer.
    if (decision?.work === 'renew' && decision.isDone) return [];
    return [
      ...(standingOf(job).mustNotMove.length === 0 ? ['may be moved'] : []),
      ...(standingOf(job).isWithin ? ['within'] : []),
      ...(ownerReport(job, 'mm').mustNotMove.length === 0 ? ['does not warn'] : []),
      ...((await sign(jobId)) === null ? ['signed'] : []),
    ];
  }
  const pairs = (seed: number): (typeof ACTS)[] => {
    const all = ACTS.flatMap((first) => ACTS.map((second) => [first, second]));
    if (process.env.SEQUENCES === 'all') return all;
    const random = seededRandom(seed);
    return Array.from({ length: 24 }, () => all[Math.floor(random.uniform() * all.length)]!);
  };

  test.each(Object.keys(DANGERS))(
    '%s',
    async (danger) => {
      const jobId = await wholeDrums();
      expect(standingOf(await jobOf(jobId)).mustNotMove).toEqual([]);
      await DANGERS[danger]!(jobId);
      expect(await gotRound(jobId)).toEqual([]);
      const failed: string[] = [];
      for (const pair of pairs(Object.keys(DANGERS).indexOf(danger) + 3)) {
        await inTransaction(async () => {
          for (const { send: act } of pair) await act(jobId);
          const how = await gotRound(jobId);
          if (how.length > 0)
            failed.push(`${pair.map(({ key }) => key).join(', ')}: ${how.join(', ')}`);
          return refuse('undone');
        });
      }
      expect(failed).toEqual([]);
    },
    1_200_000,
  );
});

describe('beyond its wear limit a drum does not leave', () => {
  const WORN = [229.56, 229.55, 229.56, 229.55];
  const beyond = 'The drum of RL is beyond its wear limit: it is renewed.';
  const blocked = async (jobId: string): Promise<string[]> =>
    moveBlockers(readinessOf(await jobOf(jobId))).map(({ say }) => say);

  test('by one place alone, and by what is stamped on it where that is less', async () => {
    const jobId = await newJob();
    await read(jobId, 'RL', [229.6]);
    expect(await blocked(jobId)).toContain(beyond);
    const other = await newJob();
    await read(other, 'RL', ROUND);
    expect(await blocked(other)).not.toContain(beyond);
    await tick(other, 'figure/RL/stamped-drum', { text: '228.2', unit: 'mm' });
    expect(await blocked(other)).toContain(beyond);
  });

  test('a cut does not end it, a new drum does, and only once it is on', async () => {
    const jobId = await newJob();
    await read(jobId, 'RL', WORN);
    expect(await refused(jobId, 'drum/RL/decided', { work: 'cut', shoes: false })).toMatch(
      /wear limit/,
    );
    expect(await refused(jobId, 'drum/RL/decided', { work: 'keep', shoes: true })).toMatch(
      /wear limit/,
    );
    await tick(jobId, 'drum/RL/decided', { work: 'renew', shoes: false });
    await read(jobId, 'RL', [228, 228, 228.01, 228], 'drum-after');
    expect(await blocked(jobId)).toContain(beyond);
    await tick(jobId, 'drum/RL/done', 'done');
    expect(await blocked(jobId)).not.toContain(beyond);
    // Taken back, it stands as it was; and that it was off is not forgotten.
    const back = await checkInput(jobId, 'drum/RL/done', null, 'pressed too early');
    expect(await ask('check', back, 'technician')).toBeNull();
    expect(await blocked(jobId)).toEqual(
      expect.arrayContaining([beyond, 'The drum of RL is off its shoes.']),
    );
  });

  test('what another wear limit would turn is said before it is written', async () => {
    const jobId = await newJob();
    await read(jobId, 'RL', ROUND);
    const { rear } = VEHICLES.nurse!;
    const drumDiscard = { length: '228.25 mm', source: 'maker' as const };
    const form = {
      ...{ ...VEHICLES.nurse!, plate: 'SK-700-D', why: 'read again' },
      rear: { ...rear, limits: { ...rear.limits, drumDiscard, drumMachineTo: EMPTY } },
    };
    const effects = known(await effectsOfVehicle(vehicleId, form));
    expect(effects.filter((each) => each.jobId === jobId)).toEqual([
      expect.objectContaining({
        corner: 'RL',
        what: 'drum diameter',
        was: 'within',
        becomes: 'beyond',
      }),
      expect.objectContaining({ what: 'advice', was: 'Keep it as it is', becomes: 'New drum' }),
    ]);
  });

  test('decided otherwise, what was measured after the work before is none of this one', async () => {
    const jobId = await newJob();
    await read(jobId, 'RL', OVAL);
    await tick(jobId, 'drum/RL/decided', { work: 'cut', shoes: false });
    await read(jobId, 'RL', [228.6, 228.6, 228.6, 228.6], 'drum-after');
    await tick(jobId, 'drum/RL/done', 'done');
    // Taken back with a reason only.
    expect(await refused(jobId, 'drum/RL/done', null)).toMatch(/few words/);
    expect(await refused(jobId, 'drum/RL/done', null, 'chatter, it goes to scrap')).toBeNull();
    // With shoes it is the same cut; renewed it is another drum.
    await tick(jobId, 'drum/RL/decided', { work: 'cut', shoes: true });
    expect(drumAt(await jobOf(jobId), 'RL').after).not.toBeNull();
    await tick(jobId, 'drum/RL/decided', { work: 'renew', shoes: true });
    expect(drumAt(await jobOf(jobId), 'RL').after).toBeNull();
    expect(await refused(jobId, 'drum/RL/done', 'done')).toMatch(/after the work/);
  });

  test('without a wear limit nothing is advised but to read it; too close to it is signed for', async () => {
    const bare = { ...VEHICLES.nurse!.rear.limits, drumDiscard: EMPTY, drumMachineTo: EMPTY };
    const other = known(
      await saveVehicle(null, {
        ...{ ...VEHICLES.nurse!, plate: 'SK-701-D' },
        rear: { ...VEHICLES.nurse!.rear, limits: bare },
      }),
    );
    const form = { vehicleId: other, complaint: 'x', odometerKm: '', corners: ['RL'] };
    const jobId = String(await done('job', form));
    await read(jobId, 'RL', ROUND);
    expect(drumAt(await jobOf(jobId), 'RL').advised).toBeNull();
    await tick(jobId, 'figure/RL/stamped-drum', { text: '228.32', unit: 'mm' });
    expect(signOffOf(await jobOf(jobId)).open.map(({ say }) => say)).toContain(
      'RL: the drum is too close to its wear limit to call.',
    );
  });

  test('a reading that is read otherwise since is told to a lead', async () => {
    const jobId = await newJob();
    await read(jobId, 'RL', WORN);
    await read(jobId, 'RL', ROUND);
    const told = (await blocked(jobId)).filter((say) =>
      /beyond the wear limit was changed/.test(say),
    );
    expect(told.length).toBe(4);
    expect(told[0]).toMatch(
      /RL: a drum diameter beyond the wear limit was changed \(229\.5[56] mm\)/,
    );
  });

  test('a crack is put right by a new drum alone', async () => {
    const jobId = await newJob();
    await read(jobId, 'RL', ROUND);
    await tick(jobId, 'look/RL/drum-outside', ['crack']);
    expect(drumAt(await jobOf(jobId), 'RL').advised).toBe('renew');
    expect(await refused(jobId, 'fixed/RL/drum-outside', 'fixed', 'ground out')).toMatch(/new/i);
    await tick(jobId, 'drum/RL/decided', { work: 'renew', shoes: false });
    await read(jobId, 'RL', [228, 228, 228, 228], 'drum-after');
    await tick(jobId, 'drum/RL/done', 'done');
    expect((await blocked(jobId)).join(' ')).not.toMatch(/cracked/);
  });

  test('a wheel cylinder that leaks stops it, and opens the system once it is put right', async () => {
    const jobId = await newJob();
    await tick(jobId, 'look/RL/cylinder', ['leaking']);
    expect((await blocked(jobId)).join(' ')).toMatch(/wheel cylinder leaks/);
    await tick(jobId, 'fixed/RL/cylinder', 'fixed', 'new wheel cylinder');
    const state = readinessOf(await jobOf(jobId));
    expect(state.opened.length).toBeGreaterThan(0);
    expect(
      moveBlockers(state)
        .map(({ say }) => say)
        .join(' '),
    ).not.toMatch(/wheel cylinder leaks/);
  });
});
