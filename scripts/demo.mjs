// npm run demo: a fresh demo database in a folder of its own; never the user's data.
import path from 'node:path';
import { buildBeside, install, ROOT, serve, typeScript } from './lib/prepare.mjs';

const DEMO = path.join(ROOT, 'demo-data');
const env = { ZESTY_HOUND_DATA: DEMO, DATABASE_URL: '' };
const started = Date.now();
const seconds = () => `${((Date.now() - started) / 1000).toFixed(0)} s`;

install();
console.log(`Packages are there after ${seconds()}. Building, and making the demo workshop …`);
await buildBeside(typeScript('src/cli/seedDemo.ts', ['--history'], env));
console.log(`Built, and the workshop stands, after ${seconds()}. Starting …`);
serve(DEMO, env);
