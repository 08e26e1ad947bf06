import fs from 'node:fs';
import { parseArgs } from 'node:util';
import { closeDatabase, database } from '../server/database';
import { environment } from '../server/environment';
import { loadHistory } from './history/load';

const USAGE = 'Usage: npm run generate -- [--jobs 100000] [--open 40] [--seed 1]';

/** The years that are filled, fixed so that the same seed gives the same dates. */
const FIRST_DAY = new Date(Date.UTC(2016, 0, 4, 7));
const DAYS = 3950;

/** A whole number of the command line; throws with the usage where it is none. */
function whole(text: string | undefined, usual: number): number {
  if (text === undefined) return usual;
  const value = Number(text);
  if (!Number.isInteger(value) || value < 0 || value > 10_000_000) throw new Error(USAGE);
  return value;
}

/** Fills an empty data folder with a history of jobs. */
async function main(args: readonly string[]): Promise<void> {
  const { folder } = environment();
  if (fs.existsSync(`${folder}/pg`)) throw new Error(`There are records in ${folder} already.`);
  const text = { type: 'string' } as const;
  const { values } = parseArgs({
    args: [...args],
    options: { jobs: text, open: text, seed: text },
  });
  const jobs = Math.max(1, whole(values.jobs, 100_000));
  const open = Math.min(jobs, whole(values.open, 40));
  const started = Date.now();
  const size = { jobs, open, seed: whole(values.seed, 1), from: FIRST_DAY, days: DAYS };
  await loadHistory(await database(), size, (written) =>
    process.stdout.write(`\r${written} of ${jobs} jobs`),
  );
  await closeDatabase();
  process.stdout.write(`\nin ${folder}, ${Math.round((Date.now() - started) / 1000)} s\n`);
}

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
