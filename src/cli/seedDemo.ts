import fs from 'node:fs';
import path from 'node:path';
import { lockFolder } from '../db/connect/folderLock';
import { closeDatabase, database } from '../server/database';
import { environment } from '../server/environment';
import { buildDemo } from './demo/build';
import { DEMO_SEED } from './demo/scenario';
import { loadHistory } from './history/load';
import { DAY_MS } from '../core/calendar';

/** Jobs of the years before, numbered up to where the demo's own begin. */
const pastYears = async (): Promise<void> =>
  loadHistory(await database(), {
    ...{ jobs: 100, open: 0, seed: DEMO_SEED, days: 730 },
    from: new Date(Date.now() - 735 * DAY_MS),
  });

/** Empties the demo folder, once no running copy holds it, and fills it anew. */
async function main(): Promise<void> {
  const { folder } = environment();
  fs.mkdirSync(folder, { recursive: true });
  const unlock = await lockFolder(folder);
  fs.rmSync(path.join(folder, 'pg'), { recursive: true, force: true });
  fs.rmSync(path.join(folder, 'version.json'), { force: true });
  unlock();
  if (process.argv.includes('--history')) await pastYears();
  await buildDemo(DEMO_SEED);
  await closeDatabase();
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
