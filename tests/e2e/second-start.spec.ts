import { spawn } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { freePort } from './ownServer';

test('a second start on a folder in use is refused in words that name it', async () => {
  const folder = process.env.E2E_DATA ?? '';
  const second = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(await freePort())],
    {
      env: { ...process.env, NODE_ENV: 'production', ZESTY_HOUND_DATA: folder, DATABASE_URL: '' },
    },
  );
  let said = '';
  second.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  const code = await new Promise((resolve) => second.once('exit', resolve));
  expect(code).not.toBe(0);
  expect(said).toContain(folder);
  expect(said).toContain('in use by another running copy');
});
