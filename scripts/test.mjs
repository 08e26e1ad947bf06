// npm test: everything, from a fresh clone on; stops at the first failure.
import { spawnSync } from 'node:child_process';
import { bin, build, chromium, install, pdfReader, ROOT, run } from './lib/prepare.mjs';

install();
const CHROMIUM_PATH = chromium();
pdfReader();
const started = Date.now();

const STEPS = [
  ['lint', () => run(bin('eslint'), ['.', '--max-warnings', '0'])],
  ['formatting', () => run(bin('prettier'), ['--check', '--log-level', 'warn', '.'])],
  [
    'types',
    () => {
      run(bin('next'), ['typegen']);
      run(bin('tsc'), ['--noEmit']);
    },
  ],
  [
    'import boundaries',
    () => run(bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'src']),
  ],
  [
    'unit tests',
    () => run(bin('jest'), [], { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' }),
  ],
  ['build', build],
  ['browser tests', () => run(bin('playwright'), ['test'], { CHROMIUM_PATH })],
];

for (const [name, step] of STEPS) {
  console.log(`\n== ${name}`);
  step();
}
const tracked = spawnSync('git', ['status', '--porcelain'], { cwd: ROOT, encoding: 'utf8' });
if (tracked.status === 0 && tracked.stdout.trim() !== '' && process.env.CI) {
  console.log(`\nThe checkout was changed by the tests:\n${tracked.stdout}`);
}
console.log(`\nAll steps passed in ${Math.round((Date.now() - started) / 1000)} s.`);
console.log(`${STEPS.length} passed, 0 failed`);
