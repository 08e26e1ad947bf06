// npm run bench: measures what the issues ask for and prints it; not a timed test.
import { bin, build, chromium, install, run, runTypeScript } from './lib/prepare.mjs';

install({ all: true });
build();
const CHROMIUM_PATH = chromium();
runTypeScript('bench/solvers.ts');
runTypeScript('bench/diagnosis.ts');
runTypeScript('bench/recordings.ts');
runTypeScript('bench/measure.ts');
runTypeScript('bench/policies.ts');
runTypeScript('bench/startPage.ts');
runTypeScript('bench/pages.ts');
runTypeScript('bench/ledger.ts');
runTypeScript('bench/records.ts');
runTypeScript('bench/folder.ts');
run(bin('playwright'), ['test', '--config', 'bench/playwright.config.ts'], { CHROMIUM_PATH });
