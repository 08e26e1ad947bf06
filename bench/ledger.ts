import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { openDatabase } from '../src/db/client';
import { quantileOfSorted } from '../src/core/numeric';
import { serve } from './serve';

/** What a history of 5,000 lines costs the pages of its job: whole answers, before and after. */
const PORT = 3982;
const RUNS = 25;
const LINES = 5000;
/** A page of the history is full with as many: what is shown is the same. */
const FEW = 250;
const PAGES = [
  'measure/:corner',
  'decide',
  'rebuild',
  'prove',
  'report',
  'report/owner',
  'history',
];

/** One answer in full, in milliseconds. */
async function once(address: string): Promise<number> {
  const start = performance.now();
  const answer = await fetch(address);
  await answer.text();
  if (!answer.ok) throw new Error(`${address} answers ${answer.status}`);
  return performance.now() - start;
}

const median = (times: readonly number[]): number =>
  quantileOfSorted(
    [...times].sort((p, q) => p - q),
    0.5,
  );

/** Medians of both by page, asked in turn: whatever else the machine does, both have of it. */
async function mediansOf(folders: readonly [string, string], id: string) {
  const [few, many] = [await serve(folders[0], PORT), await serve(folders[1], PORT + 1)];
  const found: (readonly [number, number])[] = [];
  for (const page of PAGES) {
    const place = `/jobs/${id}/${page.replace(':corner', 'FL')}`;
    const times: [number[], number[]] = [[], []];
    for (let run = -5; run < RUNS; run += 1) {
      const both = [await once(few.address + place), await once(many.address + place)] as const;
      if (run < 0) continue;
      times[0].push(both[0]);
      times[1].push(both[1]);
    }
    found.push([median(times[0]), median(times[1])]);
  }
  await few.stop();
  await many.stop();
  return found;
}

/** Lines as a long job has them: readings typed over, now and then a look that was taken back. */
async function fillLedger(folder: string, lines: number): Promise<string> {
  const { db, close } = await openDatabase({ folder });
  const answer = await db.execute(sql`select id from jobs where number = 114`);
  const [job] = (answer as unknown as { rows: { id: string }[] }).rows;
  if (!job) throw new Error('The demo workshop has no job 114');
  await db.execute(sql`insert into ledger (job_id, what, op, place, before, after, is_grave)
    select ${job.id}, case when i % 100 = 0 then 'check' else 'reading' end, 'change', 'FL',
      '{"kind": "look", "place": "FL", "item": "hose", "value": ["old"]}'::jsonb,
      '{"kind": "look", "place": "FL", "item": "hose", "value": []}'::jsonb, i % 100 = 0
    from generate_series(1, ${lines}) i`);
  await close();
  return job.id;
}

async function main(): Promise<void> {
  const folder = mkdtempSync(path.join(tmpdir(), 'zh-ledger-'));
  const made = process.argv[2];
  if (made) cpSync(made, folder, { recursive: true });
  else {
    execFileSync(
      process.execPath,
      ['--conditions=react-server', '--import', 'tsx', 'src/cli/seedDemo.ts'],
      { env: { ...process.env, ZESTY_HOUND_DATA: folder, DATABASE_URL: '' }, stdio: 'inherit' },
    );
  }
  const full = mkdtempSync(path.join(tmpdir(), 'zh-ledger-full-'));
  cpSync(folder, full, { recursive: true });
  const id = await fillLedger(full, LINES);
  await fillLedger(folder, FEW);
  const medians = await mediansOf([folder, full], id);
  console.log(
    `\nPages of a job with ${LINES} lines in its ledger, medians of ${RUNS}, asked in turn\n\n| page | ${FEW} lines | ${LINES} lines | more |\n| --- | --- | --- | --- |`,
  );
  PAGES.forEach((page, i) => {
    const [few, many] = medians[i] ?? [NaN, NaN];
    console.log(
      `| ${page} | ${few.toFixed(1)} ms | ${many.toFixed(1)} ms | ${(100 * (many / few - 1)).toFixed(0)} % |`,
    );
  });
  rmSync(folder, { recursive: true, force: true });
  rmSync(full, { recursive: true, force: true });
}

void main();
