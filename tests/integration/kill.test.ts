import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { build } from 'esbuild';
import { VEHICLES } from '@/cli/demo/vehicles';
import { closeDatabase } from '@/server/database';
import { loadJob, openJob } from '@/server/job/jobs';
import { beginSet } from '@/server/measure/sets';
import { saveVehicle } from '@/server/shop/vehicles';
import { trials } from '../support/trials';
import { known } from './known';

// Each opens a folder anew: on a slow machine that takes them all some minutes.
const KILLS = trials(30, 8);
const POSITIONS = 24;
const LAPS = 20;
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-kill-'));
const writer = path.join(folder, 'writer.mjs');

beforeAll(async () => {
  process.env.ZESTY_HOUND_DATA = folder;
  delete process.env.DATABASE_URL;
  await build({
    entryPoints: ['tests/support/killedWriter.ts'],
    ...{ outfile: writer, bundle: true, platform: 'node', format: 'esm', logLevel: 'error' },
    alias: { 'server-only': path.resolve('tests/empty.ts') },
    external: ['@electric-sql/pglite', '@electric-sql/pglite/*', 'pg', 'react', 'next/*'],
    nodePaths: [path.resolve('node_modules')],
    banner: {
      js: "import { createRequire as zhCreateRequire } from 'node:module'; const require = zhCreateRequire(import.meta.url);",
    },
  });
  // Packages that are not bundled are found from where the writer lies.
  fs.symlinkSync(path.resolve('node_modules'), path.join(folder, 'node_modules'));
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

/** Lets the writer type until it is killed at a random moment; what it was answered for. */
async function typeAndDie(setId: string, from: number): Promise<readonly string[]> {
  const args = [...process.execArgv, writer, setId, String(from), String(POSITIONS), String(LAPS)];
  const child = spawn(process.execPath, args, {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, NODE_OPTIONS: '', ZESTY_HOUND_DATA: folder, DATABASE_URL: '' },
  });
  const gone = new Promise((resolve) => child.once('exit', resolve));
  const lines: string[] = [];
  // However slow the machine is, a few are answered, and the next ones are under way.
  const enough = 1 + Math.floor(Math.random() * 8);
  for await (const line of createInterface({ input: child.stdout })) {
    if (line === 'ready') continue;
    lines.push(line);
    if (lines.length === enough) setTimeout(() => child.kill('SIGKILL'), Math.random() * 60);
  }
  await gone;
  return lines;
}

test(`${KILLS} kills at random moments lose no reading that was answered`, async () => {
  const vehicleId = known(await saveVehicle(null, VEHICLES.bakery));
  const form = { vehicleId, complaint: 'x', odometerKm: '', corners: ['FL'] };
  const jobId = known(await openJob(form));
  const set = known(
    await beginSet({
      ...{ jobId, corner: 'FL', kind: 'runout', phase: 'before', face: 'outboard' },
      ...{ positions: POSITIONS, laps: LAPS, shift: 0 },
    }),
  );
  await closeDatabase();
  const answered = new Map<string, string>();
  let count = 0;
  for (let kill = 0; kill < KILLS; kill += 1) {
    for (const line of await typeAndDie(set.id, count)) {
      const [place = '', text = ''] = line.split(' ');
      answered.set(place, text);
      count += 1;
    }
    // The reading on its way when the writer died may be there or not.
    answered.delete(`${Math.floor(count / POSITIONS) % LAPS}.${count % POSITIONS}`);
  }
  const stored = (await loadJob(jobId))!.sets[0]!.readings;
  const found = new Map(stored.map(({ lap, position, text }) => [`${lap}.${position}`, text]));
  const lost = [...answered].filter(([place, text]) => found.get(place) !== text);
  expect(count).toBeGreaterThan(KILLS);
  expect(lost).toEqual([]);
}, 600_000);
