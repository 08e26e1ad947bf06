import { readDial, type VirtualCorner } from '@/core/bench';
import { seededRandom } from '@/core/numeric';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import {
  findCheck,
  findingsOfJob,
  judgeCorner,
  outcomeOf,
  readinessOf,
  seatingAt,
  signOffOf,
  standingOf,
} from '@/core/job';
import { decide, undecide } from '@/server/decide/decisions';
import { loadJob } from '@/server/job/jobs';
import { beginSet, saveReadings } from '@/server/measure/sets';
import { proveView } from '@/server/prove/proveView';
import { fileReport } from '@/server/report/file';
import { ownerReport } from '@/server/report/owner';
import { jobNumber, standUpDemo } from './demo';
import { known } from './known';

standUpDemo();

const job = async (id: string) => (await loadJob(id))!;

/** A lap of runout read after the correction at the shift decided. */
async function readAgain(
  jobId: string,
  truth: VirtualCorner,
  shift: number,
  isVirtual = false,
): Promise<void> {
  const gauge = WORKSHOP_DEFAULTS.dialIndicator;
  const run = { shift, positions: 12, laps: 1, gauge, drift: 0.4 };
  const { laps, closing } = readDial(truth, run, seededRandom(5));
  const set = known(
    await beginSet({
      ...{ jobId, corner: 'FL', kind: 'runout', phase: 'after', shift },
      ...{ face: 'outboard', positions: 12, isVirtual },
    }),
  );
  const readings = [...(laps[0] ?? []), ...closing].map((value, position) => ({
    ...{ lap: 0, position, unit: 'mm', text: (value / 1000).toFixed(3) },
  }));
  known(await saveReadings(set.id, { readings }));
}

/** A rotor that sits on dirt: it runs out more than before. */
const ON_DIRT: VirtualCorner = {
  studs: 6,
  hub: [{ order: 1, amplitude: 60, highSpotDeg: 10 }],
  rotor: [{ order: 1, amplitude: 8, highSpotDeg: 200 }],
  meanThickness: 27_310,
  thickness: [{ order: 1, amplitude: 3, highSpotDeg: 10 }],
};

test('a job is not proven until it is driven, and not cured when it runs out again', async () => {
  const jobId = await jobNumber(114);
  const before = await job(jobId);
  expect(outcomeOf(before)).toMatchObject({ state: 'not-proven' });
  expect(seatingAt(before, 'FL')).toBeNull();
  const shift = before.decisions[0]!.shift!;

  await readAgain(jobId, ON_DIRT, shift);
  const after = await job(jobId);
  expect(outcomeOf(after)).toMatchObject({
    state: 'not-cured',
    reasons: ['FL: runout is beyond its limit.'],
  });
  expect(seatingAt(after, 'FL')).toMatch(/did not seat/);
  // The nose weighs what was measured after the work, not before it.
  const value = (list: ReturnType<typeof findingsOfJob>) =>
    list.find(({ code }) => code === 'runout-share')?.value ??
    list.find(({ code }) => /runout/.test(code))?.value;
  expect(value(findingsOfJob(after))).toBeGreaterThan(Number(value(findingsOfJob(before))));
});

test('what a virtual gauge read proves nothing, and every document says so', async () => {
  const jobId = await jobNumber(114);
  const before = await job(jobId);
  const { hub, ...rest } = ON_DIRT;
  const still = { ...rest, hub: hub.map((wave) => ({ ...wave, amplitude: 4 })) };
  expect(ownerReport(before, 'mm').invented).toBeNull();
  await readAgain(jobId, still, before.decisions[0]!.shift!, true);
  const after = await job(jobId);
  expect(outcomeOf(after)).toMatchObject({
    state: 'not-proven',
    left: expect.arrayContaining([expect.stringMatching(/^FL: .* virtual gauge/)]),
  });
  expect(standingOf(after).isWithin).toBe(false);
  expect(signOffOf(after).open.map(({ say }) => say)).toContainEqual(
    expect.stringMatching(/^FL: .* virtual gauge/),
  );
  const say = 'Figures of front left were invented for practice and not read on this vehicle.';
  expect(ownerReport(after, 'mm').invented).toBe(say);
  expect(fileReport(after, 'mm').invented).toBe(say);
});

test('decided otherwise after it was done, the corner begins again and the first try stays on record', async () => {
  const jobId = await jobNumber(114);
  const first = (await job(jobId)).decisions[0]!;
  expect(findCheck(await job(jobId), 'correct', 'FL', 'done')).toBeDefined();
  expect(judgeCorner(await job(jobId), 'FL', 'before').decision).not.toBeNull();
  known(await decide({ jobId, corner: 'FL', action: 'new' }));
  const again = await job(jobId);
  expect(findCheck(again, 'correct', 'FL', 'done')).toBeUndefined();
  expect(again.checks.filter(({ kind }) => kind === 'rebuild')).toEqual([]);
  expect(findCheck(again, 'decide', 'FL', 'earlier')?.value).toMatchObject([
    { words: first.words, by: 'Tobiah' },
  ]);
  expect(readinessOf(again).corners[0]!.caliperOff).toBe(true);
  expect(proveView(again).next.todo).toBeTruthy();
});

test('a decision that is taken back does not put the caliper on again', async () => {
  const jobId = await jobNumber(115);
  known(await undecide({ jobId, corner: 'FR' }));
  const state = readinessOf(await job(jobId));
  expect(state.corners[0]).toMatchObject({ wheelOff: true, caliperOff: true });
  expect(state.pistonsMoved).toEqual(['the caliper of FR was off']);
});
