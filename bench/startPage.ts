import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { openDatabase } from '../src/db/client';
import { insertJob, insertVehicle } from '../src/db/repositories';
import { answerTimes, serve } from './serve';
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
  const { address, stop } = await serve(folder, PORT);
  const times = await answerTimes(60, () => `${address}/`);
  console.log(`\nStart page, ${JOBS} open jobs\n\n${HEAD}`);
  report(`start page answered whole, ${JOBS} jobs`, 100, times);
  await stop();
  rmSync(folder, { recursive: true, force: true });
}

void main();
