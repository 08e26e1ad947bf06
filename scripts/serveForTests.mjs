// The built application on the demo workshop's data, in the folder and at the port of a test.
import { existsSync } from 'node:fs';
import path from 'node:path';
import { runTypeScript, serve, SHORT_LIVED } from './lib/prepare.mjs';

// `npm test` makes the demo workshop once and hands out copies.
const isMade = existsSync(path.join(process.env.ZESTY_HOUND_DATA, 'pg'));
if (process.env.E2E_EMPTY !== '1' && !isMade) runTypeScript('src/cli/seedDemo.ts');
serve(process.env.ZESTY_HOUND_DATA, {}, [SHORT_LIVED]);
