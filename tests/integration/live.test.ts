import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { closeDatabase } from '@/server/database';
import { sayHere } from '@/server/live/here';
import { liveStream } from '@/server/live/stream';
import { useRecords } from './demo';
import { DEVICE } from '../support/writes';
import { done, newJob, newVehicle, threePeople } from '../support/wholeJob';

/** What one screen writes, the others hear of at once. */

jest.setTimeout(30_000);

// Outside a request there is neither screen nor person.
jest.mock('@/server/web/who', () => ({
  whoIsHere: () => Promise.resolve(null),
  programHere: () => Promise.resolve(null),
}));

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-live-'));
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

type Told = { readonly is: string; readonly job?: string; readonly by?: string };

/** Reads what a stream tells until something is told, or its end. */
async function until(
  reader: ReadableStreamDefaultReader<Uint8Array>,
  isIt: (told: Told) => boolean,
): Promise<Told | null> {
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return null;
    for (const line of new TextDecoder().decode(value).split('\n\n').filter(Boolean)) {
      const told = JSON.parse(line.replace(/^data: /, '')) as Told;
      if (isIt(told)) return told;
    }
  }
}

test('a write is told of at once, of which job and by which browser, and nothing else', async () => {
  const end = new AbortController();
  const reader = liveStream(end.signal).getReader();
  await until(reader, ({ is }) => is === 'here');
  const since = performance.now();
  await done('finding', { jobId, code: 'noise', corner: null, value: 'grind' });
  const told = await until(reader, ({ is }) => is === 'written');
  // How quick it is on a quiet machine, `bench/live.ts` measures.
  expect(performance.now() - since).toBeLessThan(5000);
  expect(told).toEqual({ is: 'written', job: jobId, by: DEVICE });
  end.abort();
  expect(await until(reader, () => false)).toBeNull();
});

test('who is at which corner is told to every screen, and kept nowhere', async () => {
  const end = new AbortController();
  const reader = liveStream(end.signal).getReader();
  await until(reader, ({ is }) => is === 'here');
  expect((await sayHere({ job: jobId, corner: 'XX', by: DEVICE })).ok).toBe(false);
  expect((await sayHere({ job: jobId, corner: 'FL', by: DEVICE })).ok).toBe(true);
  expect(await until(reader, ({ is }) => is === 'at')).toEqual({
    ...{ is: 'at', job: jobId, corner: 'FL', by: DEVICE, who: null, screen: null },
  });
  end.abort();
});

test('records that are opened anew are listened to as well', async () => {
  const end = new AbortController();
  const reader = liveStream(end.signal).getReader();
  await until(reader, ({ is }) => is === 'here');
  await closeDatabase();
  const other = await newJob((await newVehicle()).id);
  expect(await until(reader, ({ job }) => job === other)).toMatchObject({ is: 'written' });
  end.abort();
});
