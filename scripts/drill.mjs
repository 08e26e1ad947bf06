// npm run drill: hostile requests and many writers at one place; not a part of npm test.
import { existsSync } from 'node:fs';
import { bin, build, chromium, debian, install, run, typeScript } from './lib/prepare.mjs';

install({ all: true });
// Disks and tables are drilled without the built application.
if (!process.argv.includes('disk') && !process.argv.includes('spreadsheet')) build();
const isFirefox = process.argv.includes('firefox') && !process.env.FIREFOX_PATH;
if (isFirefox && !existsSync('/usr/bin/firefox-esr')) debian(['firefox-esr']);
if (process.argv.includes('journeys')) {
  // The whole way by keys alone, by thumb alone and by ear, and random walks: ten minutes more than a whole test has.
  const specs = ['heard', 'keyboard', 'touch', 'walks'].map((name) => `e2e/${name}.spec`);
  run(bin('playwright'), ['test', ...specs], {
    CHROMIUM_PATH: chromium(),
    WALKS: process.env.WALKS ?? '40',
  });
} else if (process.argv.includes('spreadsheet')) {
  // A spreadsheet program opens what we export; half a gigabyte is too much for every whole test.
  if (!existsSync('/usr/bin/soffice')) debian(['libreoffice-calc-nogui']);
  run(bin('jest'), ['tests/drills'], {
    DRILL_TESTS: '1',
    NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
  });
} else run(...typeScript('drill/run.ts', process.argv.slice(2)));
