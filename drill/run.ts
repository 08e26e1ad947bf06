import { rmSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { serve } from '../bench/serve';
import { halfSaved } from './agree';
import { runDisk } from './disk/run';
import { runFirefox } from './firefox';
import { withoutGuards } from './guards';
import { memoryOf, runHostile } from './hostileRun';
import { demoFolder } from './place';
import { runRoles } from './roles';
import { runShop } from './shop';
import { runWriters } from './writers';

/**
 * npm run drill: hostile requests over every handler, page, action and use case, and fifty writers
 * at one place, against the built application on the demo workshop. Says what it found, and fails
 * where something was found. With `disk`: kills, power cuts, full disks, torn folders, double starts; with
 * `firefox`: every view in a second browser; with `shop`: four tablets and an office on one job,
 * with `--network` paired and signed in; with `access`: every kind of visitor of a server that is open to the network.
 */
const PORT = 3985;
const WARM_UP = 1500;
const MOST_GROWTH = 1.2;
const SETTLE_MS = 15_000;

const { values, positionals } = parseArgs({
  options: {
    requests: { type: 'string', default: '20000' },
    seed: { type: 'string', default: '1' },
    only: { type: 'string', default: 'both' },
    guards: { type: 'boolean', default: false },
    minutes: { type: 'string', default: '20' },
    network: { type: 'boolean', default: false },
  },
  allowPositionals: true,
});
const count = Number(values.requests);
const seed = Number(values.seed);
const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, SETTLE_MS));

/** Says what a day in the shop came to; false where something was lost. */
async function shopDay(): Promise<boolean> {
  const place = await demoFolder();
  const minutes = Number(values.minutes);
  const { written, contested, cuts, kills, heard, faults } = await runShop(place, {
    ...{ minutes, seed, port: PORT, isOpen: values.network },
  });
  console.log(
    `Five screens for ${minutes} min: ${written} writes, ${contested} told of another, ${cuts} networks cut, the server killed ${kills} times; another screen heard of a write after ${heard[0].toFixed(0)} ms (median), ${heard[1].toFixed(0)} ms (p95); ${faults.length} faults`,
  );
  for (const fault of faults.slice(0, 20)) console.log(`  FAULT ${fault}`);
  rmSync(place.folder, { recursive: true, force: true });
  return faults.length === 0;
}

/** Says what each kind of visitor was told and did; false where it was too much. */
async function access(): Promise<boolean> {
  const place = await demoFolder();
  const results = await runRoles(place, { port: PORT, count, seed });
  for (const { who, sent, byStatus, done, faults } of results) {
    const statuses = [...byStatus]
      .sort(([p], [q]) => p - q)
      .map(([status, times]) => `${status}: ${times}`);
    console.log(
      `${who}: ${sent} requests (${statuses.join(', ')}), ${done} writes done, ${faults.length} faults`,
    );
    for (const fault of faults.slice(0, 20)) console.log(`  FAULT ${fault}`);
  }
  rmSync(place.folder, { recursive: true, force: true });
  return results.every(({ faults }) => faults.length === 0);
}

async function main(): Promise<boolean> {
  if (values.guards) return withoutGuards().length === 0;
  if (positionals.includes('firefox')) return (await runFirefox()).length === 0;
  if (positionals.includes('disk')) return (await runDisk(seed)).length === 0;
  if (positionals.includes('shop')) return shopDay();
  if (positionals.includes('access')) return access();
  const wrong: string[] = [];
  const { folder, ids } = await demoFolder();
  const file = path.join(folder, 'memory.json');
  const server = await serve(folder, PORT, {
    args: ['--expose-gc', '--import', './drill/memory.mjs'],
    env: { DRILL_MEMORY: file },
  });
  try {
    if (values.only !== 'hostile') {
      for (const each of await runWriters(PORT, ids)) {
        const { name, writers, lost, troubles, conflicts, seconds } = each;
        console.log(
          `${writers} writers at ${name}: ${lost} lost, ${troubles} in trouble, ${conflicts} told of another, ${seconds.toFixed(1)} s`,
        );
        if (lost !== 0 || troubles > 0) wrong.push(name);
      }
    }
    if (values.only !== 'writers') {
      await runHostile(PORT, ids, { count: WARM_UP, seed: seed + 1000 });
      await settle();
      const before = await memoryOf(server.pid, file);
      const began = performance.now();
      const { sent, byStatus, faults, slowest } = await runHostile(PORT, ids, { count, seed });
      const seconds = (performance.now() - began) / 1000;
      await settle();
      const after = await memoryOf(server.pid, file);
      const statuses = [...byStatus]
        .sort(([p], [q]) => p - q)
        .map(([status, times]) => `${status}: ${times}`);
      console.log(
        `${sent} hostile requests in ${seconds.toFixed(0)} s (${statuses.join(', ')}), the slowest ${(slowest / 1000).toFixed(2)} s, memory held ${before.held.toFixed(0)} MB before and ${after.held.toFixed(0)} MB after (of the system ${before.taken.toFixed(0)} and ${after.taken.toFixed(0)})`,
      );
      for (const fault of faults.slice(0, 40)) console.log(`  FAULT ${fault}`);
      if (faults.length > 0) wrong.push(`${faults.length} faults`);
      if (after.held > before.held * MOST_GROWTH) wrong.push('memory');
    }
  } finally {
    await server.stop();
  }
  const half = await halfSaved();
  console.log(`Half saved: ${half.length === 0 ? 'nothing' : half.join(', ')}`);
  if (half.length > 0) wrong.push('half saved');
  rmSync(folder, { recursive: true, force: true });
  if (wrong.length > 0) console.log(`\nFound: ${wrong.join('; ')}`);
  return wrong.length === 0;
}

main().then(
  (isSound) => process.exit(isSound ? 0 : 1),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
