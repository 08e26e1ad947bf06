import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { openDatabase } from '../src/db/client';
import { insertJob, insertVehicle } from '../src/db/repositories';
import { HEAD, report } from './spread';

const JOBS = 2000;
const PORT = 3979;

async function fill(folder: string): Promise<void> {
  const { db, close } = await openDatabase({ folder });
  const axle = { fastening: 'studs' as const, studs: 5, allowedShifts: null, limits: [] };
  const vehicles: string[] = [];
  for (let i = 0; i < 100; i += 1) {
    vehicles.push(
      await insertVehicle(db, {
        plate: `SK-${i}`,
        make: 'Pellick',
        model: 'Bench',
        axles: [
          { position: 'front', ...axle },
          { position: 'rear', ...axle },
        ],
      }),
    );
  }
  for (let i = 0; i < JOBS; i += 1) {
    await insertJob(db, {
      vehicleId: vehicles[i % 100] ?? '',
      complaint: `Complaint ${i}`,
      odometerKm: i,
      corners: ['FL', 'FR'],
    });
  }
  await close();
}

async function main(): Promise<void> {
  const folder = mkdtempSync(path.join(tmpdir(), 'zh-bench-'));
  await fill(folder);
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)],
    { stdio: 'ignore', env: { ...process.env, NODE_ENV: 'production', ZESTY_HOUND_DATA: folder } },
  );
  const address = `http://127.0.0.1:${PORT}`;
  for (let i = 0; i < 200; i += 1) {
    const up = await fetch(`${address}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (up) break;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  const times: number[] = [];
  for (let i = 0; i < 70; i += 1) {
    const start = performance.now();
    await (await fetch(`${address}/`)).text();
    if (i >= 10) times.push(performance.now() - start);
  }
  console.log(`\nStart page, ${JOBS} open jobs\n\n${HEAD}`);
  report(`start page answered whole, ${JOBS} jobs`, 100, times);
  server.kill('SIGTERM');
  await new Promise((resolve) => server.once('exit', resolve));
  rmSync(folder, { recursive: true, force: true });
}

void main();
