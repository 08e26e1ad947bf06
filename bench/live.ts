import fs from 'node:fs';
import { demoFolder } from '../drill/place';
import { serve } from './serve';
import { HEAD, report } from './spread';

/**
 * What one screen writes, heard by fifty others: how long after it was sent, and what the fifty cost the
 * server in memory. Four screens write to four jobs, three readings a second each, for a minute.
 */
const PORT = 3978;
const SCREENS = 50;
const WRITERS = 4;
const PAUSE_MS = 250;
const FOR_MS = 60_000;

const residentMb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1024;

async function main(): Promise<void> {
  const { folder, ids } = await demoFolder();
  const server = await serve(folder, PORT);
  const headers = { cookie: `zh-who=${ids.lead}`, 'content-type': 'application/json' };
  const get = (place: string): Promise<unknown> =>
    fetch(server.address + place, { headers }).then((answer) => answer.text());
  // What the server has ready after some work anyway.
  for (let i = 0; i < 20; i += 1) await get(`/jobs/${ids.jobs[0]}/decide`);
  const before = residentMb(server.pid);

  const sent = new Map<string, number>();
  const heard: number[] = [];
  const end = new AbortController();
  const listen = async (): Promise<void> => {
    const answer = await fetch(`${server.address}/api/v1/live`, { headers, signal: end.signal });
    const text = new TextDecoder();
    for await (const chunk of answer.body!) {
      const now = performance.now();
      for (const [, by = ''] of text.decode(chunk as Uint8Array).matchAll(/"by":"([^"]+)"/g)) {
        heard.push(now - (sent.get(by) ?? NaN));
      }
    }
  };
  const listening = Array.from({ length: SCREENS }, () => listen().catch(() => undefined));
  await new Promise((resolve) => setTimeout(resolve, 1000));

  const until = Date.now() + FOR_MS;
  const writer = async (number: number): Promise<void> => {
    const device = `00000000-0000-4000-8000-00000000040${number}`;
    const jobId = ids.jobs[number]!;
    let order = 0;
    const send = async (name: string, input: object): Promise<void> => {
      order += 1;
      const write = { id: crypto.randomUUID(), name, input, number: order, by: ids.lead };
      sent.set(device, performance.now());
      const answer = await fetch(`${server.address}/api/v1/writes`, {
        ...{ method: 'POST', headers },
        body: JSON.stringify({ device, writes: [{ ...write, place: `${name} ${order}` }] }),
      });
      const { results } = (await answer.json()) as { results: { state: string }[] };
      if (results[0]?.state !== 'done') throw new Error(JSON.stringify(results));
    };
    const { job } = JSON.parse(String(await get(`/api/v1/jobs/${jobId}`))) as {
      job: { corners: string[] };
    };
    while (Date.now() < until) {
      const setId = crypto.randomUUID();
      const plan = { kind: 'runout', positions: 24, shift: 0, face: 'outboard', gaugeId: null };
      const place = { jobId, phase: 'before', corner: job.corners[0] };
      const nothing = { torqueNm: null, endPlayUm: null, angles: null, left: [] };
      await send('set-begin', { ...plan, ...place, ...nothing, id: setId });
      for (let position = 0; position < 24 && Date.now() < until; position += 1) {
        await send('reading', { setId, lap: 0, position, text: '0.012', unit: 'mm', was: null });
        await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
      }
    }
  };
  await Promise.all(Array.from({ length: WRITERS }, (_, i) => writer(i)));
  const during = residentMb(server.pid);
  end.abort();
  await Promise.all(listening);
  console.log(HEAD);
  report(`a write, until each of ${SCREENS} screens hears of it`, 1000, heard);
  console.log(
    `The server took ${before.toFixed(0)} MB before and ${during.toFixed(0)} MB with ${SCREENS} screens that listened for a minute of writes.`,
  );
  await server.stop();
  fs.rmSync(folder, { recursive: true, force: true });
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
