import type { VehicleForm } from '@/core/contracts';
import { rebuildSteps } from '@/core/job';
import { pullsOf } from '@/core/torque';
import type { Corner } from '@/core/readings';
import { loadJob } from '@/server/job/jobs';
import { addPerson, allPeople } from '@/server/shop/people';
import { saveVehicle } from '@/server/shop/vehicles';
import { VEHICLES } from '@/cli/demo/vehicles';
import { known } from '../integration/known';
import { sendWrite } from './writes';

/** A job as its screens write it, by people of each role: everything goes in as a device sends it. */

export const ids = { lead: '', technician: '', apprentice: '' };
export type Role = keyof typeof ids;

/** Puts one person of each role on file. */
export async function threePeople(): Promise<void> {
  for (const [name, role] of [
    ['Ines', 'lead'],
    ['Tobiah', 'technician'],
    ['Wren', 'apprentice'],
  ] as const) {
    known(await addPerson({ name, role }));
  }
  for (const { id, role } of await allPeople()) ids[role] = id;
}

/** A new vehicle like the bakery’s; its id and its form. */
export async function newVehicle(): Promise<{ id: string; form: VehicleForm }> {
  const form = { ...VEHICLES.bakery!, plate: `SK-${Math.floor(Math.random() * 1e9)}-T` };
  return { id: known(await saveVehicle(null, form)), form };
}

export const jobOf = async (id: string) => (await loadJob(id))!;

/** Writes as somebody; answers with why it was refused, or null. */
export async function ask(name: string, input: unknown, role: Role | null): Promise<string | null> {
  const result = await sendWrite(name, input, role && ids[role]);
  if (result.state === 'refused') return result.message;
  if (result.state === 'conflict') return 'Another screen wrote there meanwhile.';
  if (result.state !== 'done') throw new Error(`${name}: ${JSON.stringify(result)}`);
  return null;
}

/** Writes what must be taken; answers with its value. */
export async function done(name: string, input: unknown, role: Role | null = 'technician') {
  const result = await sendWrite(name, input, role && ids[role]);
  if (result.state !== 'done') throw new Error(`${name}: ${JSON.stringify(result)}`);
  return result.value;
}

export const newJob = async (vehicleId: string, corners = ['FL']): Promise<string> =>
  String(await done('job', { vehicleId, complaint: 'x', odometerKm: '50000', corners }));

/** A check by its key "kind/place/item", over what stands there. */
export async function checkInput(
  jobId: string,
  key: string,
  value: unknown,
  note: string | null = null,
) {
  const [kind = '', place = '', item = ''] = key.split('/');
  const seen =
    (await jobOf(jobId)).checks.find(
      (each) => each.kind === kind && each.place === place && each.item === item,
    )?.stamp ?? null;
  return { jobId, kind, place, item, value, note, seen };
}
export const tick = async (
  jobId: string,
  key: string,
  value: unknown,
  note: string | null = null,
) => done('check', await checkInput(jobId, key, value, note));

/** Reads thickness at a corner: so many positions of twelve, all alike; the set’s id. */
export async function thickness(
  jobId: string,
  mm: string,
  { phase = 'before', places = 4, corner = 'FL' } = {},
): Promise<string> {
  const set = (await done('set-begin', {
    ...{ jobId, corner, kind: 'thickness', phase, face: 'outboard', positions: 12, shift: 0 },
  })) as { id: string };
  for (let position = 0; position < places; position += 1) {
    const reading = { setId: set.id, lap: 0, position, text: mm, unit: 'mm', was: null };
    await done('reading', reading, 'apprentice');
  }
  return set.id;
}

/** Reads one lap of runout at a corner: a plain wave of 80 µm. */
export async function runout(jobId: string, corner = 'FL'): Promise<void> {
  const set = (await done('set-begin', {
    ...{ jobId, corner, kind: 'runout', phase: 'before', face: 'outboard' },
    ...{ positions: 12, shift: 0 },
  })) as { id: string };
  for (let position = 0; position <= 12; position += 1) {
    const text = (0.04 * Math.cos((Math.PI * position) / 6)).toFixed(3);
    await done('reading', { setId: set.id, lap: 0, position, text, unit: 'mm' }, 'apprentice');
  }
}

/** Puts a job together, so that nothing but the pedal stands in the way. */
export async function together(jobId: string, corners: readonly Corner[] = ['FL']): Promise<void> {
  const job = await jobOf(jobId);
  for (const corner of corners) {
    for (const { code } of rebuildSteps(job, corner)) {
      await tick(jobId, `rebuild/${corner}/${code}`, 'done');
    }
  }
  await tick(jobId, 'hydraulics//none-opened', 'done');
  const figures = { 'bracket-bolts': '110', 'pin-bolts': '30', 'wheel-nuts': '120' };
  for (const [fastener, text] of Object.entries(figures)) {
    const figure = { text, unit: 'N·m', confirmed: true };
    await done('torque-figure', {
      ...{ jobId, axle: 'front', fastener, figure, source: 'maker', angle: 0 },
      ...{ treatment: '', oneUse: false },
    });
  }
  for (const corner of corners) {
    await tick(jobId, `torque/${corner}/star`, { pulls: pullsOf(5, 3).map(() => null) });
    for (const [fastener, text] of Object.entries(figures)) {
      await tick(jobId, `torque/${corner}/${fastener}`, { text, unit: 'N·m' });
    }
    await tick(jobId, `torque/${corner}/vehicle-down`, 'done');
  }
}

/** Lets the process’s own clock run on. */
export function runOn(ms: number): void {
  const now = performance.now.bind(performance);
  jest.spyOn(performance, 'now').mockImplementation(() => now() + ms);
}

/** Pumps the pedal firm, holds it for a minute and sets the level. */
export async function pumped(jobId: string): Promise<void> {
  await tick(jobId, 'pedal//firm', 'done');
  await tick(jobId, 'pedal//hold', 'done');
  runOn(61_000);
  await tick(jobId, 'pedal//held', 'held');
  await tick(jobId, 'pedal//level', 'done');
  jest.restoreAllMocks();
}

export const APART = ['wheel-off', 'push-back', 'caliper-off'];

/** A job that can be signed off. */
export async function wholeJob(vehicleId: string): Promise<string> {
  const jobId = await newJob(vehicleId);
  for (const step of APART) await tick(jobId, `step/FL/${step}`, 'done');
  await together(jobId);
  await pumped(jobId);
  return jobId;
}

export const sign = (jobId: string, role: Role | null = 'lead', reason = 'open on purpose') =>
  ask('sign-off', { jobId, cause: null, reason }, role);
