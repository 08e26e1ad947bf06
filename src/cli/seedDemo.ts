import fs from 'node:fs';
import path from 'node:path';
import { lockFolder } from '../db/connect/folderLock';
import { closeDatabase } from '../server/database';
import { environment } from '../server/environment';
import { buildDemo } from './demo/build';
import { DEMO_SEED } from './demo/scenario';

/** Empties the demo folder, once no running copy holds it, and fills it anew. */
async function main(): Promise<void> {
  const { folder } = environment();
  fs.mkdirSync(folder, { recursive: true });
  const unlock = await lockFolder(folder);
  fs.rmSync(path.join(folder, 'pg'), { recursive: true, force: true });
  fs.rmSync(path.join(folder, 'version.json'), { force: true });
  unlock();
  await buildDemo(DEMO_SEED);
  await closeDatabase();
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
