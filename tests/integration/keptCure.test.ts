import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { readDial, type VirtualCorner } from '@/core/bench';
import { rebuildSteps } from '@/core/job';
import { seededRandom } from '@/core/numeric';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { closeDatabase } from '@/server/database';
import { fileReport } from '@/server/report/file';
import { ownerReport } from '@/server/report/owner';
import { useRecords } from './demo';
import {
  APART,
  done,
  jobOf,
  newJob,
  newVehicle,
  pumped,
  sign,
  thickness,
  threePeople,
  tick,
  together,
} from '../support/wholeJob';

/** A corner that indexing cures, played from its readings to the sign-off: one story on every page. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-kept-'));
/** Hub and rotor wobble together where it was marked, against each other one stud on. */
const TRUTH: VirtualCorner = {
  ...{ studs: 5, meanThickness: 27_400, thickness: [] },
  hub: [{ order: 1, amplitude: 28, highSpotDeg: 40 }],
  rotor: [{ order: 1, amplitude: 28, highSpotDeg: 148 }],
};
const BEST = 1;

beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

async function runout(jobId: string, shift: number, phase: 'before' | 'after'): Promise<void> {
  const set = (await done('set-begin', {
    ...{ jobId, corner: 'FL', kind: 'runout', phase, face: 'outboard' },
    ...{ positions: 12, shift, left: [] },
  })) as { id: string };
  const run = { shift, positions: 12, laps: 1, gauge: WORKSHOP_DEFAULTS.dialIndicator };
  const { laps, closing } = readDial(TRUTH, run, seededRandom(shift + 7));
  for (const [position, um] of [...laps[0]!, ...closing].entries()) {
    const reading = { setId: set.id, lap: 0, position, text: (um / 1000).toFixed(3), unit: 'mm' };
    await done('reading', { ...reading, was: null }, 'apprentice');
  }
}

test('decision, correction, rebuild and both reports tell of the move that cured it', async () => {
  const { id: vehicleId } = await newVehicle();
  const jobId = await newJob(vehicleId);
  for (const step of APART) await tick(jobId, `step/FL/${step}`, 'done');
  await thickness(jobId, '27.4', { places: 12 });
  for (const shift of [0, 2, BEST]) await runout(jobId, shift, 'before');
  await done('decide', { jobId, corner: 'FL', action: 'leave' });
  const decided = await jobOf(jobId);
  const words = /^Cured by moving 1 stud (counter-)?clockwise as you face it: keep it there\.$/;
  expect(decided.decisions[0]).toMatchObject({ correction: 'index', shift: BEST });
  expect(decided.decisions[0]!.words).toMatch(words);
  const [turn] = /1 stud (counter-)?clockwise/.exec(decided.decisions[0]!.words)!;
  const on = rebuildSteps(decided, 'FL').find(({ code }) => code === 'rotor-on');
  expect(on?.say).toContain(`Its mark goes ${turn} as you face it`);
  await tick(jobId, 'correct/FL/done', 'done');
  await runout(jobId, BEST, 'after');
  await thickness(jobId, '27.4', { phase: 'after', places: 12 });
  await together(jobId);
  await pumped(jobId);
  expect(await sign(jobId)).toBeNull();
  const job = await jobOf(jobId);
  expect(job.closedAt).not.toBeNull();
  const { found, done: did, figures, rules } = ownerReport(job, 'mm');
  // Only what was done has followed a rule.
  expect(rules.join(' ')).toMatch(/^Hub face/);
  expect(rules.join(' ')).not.toMatch(/machined|New rotor|lathe|Rotor screw/i);
  expect(found).toEqual([expect.stringMatching(/moved sideways .* 0\.066 mm .*: too much/)]);
  expect(did).toEqual([
    expect.stringMatching(/turned on its hub to the place where the two cancel/),
  ]);
  expect(figures[0]).toMatchObject({ before: '0.066 mm', after: '0.004 mm', limit: '0.050 mm' });
  expect(JSON.stringify(fileReport(job, 'mm'))).toContain(decided.decisions[0]!.words);
});
