import { VEHICLES } from '../../src/cli/demo/vehicles';
import { closeDatabase } from '../../src/server/database';
import { openJob } from '../../src/server/job/jobs';
import { beginSet } from '../../src/server/measure/sets';
import { addPerson } from '../../src/server/shop/people';
import { saveVehicle } from '../../src/server/shop/vehicles';
import { known } from '../integration/known';

/** Makes a data folder with a job to walk through; prints the ids of job, set and technician. */
async function main(): Promise<void> {
  const vehicleId = known(await saveVehicle(null, VEHICLES.bakery));
  const who = known(await addPerson({ name: 'Tobiah', role: 'technician' }));
  const form = { vehicleId, complaint: 'It shakes.', odometerKm: '', corners: ['FL'] };
  const jobId = known(await openJob(form));
  const set = known(
    await beginSet({
      ...{ jobId, corner: 'FL', kind: 'runout', phase: 'before', face: 'outboard' },
      ...{ positions: 8, shift: 0 },
    }),
  );
  await closeDatabase();
  process.stdout.write(JSON.stringify({ jobId, setId: set.id, who }));
}

void main();
