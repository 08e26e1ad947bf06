// npm run move: everything from the data folder into a PostgreSQL server, and back.
import path from 'node:path';
import { install, ROOT, runTypeScript } from './lib/prepare.mjs';

install();
const data = path.resolve(ROOT, process.env.ZESTY_HOUND_DATA || 'data');
runTypeScript('src/cli/move.ts', process.argv.slice(2), {
  ZESTY_HOUND_DATA: data,
  DATABASE_URL: '',
});
