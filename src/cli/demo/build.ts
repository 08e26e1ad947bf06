import {
  DEMO_SHOP,
  logDrive,
  readDial,
  readMicrometer,
  type VirtualCorner,
  type VirtualDrive,
} from '../../core/bench';
import { seededRandom, type RandomSource } from '../../core/numeric';
import { formOfShop, type NewSet } from '../../core/contracts';
import type { Corner } from '../../core/readings';
import { WORKSHOP_DEFAULTS } from '../../core/verdict';
import type { Who } from '../../db/repositories';
import type { Answer } from '../../server/answer';
import { decide } from '../../server/decide/decisions';
import { judgeCorner, liftingItems } from '../../core/job';
import { loadJob, openJob } from '../../server/job/jobs';
import { beginSet, saveReadings } from '../../server/measure/sets';
import { makeSheets } from '../../server/shop/sheets';
import { saveVehicle } from '../../server/shop/vehicles';
import { analyseRoadTest, readLogText } from '../../core/roadtest';
import { recordFinding } from '../../server/nose/nose';
import { addPerson, allPeople } from '../../server/shop/people';
import { saveShop } from '../../server/shop/shop';
import { keepRoadTest } from '../../server/roadtest/roadTests';
import { recordCheck } from '../../server/job/checks';
import { setRecheck } from '../../server/prove/rechecks';
import { signOff } from '../../server/signoff/signOff';
import { allSound } from '../../server/strip/looks';
import { takeOffPart } from '../../server/strip/tray';
import { DRIVES } from './drives';
import type { DemoCorner, DemoJob } from './jobs';
import { JOBS } from './scenario';
import type { DemoStrip } from './strips';
import { enterFigures, finishJob, rebuildCorner } from './rebuild';
import { VEHICLES } from './vehicles';

/** The value of an answer; a refusal here is a fault of the scenario. */
function known<Value>(answer: Answer<Value>): Value {
  if (!answer.ok) throw new Error(`${answer.message} ${JSON.stringify(answer.fields)}`);
  return answer.value;
}

const POSITIONS = 12;
/** The recordings have draws of their own, so that the readings keep theirs. */
const DRIVE_SEED = 7;

interface SetMaker {
  readonly jobId: string;
  readonly corner: DemoCorner['corner'];
  readonly random: RandomSource;
}

/** Begins a set and saves readings in micrometres the way they would be typed, in mm. */
async function save(
  maker: SetMaker,
  set: Pick<NewSet, 'kind' | 'phase' | 'shift'>,
  values: readonly number[],
): Promise<void> {
  const { jobId, corner } = maker;
  const begun = known(
    await beginSet({ jobId, corner, face: 'outboard', positions: POSITIONS, ...set }),
  );
  const readings = values.map((value, position) => ({
    lap: 0,
    position,
    text: (value / 1000).toFixed(3),
    unit: 'mm',
  }));
  known(await saveReadings(begun.id, { readings }));
}

async function measure(
  maker: SetMaker,
  truth: VirtualCorner,
  phase: 'before' | 'after',
  shifts: readonly number[],
  corner: DemoCorner,
): Promise<void> {
  for (const shift of shifts) {
    const gauge = WORKSHOP_DEFAULTS.dialIndicator;
    const drift = phase === 'before' ? (corner.drift ?? 0.8) : 0.5;
    const run = { shift, positions: POSITIONS, laps: 1, gauge, drift };
    const { laps, closing } = readDial(truth, run, maker.random);
    const whole = [...(laps[0] ?? []), ...closing];
    await save(maker, { kind: 'runout', phase, shift }, whole.slice(0, corner.readings));
  }
  const first = shifts[0];
  if (first === undefined || corner.readings !== undefined) return;
  const gauge = WORKSHOP_DEFAULTS.micrometer;
  const run = { shift: first, positions: POSITIONS, laps: 1, gauge };
  const [lap] = readMicrometer(truth, run, maker.random);
  await save(maker, { kind: 'thickness', phase, shift: first }, lap ?? []);
}

async function buildCorner(jobId: string, corner: DemoCorner, random: RandomSource): Promise<void> {
  const maker: SetMaker = { jobId, corner: corner.corner, random };
  await measure(maker, corner.truth, 'before', corner.shifts, corner);
  if (!corner.isDecided) return;
  const job = await loadJob(jobId);
  if (!job) throw new Error('The job is gone');
  const { action, advice } = judgeCorner(job, corner.corner, 'before');
  known(await decide({ jobId, corner: corner.corner, action }));
  if (corner.after) {
    const shift = advice.kind === 'index' ? advice.to : 0;
    await measure(maker, corner.after, 'after', [shift], corner);
  }
}

/** Records a drive with the virtual logger and keeps what it says, as the page would. */
async function recordDrive(jobId: string, drive: VirtualDrive): Promise<void> {
  const log = logDrive(drive, seededRandom(DRIVE_SEED));
  const analysis = analyseRoadTest({ recording: readLogText(log), diameter: drive.diameter });
  const { diameter } = drive;
  known(await keepRoadTest({ jobId, phase: 'before', diameter, summary: analysis }));
}

/** Goes through a strip-down as far as the scenario has it. */
async function stripDown(jobId: string, strip: DemoStrip): Promise<void> {
  const { by, corner } = strip;
  const job = await loadJob(jobId);
  if (!job) throw new Error('The job is gone');
  const write = async (kind: string, place: string, item: string, value: unknown, note = '') =>
    known(await recordCheck({ jobId, kind, place, item, value, note, seen: null }, personOf(by)));
  for (const { code } of liftingItems(job)) {
    const reason = strip.skipped[code];
    await write('lifting', '', code, reason ? 'skipped' : 'done', reason);
  }
  for (const step of strip.steps) await write('step', corner, step, 'done');
  for (const [item, found] of Object.entries(strip.looks)) await write('look', corner, item, found);
  for (const [item, text] of Object.entries(strip.figures)) {
    await write('figure', corner, item, { text, unit: 'mm' });
  }
  for (const part of strip.parts) {
    known(await takeOffPart({ jobId, corner, orientation: '', ...part }, by));
  }
}

/** Puts right what was found at a corner; everything else there is looked at and sound. */
async function putRight(
  jobId: string,
  corner: Corner,
  done: Readonly<Record<string, string>>,
): Promise<void> {
  const own = { jobId, kind: 'fixed', place: corner, value: 'fixed', seen: null };
  for (const [item, note] of Object.entries(done)) {
    known(await recordCheck({ ...own, item, note }, personOf('Tobiah')));
  }
  known(await allSound(jobId, corner, 'Tobiah'));
}

/** The people of the demo workshop. */
const PEOPLE = [
  ['Ines', 'lead'],
  ['Tobiah', 'technician'],
  ['Wren', 'apprentice'],
] as const;

/** One of them, by the name. */
const personOf = (name: string): Who => {
  const [, role] = PEOPLE.find(([each]) => each === name) ?? PEOPLE[2];
  return { name, role };
};

async function buildJob(job: DemoJob, vehicleId: string, random: RandomSource): Promise<void> {
  const jobId = known(
    await openJob({
      vehicleId,
      complaint: job.complaint,
      odometerKm: job.odometerKm,
      corners: job.corners.map(({ corner }) => corner),
    }),
  );
  for (const corner of job.corners) await buildCorner(jobId, corner, random);
  for (const [code, value] of Object.entries(job.answers ?? {})) {
    const corner = code === 'hub-look' ? (job.corners[0]?.corner ?? null) : null;
    known(await recordFinding({ jobId, code, corner, value }));
  }
  if (job.strip) await stripDown(jobId, job.strip);
  if (job.putRight) await putRight(jobId, job.corners[0]?.corner ?? 'FL', job.putRight);
  if (job.drive) await recordDrive(jobId, DRIVES[job.drive]);
  if (job.rebuild) await beginRebuild(jobId, job);
  if (job.isClosed) await closeJob(jobId, job);
}

/** Ticks what was decided as done at every corner that was decided. */
async function tickCorrections(jobId: string, finished?: string): Promise<void> {
  const job = await loadJob(jobId);
  const done = job?.decisions.filter(({ correction }) => correction !== 'leave') ?? [];
  const own = { jobId, kind: 'correct', note: null, seen: null };
  for (const { corner: place } of done) {
    if (finished !== undefined) {
      const value = { text: finished, unit: 'mm' };
      known(await recordCheck({ ...own, place, item: 'finished', value }, personOf('Tobiah')));
    }
    known(await recordCheck({ ...own, place, item: 'done', value: 'done' }, personOf('Tobiah')));
  }
}

/** A job that is going together: some figures missing, a corner half way, parts in the tray. */
async function beginRebuild(jobId: string, demo: DemoJob): Promise<void> {
  await tickCorrections(jobId, demo.rebuild?.finished);
  const job = await loadJob(jobId);
  if (!job || !demo.rebuild) return;
  const { upTo, without, parts } = demo.rebuild;
  const [{ corner } = { corner: 'FL' as const }] = demo.corners;
  await enterFigures(job, without);
  for (const part of parts) known(await takeOffPart({ jobId, corner, ...part }, 'Tobiah'));
  await rebuildCorner(jobId, corner, 'Tobiah', upTo);
}

/** Puts a job together, proves it, and has the lead sign it off. */
async function closeJob(jobId: string, demo: DemoJob): Promise<void> {
  const job = await loadJob(jobId);
  if (!job) throw new Error('The job is gone');
  await tickCorrections(jobId);
  await enterFigures(job);
  const corners = demo.corners.map(({ corner }) => corner);
  for (const corner of corners) await rebuildCorner(jobId, corner, 'Tobiah');
  await finishJob(jobId, corners, 'Tobiah');
  const lead = (await allPeople()).find(({ role }) => role === 'lead') ?? null;
  const recheck = { jobId, what: 'wheel-nuts', afterKm: 75, on: null };
  known(await setRecheck(recheck, lead));
  const cause = demo.confirmedCause ?? null;
  known(await signOff({ jobId, cause, reason: 'looked over, nothing else asked for' }, lead));
}

/** Fills an empty database with the demo workshop; the same seed gives the same readings. */
export async function buildDemo(seed: number): Promise<void> {
  const random = seededRandom(seed);
  const ids = new Map<string, string>();
  known(await saveShop(formOfShop(DEMO_SHOP, 'mm')));
  for (const [name, role] of PEOPLE) known(await addPerson({ name, role }));
  for (const [key, vehicle] of Object.entries(VEHICLES)) {
    ids.set(key, known(await saveVehicle(null, vehicle, 'Ines')));
  }
  for (const job of JOBS) await buildJob(job, ids.get(job.vehicle) ?? '', random);
  for (const id of ids.values()) known(await makeSheets(id, 'Ines'));
}
