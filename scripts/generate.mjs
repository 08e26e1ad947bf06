// npm run generate: a large history of jobs in a folder of its own, for the bench and for looking.
import path from 'node:path';
import { install, ROOT, runTypeScript } from './lib/prepare.mjs';

install();
const data = path.resolve(ROOT, process.env.ZESTY_HOUND_DATA || 'generated-data');
runTypeScript('src/cli/generate.ts', process.argv.slice(2), {
  ZESTY_HOUND_DATA: data,
  DATABASE_URL: '',
});
