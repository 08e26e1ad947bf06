import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { findingsOfJob } from '@/core/job';
import { closeDatabase } from '@/server/database';
import { noseOf } from '@/server/nose/nose';
import { fileReport } from '@/server/report/file';
import { useRecords } from './demo';
import {
  ask,
  checkInput,
  done,
  jobOf,
  newJob,
  newVehicle,
  threePeople,
  tick,
} from '../support/wholeJob';

/** What is measured at the wheels beside the rotor: figures, and what they say in the nose. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-wheels-'));
let jobId = '';
beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
  jobId = await newJob((await newVehicle()).id);
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const said = async (code: string): Promise<string[]> =>
  findingsOfJob(await jobOf(jobId))
    .filter((finding) => finding.code === code)
    .map(({ corner, value }) => `${corner ?? 'all'} ${value}`);

test('figures say what they measure, at their wheel, and stand in the file report as typed', async () => {
  await tick(jobId, 'figure/FL/pressure', { text: '28 35', unit: 'psi' });
  await tick(jobId, 'figure/FR/pressure', { text: '2,4/2,4', unit: 'bar' });
  expect(await said('tyre-pressure')).toEqual(['FL off', 'FR right']);
  for (const [corner, text] of Object.entries({ FL: '190', FR: '84', RL: '61', RR: '60' })) {
    await tick(jobId, `figure/${corner}/heat`, { text, unit: '°C' });
  }
  expect(await said('wheel-heat')).toEqual(['FL hot', 'RL alike', 'RR alike']);
  const { rows } = { rows: fileReport(await jobOf(jobId), 'mm') };
  expect(JSON.stringify(rows)).toMatch(/Tyre pressure.*28 35 psi/);
  const before = (await noseOf(await jobOf(jobId))).diagnosis;
  expect(JSON.stringify(before)).toContain('hose');
});

test('a figure goes before what was answered of it; taken back, the answer stands again', async () => {
  await done('finding', { jobId, code: 'fluid-check', corner: null, value: 'wet' });
  await tick(jobId, 'figure//water', { text: '1.2', unit: '%' });
  expect(await said('fluid-check')).toEqual(['all dry']);
  await tick(jobId, 'figure//water', null, 'read at the wrong car');
  expect(await said('fluid-check')).toEqual(['all wet']);
});

test('what cannot be is refused at its field', async () => {
  const write = async (text: string, unit = 'bar'): Promise<string | null> =>
    ask('check', await checkInput(jobId, 'figure/RL/pressure', { text, unit }), 'apprentice');
  expect(await write('2.4')).toMatch(/2 figures/);
  expect(await write('2.4 240')).toMatch(/cannot be/);
  expect(await write('2.4 2.4', 'stone')).not.toBeNull();
  expect(await write('2.3 2.4')).toBeNull();
});
