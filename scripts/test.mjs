// npm test: everything, from a fresh clone on; stops at the first failure.
import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import path from 'node:path';
import { bin, build, chromium, install, readers, ROOT, run, runTogether } from './lib/prepare.mjs';

install();
const CHROMIUM_PATH = chromium();
readers();
const started = Date.now();

/** Kills a server at moments that must fall among its answers: it runs with the machine to itself. */
const ALONE = ['kill'];
/** Browser tests that take about half of the time; the others run beside them, on a server of their own. */
const FIRST_HALF = ['keyboard', 'nose', 'records', 'touch', 'views', 'ways-in'];
const SECOND_HALF = readdirSync(path.join(ROOT, 'tests/e2e'))
  .filter((file) => file.endsWith('.spec.ts'))
  .map((file) => file.replace('.spec.ts', ''))
  .filter((name) => !FIRST_HALF.includes(name) && !ALONE.includes(name));
const browserTests = (names, output) => [
  bin('playwright'),
  ['test', ...names.map((name) => `e2e/${name}.spec`)],
  { CHROMIUM_PATH, E2E_OUTPUT: output },
];

const STEPS = [
  ['route types', () => run(bin('next'), ['typegen'])],
  [
    'lint, formatting, types, import boundaries',
    () =>
      runTogether([
        [bin('eslint'), ['.', '--max-warnings', '0']],
        [bin('prettier'), ['--check', '--log-level', 'warn', '.']],
        [bin('tsc'), ['--noEmit']],
        [bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'src']],
      ]),
  ],
  [
    'unit tests',
    () => run(bin('jest'), [], { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' }),
  ],
  ['build', build],
  ['browser tests, alone', () => runTogether([browserTests(ALONE, 'test-results/alone')])],
  [
    'browser tests',
    () =>
      runTogether([
        browserTests(FIRST_HALF, 'test-results/first'),
        browserTests(SECOND_HALF, 'test-results/second'),
      ]),
  ],
];

for (const [name, step] of STEPS) {
  console.log(`\n== ${name}`);
  await step();
}
const tracked = spawnSync('git', ['status', '--porcelain'], { cwd: ROOT, encoding: 'utf8' });
if (tracked.status === 0 && tracked.stdout.trim() !== '' && process.env.CI) {
  console.log(`\nThe checkout was changed by the tests:\n${tracked.stdout}`);
}
console.log(`\nAll steps passed in ${Math.round((Date.now() - started) / 1000)} s.`);
console.log(`${STEPS.length} passed, 0 failed`);
