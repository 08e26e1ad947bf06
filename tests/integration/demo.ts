import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { buildDemo } from '@/cli/demo/build';
import { DEMO_SEED } from '@/cli/demo/scenario';
import { closeDatabase } from '@/server/database';
import { openJobs } from '@/server/jobs';

/** Stands the demo workshop up in a folder of its own for the tests of a file. */
export function standUpDemo(): void {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-server-'));
  beforeAll(async () => {
    process.env.ZESTY_HOUND_DATA = folder;
    delete process.env.DATABASE_URL;
    await buildDemo(DEMO_SEED);
  });
  afterAll(async () => {
    await closeDatabase();
    fs.rmSync(folder, { recursive: true, force: true });
  });
}

/** The id of the demo job of a number. */
export async function jobNumber(number: number): Promise<string> {
  const { lines } = await openJobs(1);
  const line = lines.find((each) => each.number === number);
  if (!line) throw new Error(`No job ${number}`);
  return line.id;
}
