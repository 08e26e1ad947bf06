// npm run lead: gives a lead a password, for the first one and for one who lost it.
import path from 'node:path';
import { install, ROOT, runTypeScript } from './lib/prepare.mjs';

install();
const data = path.resolve(ROOT, process.env.ZESTY_HOUND_DATA || 'data');
runTypeScript('src/cli/lead.ts', process.argv.slice(2), { ZESTY_HOUND_DATA: data });
