import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { jobNext, proveNext } from '@/core/job';
import { closeDatabase } from '@/server/database';
import { nextThings } from '@/server/job/nextThings';
import { useRecords } from './demo';
import {
  APART,
  jobOf,
  newJob,
  newVehicle,
  runout,
  thickness,
  threePeople,
  tick,
} from '../support/wholeJob';

/** The list on the start page says what the job’s own pages say: told from counts it said other things. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-next-'));

beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

test('the next thing of a line is that of the job, and follows what is written', async () => {
  const { id: vehicleId } = await newVehicle();
  const jobId = await newJob(vehicleId);
  const nobodys = crypto.randomUUID();
  /** What the list says, held against the job as its pages have it. */
  const said = async (): Promise<string> => {
    const next = (await nextThings([jobId, nobodys], 'mm')).get(jobId);
    const job = await jobOf(jobId);
    expect(next).toEqual(jobNext(job, 'mm'));
    // Asked again it is the same, judged once.
    expect((await nextThings([jobId], 'mm')).get(jobId)).toBe(next);
    expect((await nextThings([nobodys], 'mm')).size).toBe(0);
    return next?.todo ?? '';
  };
  expect(await said()).toBe('Drive it, and say how it felt.');
  for (const step of APART) await tick(jobId, `step/FL/${step}`, 'done');
  await runout(jobId);
  // What was not driven before it was read is left out; what was begun stays asked for.
  expect(await said()).toBe('Go through the list before you lift it.');
  const rest = await newJob(vehicleId);
  await runout(rest);
  const measured = async (): Promise<string> =>
    (await nextThings([rest], 'mm')).get(rest)?.todo ?? 'nothing';
  expect(await measured()).toBe('FL: Measure thickness.');
  await thickness(rest, '27.400', { places: 12 });
  expect(await measured()).toBe('Decide what to do at FL.');
  // Nothing decided is nothing to sign for.
  expect(proveNext(await jobOf(rest)).place).toEqual({ page: 'decide' });
});
