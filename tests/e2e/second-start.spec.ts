import { expect, test } from '@playwright/test';
import { freePort, startServer } from './ownServer';

test('a second start on a folder in use is refused in words that name it', async () => {
  const folder = process.env.E2E_DATA ?? '';
  const second = startServer(await freePort(), folder, 'pipe');
  let said = '';
  second.stderr!.on('data', (chunk: Buffer) => (said += chunk.toString()));
  const code = await new Promise((resolve) => second.once('exit', resolve));
  expect(code).not.toBe(0);
  expect(said).toContain(folder);
  expect(said).toContain('in use by another running copy');
});
