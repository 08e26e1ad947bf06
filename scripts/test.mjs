// npm test: everything, from a fresh clone on; stops at the first failure.
import { spawnSync } from 'node:child_process';
import {
  accessSync,
  chmodSync,
  constants,
  cpSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statfsSync,
} from 'node:fs';
import { freemem, tmpdir } from 'node:os';
import path from 'node:path';
import {
  beside,
  bin,
  buildBeside,
  chromium,
  ROOT,
  run,
  runTogether,
  SHORT_LIVED,
  typeScript,
} from './lib/prepare.mjs';
import { startPostgres } from './lib/postgres.mjs';

/** Bytes that all folders of a whole test take together, at most. */
const SCRATCH_BYTES = 8e9;

/**
 * Folders of the tests live for seconds and are written through to the disk thousands of times: memory
 * holds them where the machine has room for it, the temporary folder of the system otherwise.
 */
function scratchInMemory() {
  const memory = '/dev/shm';
  try {
    accessSync(memory, constants.W_OK);
    const { bavail, bsize } = statfsSync(memory);
    if (Math.min(bavail * bsize, freemem()) < SCRATCH_BYTES) return;
  } catch {
    return;
  }
  const scratch = mkdtempSync(path.join(memory, 'zesty-hound-'));
  // The database server of the tests runs as a user of its own and must get through.
  chmodSync(scratch, 0o755);
  process.env.TMPDIR = scratch;
  process.once('exit', () => rmSync(scratch, { recursive: true, force: true }));
}
if (!process.env.TMPDIR) scratchInMemory();

const started = Date.now();
const seconds = (since) => ((Date.now() - since) / 1000).toFixed(0);
const JEST = path.join(ROOT, 'node_modules/jest/bin/jest.js');
/** What Jest asks of Node. */
const MODULES = '--experimental-vm-modules --no-warnings';
/** Seconds of each step, and of each browser test file. */
const took = [];
const slowest = [];

/** Runs a step and keeps how long it took. */
async function timed(name, step) {
  console.log(`\n== ${name}`);
  const since = Date.now();
  await step();
  took.push([name, Number(seconds(since))]);
  console.log(`== ${name}: ${seconds(since)} s`);
}

/**
 * Browser tests that share a server and a copy of the demo workshop, with the seconds that they took when they were
 * last looked at: a server, a browser and a runner of its own cost each file ten seconds of a core. What is not named
 * runs by itself.
 */
const TOGETHER = [
  [['bench', 'drawing', 'links', 'network', 'nose', 'road-test', 'second-start', 'ways-in'], 285],
  [['views'], 225],
  [['measure', 'strip'], 190],
  [['decide', 'practice', 'records', 'stages'], 170],
  [['quick'], 125],
  [['rebuild'], 80],
];

/** A browser test waits for a page a quarter of its time: three of them keep two cores at work. */
const LANES = 3;
/**
 * The whole way once more by keys alone, by thumb alone and by the screen reader’s tree, whole jobs, and random walks:
 * `npm run drill -- journeys`. A whole test plays it from a quick check to the signed report (`quick`).
 */
const DRILLED = ['heard', 'journeys', 'keyboard', 'stages-whole', 'touch', 'walks'];
/** Browser tests of how quick something is. */
const TIMED = ['slow'];

/** The browser tests as a queue, the longest first. */
function queueOfBrowserTests() {
  const files = readdirSync(path.join(ROOT, 'tests/e2e'))
    .filter((file) => file.endsWith('.spec.ts'))
    .map((file) => file.replace('.spec.ts', ''))
    .filter((name) => !DRILLED.includes(name));
  const named = TOGETHER.flatMap(([names]) => names);
  const alone = files.filter((name) => !named.includes(name)).map((name) => [[name], 20]);
  return [...TOGETHER, ...alone]
    .sort(([, p], [, q]) => q - p)
    .map(([names]) => ({ name: names.join(', '), files: names.map((name) => `e2e/${name}.spec`) }));
}

/** One entry of the queue with a server and a copy of the demo workshop of its own; whether it passed. */
async function browserTest({ name, files }, template, chromiumPath) {
  const data = mkdtempSync(path.join(tmpdir(), 'zesty-hound-e2e-'));
  cpSync(template, data, { recursive: true });
  const output = `test-results/${name.replaceAll(', ', '-')}`;
  const passed = await beside(bin('playwright'), ['test', ...files], {
    CHROMIUM_PATH: chromiumPath,
    E2E_DATA: data,
    E2E_OUTPUT: output,
  });
  rmSync(data, { recursive: true, force: true });
  if (!passed) sayWhatWasSeen(output);
  return passed;
}

/** What went wrong in the browser tests that failed, said once more at the very end. */
const faults = [];

/** Prints what stood on the page where a browser test failed: nobody can look at it later. */
function sayWhatWasSeen(output) {
  const files = readdirSync(output, { recursive: true }).filter((file) =>
    file.endsWith('error-context.md'),
  );
  for (const file of files) {
    const [before, page] = readFileSync(path.join(output, file), 'utf8').split('# Page snapshot');
    const lines = (page ?? '').split('# Test source')[0].split('\n');
    console.log(`\n== ${file}: the page\n${lines.slice(0, 200).join('\n')}`);
    const details = (before.split('# Error details')[1] ?? '').trim().split('\n');
    faults.push(`${file}:\n${details.slice(0, 30).join('\n')}`);
  }
}

/** Works a queue off in so many lanes; the first failure ends it once its lanes are through. Answers what failed. */
async function workOff(queue, lanes) {
  const failed = [];
  const lane = async () => {
    for (let next = queue.shift(); next && failed.length === 0; next = queue.shift()) {
      const since = Date.now();
      if (!(await next.run())) failed.push(next.name);
      slowest.push([next.name, Number(seconds(since))]);
    }
  };
  await Promise.all(Array.from({ length: lanes }, lane));
  return failed;
}

/** The demo workshop that the tests of the records and those of the browser copy; gone when this ends. */
const demo = mkdtempSync(path.join(tmpdir(), 'zesty-hound-demo-'));
process.once('exit', () => rmSync(demo, { recursive: true, force: true }));

/** The built application in a browser. */
async function browserTests(chromiumPath) {
  const [together, byThemselves] = [[], []];
  for (const test of queueOfBrowserTests()) {
    const name = `browser: ${test.name}`;
    const job = { name, run: () => browserTest(test, demo, chromiumPath) };
    (TIMED.includes(test.name) ? byThemselves : together).push(job);
  }
  const failed = await workOff(together, LANES);
  // What measures time runs when nothing else does.
  if (failed.length === 0) failed.push(...(await workOff(byThemselves, 1)));
  if (failed.length > 0) {
    for (const fault of faults) console.error(`\n== ${fault}`);
    console.error(`\nFailed: ${failed.join(', ')}.`);
    process.exit(1);
  }
}

/** A program that calls functions of this folder’s files. */
const step = (...calls) => {
  const asked = calls.map(([file, call]) => {
    const href = new URL(`./lib/${file}.mjs`, import.meta.url).href;
    return `await import('${href}').then((m) => m.${call});`;
  });
  return [process.execPath, ['--input-type=module', '-e', asked.join('\n')]];
};
// Debian's programs one after the other, they are installed under one lock; what needs none of them goes on meanwhile.
const debian = beside(
  ...step(['prepare', 'chromium()'], ['prepare', 'readers()'], ['postgres', 'installServer()']),
);
await timed('install', () => runTogether([step(['prepare', 'install({ all: true })'])]));
await timed('lint, formatting, types, import boundaries, demo workshop, build', async () => {
  run(bin('next'), ['typegen']);
  const [node, seed] = typeScript('src/cli/seedDemo.ts', [], {}, [SHORT_LIVED]);
  // What reads every file takes one core as long as all the rest the other.
  const reading = [
    `"${bin('oxfmt')}" --check .`,
    'npm run -s lint:language',
    `"${bin('eslint')}" . --max-warnings 0`,
  ];
  await buildBeside(
    ['sh', ['-c', reading.join(' && ')]],
    [
      `"${process.execPath}" "${path.join(ROOT, 'node_modules/typescript-native/bin/tsc')}" --noEmit`,
      `"${bin('depcruise')}" --config .dependency-cruiser.cjs src`,
      `ZESTY_HOUND_DATA="${demo}" DATABASE_URL= "${node}" ${seed.join(' ')}`,
    ],
  );
});
let chromiumPath = '';
await timed('the rest of Debian’s programs', async () => {
  if (!(await debian)) process.exit(1);
  chromiumPath = chromium();
});
await timed('unit tests, and both engines', async () => {
  const server = await startPostgres();
  // Before the folder goes that it lies in.
  if (server) process.prependOnceListener('exit', server.stop);
  const reporters = ['default', '<rootDir>/tests/support/slowest.mjs'];
  // Workers inherit the flag.
  run(process.execPath, [SHORT_LIVED, JEST, ...reporters.map((name) => `--reporters=${name}`)], {
    NODE_OPTIONS: MODULES,
    TEST_PG: server?.url ?? '',
    TEST_DEMO: demo,
    GROUPED: '1',
  });
  process.removeListener('exit', server?.stop ?? (() => undefined));
  server?.stop();
});
await timed('browser tests', () => browserTests(chromiumPath));

const tracked = spawnSync('git', ['status', '--porcelain'], { cwd: ROOT, encoding: 'utf8' });
if (tracked.status === 0 && tracked.stdout.trim() !== '' && process.env.CI) {
  console.log(`\nThe checkout was changed by the tests:\n${tracked.stdout}`);
}
console.log('\nSlowest of them, in seconds:');
for (const [name, time] of slowest.sort((p, q) => q[1] - p[1]).slice(0, 10)) {
  console.log(`${String(time).padStart(6)}  ${name}`);
}
console.log('\nSteps, in seconds:');
for (const [name, time] of took) console.log(`${String(time).padStart(6)}  ${name}`);
console.log(`\nAll steps passed in ${seconds(started)} s.`);
console.log(`${took.length} passed, 0 failed`);
