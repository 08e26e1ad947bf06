// npm run drill: hostile requests and many writers at one place; not a part of npm test.
import { existsSync } from 'node:fs';
import { build, debian, install, run, typeScript } from './lib/prepare.mjs';

install({ all: true });
// Disks are drilled without the built application.
if (!process.argv.includes('disk')) build();
const isFirefox = process.argv.includes('firefox') && !process.env.FIREFOX_PATH;
if (isFirefox && !existsSync('/usr/bin/firefox-esr')) debian(['firefox-esr']);
run(...typeScript('drill/run.ts', process.argv.slice(2)));
