import fs from 'node:fs';
import path from 'node:path';
import { demoFolder } from '../drill/place';
import { quantileOfSorted, seededRandom } from '../src/core/numeric';
import { serve } from './serve';
import { HEAD, report } from './spread';

/**
 * Readings typed by four tablets for some minutes (FOLDER_MINUTES, else 2) while copies are made one after the
 * other, or none with FOLDER_COPIES=0: how long each waits, with and without a copy, how long the log grows, and how
 * quickly the folder opens after a kill.
 */
const PORT = 3986;
const TABLETS = 4;
/** From one reading to the next: more than hands can do, whose pace is FOLDER_PAUSE=1000 (three keys a second). */
const PAUSE_MS = Number(process.env.FOLDER_PAUSE ?? 150);
const minutes = Number(process.env.FOLDER_MINUTES ?? 2);
const hasCopies = process.env.FOLDER_COPIES !== '0';

interface Took {
  readonly ms: number;
  readonly isCopying: boolean;
}

const logBytes = (folder: string): number =>
  fs
    .readdirSync(path.join(folder, 'pg/pg_wal'))
    .reduce((sum, name) => sum + fs.statSync(path.join(folder, 'pg/pg_wal', name)).size, 0);

async function main(): Promise<void> {
  const { folder, ids } = await demoFolder();
  const server = await serve(folder, PORT);
  process.once('exit', () => {
    try {
      process.kill(server.pid, 'SIGKILL');
    } catch {
      // It was stopped before.
    }
  });
  const headers = { cookie: `zh-who=${ids.lead}`, 'content-type': 'application/json' };
  const took: Took[] = [];
  let isCopying = false;
  let copies = 0;
  let longestLog = 0;
  const until = Date.now() + minutes * 60_000;
  const tablet = async (number: number): Promise<void> => {
    const device = `00000000-0000-4000-8000-00000000020${number}`;
    const send = async (name: string, input: object, order: number): Promise<string> => {
      const write = { id: crypto.randomUUID(), name, input, number: order, by: ids.lead };
      const answer = await fetch(`${server.address}/api/v1/writes`, {
        ...{ method: 'POST', headers },
        body: JSON.stringify({ device, writes: [{ ...write, place: `${name} ${order}` }] }),
      });
      const { results } = (await answer.json()) as {
        results: { state: string; message?: string }[];
      };
      return `${results[0]!.state} ${results[0]!.message ?? ''}`;
    };
    const jobId = ids.jobs[number]!;
    const asked = await fetch(`${server.address}/api/v1/jobs/${jobId}`, { headers });
    const { job } = (await asked.json()) as { job: { corners: string[] } };
    const random = seededRandom(number);
    let order = 0;
    while (Date.now() < until) {
      const setId = crypto.randomUUID();
      const plan = { kind: 'runout', positions: 24, shift: 0, face: 'outboard', gaugeId: null };
      const place = { jobId, phase: 'before', corner: job.corners[0] };
      const nothing = { torqueNm: null, endPlayUm: null, angles: null, left: [] };
      await send('set-begin', { ...plan, ...place, ...nothing, id: setId }, (order += 1));
      for (let position = 0; position < 24 && Date.now() < until; position += 1) {
        const reading = { setId, lap: 0, position, text: '0.012', unit: 'mm', was: null };
        const since = performance.now();
        const during = isCopying;
        const state = await send('reading', reading, (order += 1));
        if (!state.startsWith('done')) throw new Error(state);
        took.push({ ms: performance.now() - since, isCopying: during || isCopying });
        // No two hands type in step.
        const pause = PAUSE_MS * (0.5 + random.uniform());
        await new Promise((resolve) => setTimeout(resolve, pause));
      }
    }
  };
  const copier = async (): Promise<void> => {
    while (Date.now() < until) {
      await new Promise((resolve) => setTimeout(resolve, 5000));
      longestLog = Math.max(longestLog, logBytes(folder));
      if (!hasCopies) continue;
      isCopying = true;
      const made = await fetch(`${server.address}/api/v1/copies`, { method: 'POST', headers });
      isCopying = false;
      const said = made.ok ? '' : await made.text();
      // The server makes one by itself now and then.
      if (said.includes('A copy is being made just now')) continue;
      if (said) throw new Error(said);
      copies += 1;
    }
  };
  await Promise.all([copier(), ...Array.from({ length: TABLETS }, (_, i) => tablet(i))]);
  console.log(HEAD);
  for (const during of [false, true]) {
    const own = took.filter((each) => each.isCopying === during).map(({ ms }) => ms);
    if (own.length === 0) continue;
    const name = during ? `a reading while one of ${copies} copies is made` : 'a reading else';
    report(name, 100, own);
    const sorted = [...own].sort((p, q) => p - q);
    console.log(`Its p99: ${quantileOfSorted(sorted, 0.99).toFixed(0)} ms.`);
  }
  console.log(`The log took ${(longestLog / 1e6).toFixed(0)} MB at most.`);
  process.kill(server.pid, 'SIGKILL');
  await new Promise((resolve) => setTimeout(resolve, 300));
  const since = performance.now();
  const again = await serve(folder, PORT + 1);
  console.log(`After a kill it answers in ${((performance.now() - since) / 1000).toFixed(1)} s.`);
  await again.stop();
  fs.rmSync(folder, { recursive: true, force: true });
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
