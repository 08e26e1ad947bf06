// The built application on the demo workshop's data, in the folder and at the port of a test.
import { runTypeScript, serve } from './lib/prepare.mjs';

if (process.env.E2E_EMPTY !== '1') runTypeScript('src/cli/seedDemo.ts');
serve(process.env.ZESTY_HOUND_DATA);
