// npm run backup, npm run restore: a copy of everything into a file, and back.
import path from 'node:path';
import { install, ROOT, runTypeScript } from './lib/prepare.mjs';

install();
const data = path.resolve(ROOT, process.env.ZESTY_HOUND_DATA || 'data');
runTypeScript('src/cli/backup.ts', process.argv.slice(2), { ZESTY_HOUND_DATA: data });
