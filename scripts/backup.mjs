// npm run backup, npm run restore: a copy of everything into a file, and back.
import { existsSync } from 'node:fs';
import path from 'node:path';
import { install, ROOT, runTypeScript } from './lib/prepare.mjs';

install();
const data = path.resolve(ROOT, process.env.ZESTY_HOUND_DATA || 'data');
const authority = path.join(data, 'tls', 'authority.pem');
runTypeScript('src/cli/backup.ts', process.argv.slice(2), {
  ZESTY_HOUND_DATA: data,
  // The program that runs on the folder may speak HTTPS by its own certificate.
  ...(existsSync(authority) ? { NODE_EXTRA_CA_CERTS: authority } : {}),
});
