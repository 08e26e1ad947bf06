// Runs the command line tool from source: needs no build and no running server.
import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import path from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
const loader = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
const { status } = spawnSync(
  process.execPath,
  ['--import', loader, path.join(root, 'src/cli/zh.ts'), ...process.argv.slice(2)],
  { stdio: 'inherit', cwd: process.env.INIT_CWD ?? process.cwd() },
);
process.exit(status ?? 1);
