import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { DEMO_SHOP, readDial, type VirtualCorner } from '@/core/bench';
import { formOfShop } from '@/core/contracts';
import { costDecided, partsAwaited, partsNeeded, sayAgreed, totalOf } from '@/core/job';
import { seededRandom } from '@/core/numeric';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { closeDatabase } from '@/server/database';
import { openJobs, waitsNow } from '@/server/job/jobs';
import { partsTable } from '@/server/records/tables';
import { estimateOf } from '@/server/decide/estimate';
import { estimatePdf } from '@/server/report/estimatePdf';
import { keepPhoto, photosForPdf } from '@/server/strip/photos';
import { known } from './known';
import { fileReport } from '@/server/report/file';
import { ownerReport } from '@/server/report/owner';
import { useRecords } from './demo';
import {
  ask,
  checkInput,
  done,
  jobOf,
  newJob,
  newVehicle,
  thickness,
  threePeople,
  tick,
} from '../support/wholeJob';

/** What the owner agrees to before metal is cut: nothing that costs beyond it begins. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-agreed-'));
let vehicleId = '';
let jobId = '';
/** The rotor runs out by itself, the hub hardly. */
const TRUTH: VirtualCorner = {
  ...{ studs: 5, meanThickness: 27_900, thickness: [] },
  hub: [{ order: 1, amplitude: 3, highSpotDeg: 40 }],
  rotor: [{ order: 1, amplitude: 60, highSpotDeg: 148 }],
};
async function mounting(shift: number): Promise<void> {
  const set = (await done('set-begin', {
    ...{ jobId, corner: 'FL', kind: 'runout', phase: 'before', face: 'outboard' },
    ...{ positions: 12, shift, left: [] },
  })) as { id: string };
  const run = { shift, positions: 12, laps: 1, gauge: WORKSHOP_DEFAULTS.dialIndicator };
  const { laps, closing } = readDial(TRUTH, run, seededRandom(shift + 7));
  for (const [position, um] of [...laps[0]!, ...closing].entries()) {
    const text = (um / 1000).toFixed(3);
    await done('reading', { setId: set.id, lap: 0, position, text, unit: 'mm', was: null });
  }
}

beforeAll(async () => {
  await useRecords(folder);
  await threePeople();
  await done('prices', formOfShop(DEMO_SHOP, 'mm'), 'lead');
  vehicleId = (await newVehicle()).id;
  jobId = await newJob(vehicleId);
  for (const shift of [0, 2]) await mounting(shift);
  await thickness(jobId, '27.9', { places: 12 });
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const approve = async (upTo: number): Promise<void> => {
  const value = {
    how: 'telephone',
    name: 'The baker',
    chosen: 'New discs.',
    upTo,
    currency: 'crowns',
  };
  await done('check', await checkInput(jobId, 'estimate//approval', value));
};
const begin = async (): Promise<string | null> =>
  ask('check', await checkInput(jobId, 'correct/FL/done', 'done'), 'technician');

test('the estimate offers what may be taken, each with its price, and says what is recommended and why', async () => {
  const { parts, found } = await estimateOf(await jobOf(jobId), 'mm');
  const [part] = parts;
  expect(part?.ways.length).toBeGreaterThan(1);
  expect(part?.ways.every(({ price }) => price !== null)).toBe(true);
  const recommended = part?.ways.filter(({ isRecommended }) => isRecommended) ?? [];
  expect(recommended).toHaveLength(1);
  expect(recommended[0]?.why).toMatch(/cost least/);
  // In words for somebody who does not work on brakes.
  expect(JSON.stringify(parts)).not.toMatch(/index|rotor\b|DTV/i);
  expect(found.join(' ')).toMatch(/brake disc moved sideways/);
});

test('nothing that costs beyond the agreed amount begins; agreed again it may', async () => {
  await done('decide', { jobId, corner: 'FL', action: 'new' });
  const total = totalOf(costDecided(await jobOf(jobId)))!;
  expect(total).toBeGreaterThan(80);
  await approve(total - 20);
  expect(await begin()).toMatch(/agreed up to .* costs .* Ask again/);
  await approve(Math.ceil(total));
  expect(await begin()).toBeNull();
});

test('more that is decided later is beyond it again, by whichever way it would begin', async () => {
  await tick(jobId, 'repair//driveline', 'here');
  expect(
    await ask(
      'check',
      { ...(await checkInput(jobId, 'repaired//driveline', 'done')), note: 'x' },
      'technician',
    ),
  ).toMatch(/Ask again/);
  const after = {
    ...(await checkInput(jobId, 'correct/FL/finished', { text: '27.6', unit: 'mm' })),
  };
  expect(await ask('check', after, 'technician')).toMatch(/Ask again/);
});

test('what is measured or confirmed on its way back is never refused for money', async () => {
  const back = await checkInput(jobId, 'correct/FL/returned', { text: '27.6', unit: 'mm' });
  expect(await ask('check', back, 'technician')).toBeNull();
  expect(
    await ask('check', await checkInput(jobId, 'correct/FL/identity', 'done'), 'technician'),
  ).toBeNull();
});

test('a price that is missing keeps no amount: it is said, and asked for', async () => {
  const items = formOfShop(DEMO_SHOP, 'mm');
  const driveline = { ...items.items.driveline, parts: '' };
  await done('prices', { ...items, items: { ...items.items, driveline } }, 'lead');
  expect(
    await ask(
      'check',
      { ...(await checkInput(jobId, 'repaired//driveline', 'done')), note: 'x' },
      'technician',
    ),
  ).toMatch(/has no price \(shaft or joint of the driveline\)/);
});

test('agreed against decided stands in both reports and in the estimate', async () => {
  const job = await jobOf(jobId);
  expect(sayAgreed(job).join(' ')).toMatch(/The baker, by telephone: New discs\./);
  expect(ownerReport(job, 'mm').agreed).toEqual(sayAgreed(job));
  expect(JSON.stringify(fileReport(job, 'mm'))).toContain('The baker, by telephone');
  const pdf = await estimatePdf(await estimateOf(job, 'mm'));
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
});

test('the estimate shows what was photographed, on the page and in the PDF', async () => {
  const dot = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
    'base64',
  );
  const place = { jobId, corner: 'FL', partId: null, caption: 'the lip at its edge' };
  known(await keepPhoto(place, new Uint8Array(dot), new Uint8Array(dot), 'Wren'));
  const estimate = await estimateOf(await jobOf(jobId), 'mm');
  expect(estimate.photos).toMatchObject([{ say: 'front left: the lip at its edge', width: 1 }]);
  const photos = await photosForPdf(estimate.photos);
  const torn = { say: 'torn', bytes: Buffer.from(dot.subarray(0, 40)) };
  const textOf = async (pdf: Buffer): Promise<string> =>
    execFileSync('pdftotext', ['-', '-'], { input: pdf, encoding: 'utf8' });
  expect(await textOf(await estimatePdf(estimate, photos))).toContain('the lip at its edge');
  // One that cannot be drawn takes nothing else with it.
  expect(await textOf(await estimatePdf(estimate, [torn]))).toContain('What we found');
});

test('the parts that the work needs: ordered under the shop’s own numbers, awaited until they are here, kept when they are not needed any more', async () => {
  const needed = partsNeeded(await jobOf(jobId));
  expect(needed.map(({ item, count }) => [item, count])).toContainEqual(['rotor', 1]);
  expect(needed.every(({ order }) => order === null)).toBe(true);
  const order = (state: string) => ({ state, number: 'R-77', supplier: 'the quay store' });
  await tick(jobId, 'part//rotor', order('ordered'));
  const line = async () => (await openJobs(1)).lines.find(({ id }) => id === jobId);
  expect((await line())?.isWaiting).toBe(true);
  expect(partsAwaited(await jobOf(jobId)).map(({ item }) => item)).toEqual(['rotor']);
  await tick(jobId, 'part//rotor', order('wrong'));
  expect((await line())?.isWaiting).toBe(true);
  await tick(jobId, 'part//rotor', order('here'));
  expect((await line())?.isWaiting).toBe(false);
  const { text } = partsTable(await jobOf(jobId), 'point');
  expect(text).toMatch(/Brake rotor,1,R-77,the quay store,here/);
  await done('undecide', { jobId, corner: 'FL' });
  const dropped = partsNeeded(await jobOf(jobId)).find(({ item }) => item === 'rotor');
  expect(dropped).toMatchObject({ count: 0, order: { number: 'R-77' } });
});

test('the start page says what jobs wait for, and narrows to them', async () => {
  const waiting = async (wait: 'owner' | 'lead' | 'parts') =>
    (await openJobs(1, wait)).lines.some(({ id }) => id === jobId);
  expect(await waiting('owner')).toBe(false);
  await tick(jobId, 'estimate//asked', 'done');
  expect((await waitsNow()).owner).toBe(1);
  expect(await waiting('owner')).toBe(true);
  await approve(500);
  expect((await waitsNow()).owner).toBe(0);
  expect(await waiting('owner')).toBe(false);
  await tick(jobId, 'part//pads', { state: 'asked', number: '', supplier: '' });
  expect((await waitsNow()).parts).toBe(1);
  expect(await waiting('lead')).toBe(false);
  // What waits stands first, the most pressing before the others, the newest of the rest next.
  const [newer, newest] = [await newJob(vehicleId), await newJob(vehicleId)];
  await tick(newer, 'estimate//asked', 'done');
  expect((await openJobs(1)).lines.slice(0, 3).map(({ id }) => id)).toEqual([newer, jobId, newest]);
});
