// npm run dev: the development server on the demo folder's data.
import path from 'node:path';
import { bin, install, ROOT, run } from './lib/prepare.mjs';

install({ all: true });
run(bin('next'), ['dev', '-H', process.env.HOST || '127.0.0.1', '-p', process.env.PORT || '3000'], {
  ZESTY_HOUND_DATA: path.resolve(ROOT, process.env.ZESTY_HOUND_DATA || 'demo-data'),
});
