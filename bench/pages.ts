import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { execFileSync } from 'node:child_process';
import { serve } from './serve';
import { HEAD, report } from './spread';

/** Every page of every open demo job, opened by a warm server: whole answers, in ms. */
const PORT = 3981;
const RUNS = 8;
const WRITES = 60;

/** Pages of a job by the path below it; `:corner` stands for each of its corners. */
const PAGES = [
  'complaint',
  'road-test',
  'strip',
  'strip/:corner',
  'strip/:corner/findings',
  'strip/:corner/tray',
  'rules',
  'measure/:corner',
  'decide',
  'correct/:corner',
  'rebuild',
  'rebuild/:corner',
  'rebuild/:corner/torque',
  'rebuild/hydraulics',
  'rebuild/bedding',
  'prove',
  'prove/:corner',
  'report',
  'report/owner',
  'report/file',
] as const;

const seedDemo = (folder: string): void => {
  execFileSync(
    process.execPath,
    ['--conditions=react-server', '--import', 'tsx', 'src/cli/seedDemo.ts'],
    { env: { ...process.env, ZESTY_HOUND_DATA: folder, DATABASE_URL: '' }, stdio: 'inherit' },
  );
};

interface OpenJob {
  readonly id: string;
  readonly corners: readonly string[];
}

/** The jobs that the start page shows as open. */
async function openJobs(address: string): Promise<OpenJob[]> {
  const html = await (await fetch(address)).text();
  const ids = new Set([...html.matchAll(/\/jobs\/([0-9a-f-]{36})/g)].map(([, id = '']) => id));
  const jobs: OpenJob[] = [];
  for (const id of ids) {
    const answer = await fetch(`${address}/api/v1/jobs/${id}`);
    const { job } = (await answer.json()) as {
      job: { corners: string[]; closedAt: string | null };
    };
    if (job.closedAt === null) jobs.push({ id, corners: job.corners });
  }
  return jobs;
}

async function timed(address: string): Promise<number> {
  const start = performance.now();
  const answer = await fetch(address);
  await answer.text();
  if (!answer.ok) throw new Error(`${address} answers ${answer.status}`);
  return performance.now() - start;
}

/** Times of one page over all jobs: the first opening of each is told apart. */
async function pageTimes(
  address: string,
  jobs: readonly OpenJob[],
  page: string,
): Promise<{ first: number[]; again: number[] }> {
  const first: number[] = [];
  const again: number[] = [];
  for (const { id, corners } of jobs) {
    for (const corner of page.includes(':corner') ? corners : ['']) {
      const place = `${address}/jobs/${id}/${page.replace(':corner', corner)}`;
      first.push(await timed(place));
      for (let run = 0; run < RUNS; run += 1) again.push(await timed(place));
    }
  }
  return { first, again };
}

/** Times of one write after the other: a look ticked, and a reading. */
async function writeTimes(address: string, job: OpenJob): Promise<number[]> {
  const times: number[] = [];
  const device = crypto.randomUUID();
  for (let number = 1; number <= WRITES; number += 1) {
    const input = {
      ...{ jobId: job.id, kind: 'look', place: job.corners[0], item: 'hose', note: null },
      ...{ value: number % 2 ? [] : ['old'], seen: null },
    };
    const write = {
      id: crypto.randomUUID(),
      name: 'check',
      place: 'hose',
      number,
      input,
      by: null,
    };
    const start = performance.now();
    const answer = await fetch(`${address}/api/v1/writes`, {
      method: 'POST',
      body: JSON.stringify({ device, writes: [write] }),
    });
    const { results } = (await answer.json()) as { results: { state: string }[] };
    times.push(performance.now() - start);
    // What another wrote before is met once; afterwards the device knows it.
    if (number > 1 && results[0]?.state !== 'done') throw new Error(JSON.stringify(results));
  }
  return times.slice(5);
}

async function main(): Promise<void> {
  const folder = mkdtempSync(path.join(tmpdir(), 'zh-pages-'));
  const made = process.argv[2];
  if (made) cpSync(made, folder, { recursive: true });
  else seedDemo(folder);
  const { address, stop } = await serve(folder, PORT);
  const jobs = await openJobs(address);
  for (let i = 0; i < 5; i += 1) await timed(address);
  console.log(`\nPages of ${jobs.length} open demo jobs\n\n${HEAD}`);
  for (const page of PAGES) {
    const { first, again } = await pageTimes(address, jobs, page);
    report(`${page}, opened`, 120, again);
    report(`${page}, first opening of each`, 200, first);
  }
  for (const job of jobs.slice(0, 3)) {
    report('one write, answered', 50, await writeTimes(address, job));
  }
  await stop();
  rmSync(folder, { recursive: true, force: true });
}

void main();
