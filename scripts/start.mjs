// npm start: the application on the user's own data.
import path from 'node:path';
import { build, install, ROOT, serve } from './lib/prepare.mjs';

install();
build();
serve(path.resolve(ROOT, process.env.ZESTY_HOUND_DATA || 'data'));
