// npm run demo: a fresh demo database in a folder of its own; never the user's data.
import path from 'node:path';
import { build, install, ROOT, runTypeScript, serve } from './lib/prepare.mjs';

const DEMO = path.join(ROOT, 'demo-data');
install();
build();
const env = { ZESTY_HOUND_DATA: DEMO, DATABASE_URL: '' };
console.log('Making the demo workshop …');
runTypeScript('src/cli/seedDemo.ts', ['--history'], env);
serve(DEMO, env);
