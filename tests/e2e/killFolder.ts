import { openDatabase } from '../../src/db/client';
import { insertJob, insertSet, insertVehicle } from '../../src/db/repositories';

/** Makes a data folder with one reading set and prints the set's id. */
async function main(): Promise<void> {
  const [folder = '', size = '{}'] = process.argv.slice(2);
  const { positions, laps } = JSON.parse(size) as { positions: number; laps: number };
  const { db, close } = await openDatabase({ folder });
  const axle = { fastening: 'studs' as const, studs: 5, allowedShifts: null, limits: [] };
  const vehicleId = await insertVehicle(db, {
    plate: 'SK-999-X',
    make: 'Pellick',
    model: 'Kill test',
    axles: [
      { position: 'front', ...axle },
      { position: 'rear', ...axle },
    ],
  });
  const jobId = await insertJob(db, {
    vehicleId,
    complaint: 'x',
    odometerKm: null,
    corners: ['FL'],
  });
  const set = await insertSet(db, {
    jobId,
    corner: 'FL',
    kind: 'runout',
    phase: 'before',
    face: 'outboard',
    positions,
    laps,
    shift: 0,
    resolutionUm: 1,
    repeatabilityUm: 1,
  });
  await close();
  process.stdout.write(set.id);
}

void main();
