// npm run drill: hostile requests and many writers at one place; not a part of npm test.
import { build, install, run, typeScript } from './lib/prepare.mjs';

install({ all: true });
build();
run(...typeScript('drill/run.ts', process.argv.slice(2)));
