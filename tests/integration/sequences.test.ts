import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { isRotorRenewed, standingOf } from '@/core/job';
import { seededRandom } from '@/core/numeric';
import { refuse } from '@/server/answer';
import { closeDatabase, inTransaction } from '@/server/database';
import { ownerReport } from '@/server/report/owner';
import { trials } from '../support/trials';
import { useRecords } from './demo';
import {
  APART,
  ask,
  checkInput,
  done,
  ids,
  jobOf,
  newVehicle,
  runOn,
  pumped,
  sign,
  thickness,
  threePeople,
  tick,
  wholeJob,
  type Role,
} from '../support/wholeJob';

/**
 * Sequences of writes that try to get round a stop: on a job with one open danger, whatever people
 * of any role send, as long as no lead answers, it ends neither moved nor signed nor in a document
 * that reassures. On PostgreSQL with `TEST_PG`. Every pair with `SEQUENCES=all`; else pairs and longer ones by a seed.
 */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-sequences-'));
const isAll = process.env.SEQUENCES === 'all';
const A_DANGER = Number(process.env.SEQUENCES) || trials(60, 12);
let vehicle: Awaited<ReturnType<typeof newVehicle>>;

beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
  vehicle = await newVehicle();
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

/** A job under attack. */
interface Target {
  readonly jobId: string;
  /** The set that holds the danger, where there is one. */
  readonly setId: string;
}

type Act = (target: Target) => Promise<unknown>;

/** Whatever comes of it: a refusal is an answer too. */
const tryIt =
  (name: string, input: (target: Target) => unknown, role: Role | null): Act =>
  async (target) =>
    ask(name, await input(target), role);

const check =
  (key: string, value: unknown, role: Role | null = 'technician', note: string | null = 'slip') =>
  (target: Target): Promise<string | null> =>
    checkInput(target.jobId, key, value, note).then((input) => ask('check', input, role));

const limits = (length: string, why: string) => {
  const { front } = vehicle.form;
  const discard = { length, source: 'maker' as const };
  return {
    id: vehicle.id,
    form: { ...vehicle.form, why, front: { ...front, limits: { ...front.limits, discard } } },
  };
};

/** Everything that the pages can send which might help; none of it is a lead’s answer. */
const ACTS: Readonly<Record<string, Act>> = {
  'leak taken back': check('look/FL/leaks', null),
  'leak to sound': check('look/FL/leaks', []),
  'leak to sound, nobody named': check('look/FL/leaks', [], null),
  'leak to sound, no reason': check('look/FL/leaks', [], 'lead', null),
  'leak put right': check('fixed/FL/leaks', 'fixed', 'apprentice'),
  'crack to sound': check('look/FL/cracks', []),
  'crack taken back': check('look/FL/cracks', null),
  'crack put right': check('fixed/FL/cracks', 'fixed'),
  'the rest sound': tryIt('looks-sound', ({ jobId }) => ({ jobId, corner: 'FL' }), 'apprentice'),
  'bulk undo': tryIt(
    'looks-back',
    async ({ jobId }) => ({
      jobId,
      stamps: (await jobOf(jobId)).checks.slice(0, 99).map(({ stamp }) => stamp),
    }),
    'technician',
  ),
  'answer taken back': tryIt(
    'finding',
    ({ jobId }) => ({ jobId, code: 'pump-test', corner: null, value: null }),
    'technician',
  ),
  'answered otherwise': tryIt(
    'finding',
    ({ jobId }) => ({ jobId, code: 'pump-test', corner: null, value: 'firm' }),
    'apprentice',
  ),
  'answer set aside': tryIt(
    'finding-aside',
    ({ jobId }) => ({ jobId, code: 'pump-test', isAside: true }),
    'apprentice',
  ),
  'set put aside': tryIt('set-aside', ({ setId }) => ({ setId, reason: 'slip' }), 'technician'),
  'set put aside, nobody named': tryIt(
    'set-aside',
    ({ setId }) => ({ setId, reason: 'slip' }),
    null,
  ),
  'reading typed over': tryIt(
    'reading',
    ({ setId }) => ({ setId, lap: 0, position: 0, text: '27.0', unit: 'mm' }),
    'apprentice',
  ),
  'reading taken back': tryIt(
    'reading',
    ({ setId }) => ({ setId, lap: 0, position: 0, text: null, unit: 'mm' }),
    'apprentice',
  ),
  'a thick set after': ({ jobId }) => thickness(jobId, '27.0', { phase: 'after', places: 1 }),
  'a thick set before': ({ jobId }) => thickness(jobId, '27.0', { places: 1 }),
  'zero error that lifts it': tryIt(
    'set-details',
    ({ setId }) => ({ setId, zeroErrorUm: -1000 }),
    'apprentice',
  ),
  'finished thickness': check('correct/FL/finished', { text: '26.8', unit: 'mm' }),
  'correction ticked': check('correct/FL/done', 'done'),
  'discard emptied': tryIt('vehicle', () => limits('', 'not stamped'), 'technician'),
  'discard lowered': tryIt('vehicle', () => limits('20 mm', 'read again'), 'technician'),
  'discard lowered by a lead, no reason': tryIt('vehicle', () => limits('20 mm', ''), 'lead'),
  'the other corners only': tryIt(
    'complaint',
    ({ jobId }) => ({ jobId, form: { complaint: 'x', odometerKm: '50000', corners: ['RR'] } }),
    'technician',
  ),
  'left as it is': tryIt(
    'decide',
    ({ jobId }) => ({ jobId, corner: 'FL', action: 'leave' }),
    'technician',
  ),
  undecided: tryIt('undecide', ({ jobId }) => ({ jobId, corner: 'FL' }), 'technician'),
  'wheel never off': check('step/FL/wheel-off', null),
  'caliper never off': check('step/FL/caliper-off', null),
  'pistons never moved': check('step/FL/push-back', null),
  'none moved': check('pedal//none-moved', 'done'),
  'pedal firm': check('pedal//firm', 'done'),
  'pedal held': check('pedal//held', 'held'),
  'sank taken back': check('pedal//held', null),
  'sank taken back, nobody named': check('pedal//held', null, null),
  'pedal level': check('pedal//level', 'done'),
  'caliper on again': check('rebuild/FL/caliper-on', 'done'),
  'star taken back': check('torque/FL/star', null),
};

/** One open danger of each kind, made in a whole job. */
const DANGERS: Readonly<Record<string, (jobId: string) => Promise<string | undefined>>> = {
  'a leak': async (jobId) => void (await tick(jobId, 'look/FL/leaks', ['leak'])),
  'a crack': async (jobId) => void (await tick(jobId, 'look/FL/cracks', ['crack'])),
  'below discard as found': (jobId) => thickness(jobId, '25.0', { phase: 'as-found', places: 1 }),
  'below discard before': (jobId) => thickness(jobId, '25.0', { places: 1 }),
  'a pedal that sank': async (jobId) => void (await tick(jobId, 'pedal//held', 'sank')),
  'a caliper off': async (jobId) => {
    await tick(jobId, 'step/FL/caliper-off', null, 'slip');
    await tick(jobId, 'step/FL/caliper-off', 'done');
    return undefined;
  },
  'metal on metal': async (jobId) =>
    void (await done('finding', { jobId, code: 'noise', corner: null, value: 'grind' })),
};

/** What a job amounts to that must not: empty where every stop held. */
async function gotRound({ jobId }: Target): Promise<string[]> {
  const job = await jobOf(jobId);
  // A rotor that somebody says by name was renewed is answered: it is a new one.
  if (isRotorRenewed(job, 'FL')) return [];
  const report = ownerReport(job, 'mm');
  const standing = standingOf(job);
  return [
    ...(standing.mustNotMove.length === 0 ? ['may be moved'] : []),
    ...(standing.isWithin ? ['within'] : []),
    ...(report.mustNotMove.length === 0 ? ['a document that does not warn'] : []),
    ...(report.verdict?.state === 'cured' ? ['cured'] : []),
    ...((await check('pedal//moved', 'done')({ jobId, setId: '' })) === null ? ['moved'] : []),
    ...((await sign(jobId)) === null ? ['signed'] : []),
  ];
}

/** The sequences that are played on a danger. */
function sequences(seed: number): string[][] {
  const names = Object.keys(ACTS);
  if (isAll) return names.flatMap((first) => names.map((second) => [first, second]));
  const random = seededRandom(seed);
  const pick = (): string => names[Math.floor(random.uniform() * names.length)]!;
  return Array.from({ length: A_DANGER }, (_, i) => Array.from({ length: 2 + (i % 3) }, pick));
}

describe.each(Object.keys(DANGERS))('%s', (danger) => {
  test('is not got round', async () => {
    const jobId = await wholeJob(vehicle.id);
    const setId =
      (await DANGERS[danger]!(jobId)) ?? (await thickness(jobId, '27.0', { places: 1 }));
    const target = { jobId, setId };
    expect(await gotRound(target)).toEqual([]);
    const failed: string[] = [];
    // Every minute that was ever begun is over by now.
    runOn(3_600_000);
    for (const names of sequences(Object.keys(DANGERS).indexOf(danger) + 1)) {
      // Played in one transaction that is undone: every sequence begins at the same job.
      await inTransaction(async () => {
        for (const name of names) await ACTS[name]!(target);
        const how = await gotRound(target);
        if (how.length > 0) failed.push(`${names.join(', ')}: ${how.join(', ')}`);
        return refuse('undone');
      });
    }
    jest.restoreAllMocks();
    expect(failed).toEqual([]);
  }, 3_000_000);
});

test('the same job without a danger is signed: the stops are what held', async () => {
  const jobId = await wholeJob(vehicle.id);
  expect(ids.lead).not.toBe('');
  expect(APART).toHaveLength(3);
  expect(await sign(jobId)).toBeNull();
  await expect(pumped(jobId)).rejects.toThrow(/signed off/);
});
