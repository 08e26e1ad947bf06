// npm run drill: hostile requests and many writers at one place; not a part of npm test.
import { build, install, run, typeScript } from './lib/prepare.mjs';

install({ all: true });
// Disks are drilled without the built application.
if (!process.argv.includes('disk')) build();
run(...typeScript('drill/run.ts', process.argv.slice(2)));
