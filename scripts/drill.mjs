// npm run drill: hostile requests and many writers at one place; not a part of npm test.
import { existsSync } from 'node:fs';
import { bin, build, chromium, debian, install, run, typeScript } from './lib/prepare.mjs';

install({ all: true });
// Disks, tables and trials are drilled without the built application.
if (!['disk', 'spreadsheet', 'trials'].some((name) => process.argv.includes(name))) build();
const MODULES = '--experimental-vm-modules --no-warnings';
const isFirefox = process.argv.includes('firefox') && !process.env.FIREFOX_PATH;
if (isFirefox && !existsSync('/usr/bin/firefox-esr')) debian(['firefox-esr']);
if (process.argv.includes('journeys')) {
  // The whole way by keys alone, by thumb alone and by ear, whole jobs from a hidden truth, and random walks: half an
  // hour more than a whole test has.
  const specs = ['heard', 'keyboard', 'touch', 'journeys', 'stages-whole', 'walks'].map(
    (name) => `e2e/${name}.spec`,
  );
  run(bin('playwright'), ['test', ...specs], {
    CHROMIUM_PATH: chromium(),
    WALKS: process.env.WALKS ?? '40',
  });
} else if (process.argv.includes('spreadsheet')) {
  // A spreadsheet program opens what we export; half a gigabyte is too much for every whole test.
  if (!existsSync('/usr/bin/soffice')) debian(['libreoffice-calc-nogui']);
  run(bin('jest'), ['tests/drills'], { DRILL_TESTS: '1', NODE_OPTIONS: MODULES });
} else if (process.argv.includes('trials')) {
  // All of the random cases of which a whole test tries the first few.
  const own = ['--selectProjects', 'unit', '--findRelatedTests', 'tests/support/trials.ts'];
  run(bin('jest'), own, { TRIALS: 'all', NODE_OPTIONS: MODULES });
} else run(...typeScript('drill/run.ts', process.argv.slice(2)));
