import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { defineConfig } from '@playwright/test';

// The file is read again in every worker: what was chosen is kept in the environment.
process.env.E2E_PORT ??= execFileSync(process.execPath, [
  '-e',
  "const s=require('net').createServer().listen(0,'127.0.0.1',()=>{console.log(s.address().port);s.close()})",
])
  .toString()
  .trim();
process.env.E2E_DATA ??= mkdtempSync(path.join(tmpdir(), 'zesty-hound-e2e-'));
const { E2E_PORT, E2E_DATA } = process.env;

export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: process.env.E2E_OUTPUT ?? 'test-results',
  globalTeardown: './tests/e2e/teardown.ts',
  workers: 1,
  // Slow machines are waited for: how quick a page is, `npm run bench` measures.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: 'list',
  forbidOnly: Boolean(process.env.CI),
  use: {
    baseURL: `http://127.0.0.1:${E2E_PORT}`,
    viewport: { width: 1280, height: 800 },
    // The next test finds the program’s files in the browser, and nothing that one before it left.
    reuseContext: true,
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
      args: CHROMIUM_ARGS,
    },
  },
  webServer: {
    command: `node ${path.join(__dirname, 'scripts/serveForTests.mjs')}`,
    url: `http://127.0.0.1:${E2E_PORT}/api/health`,
    timeout: 300_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
    env: { PORT: E2E_PORT, ZESTY_HOUND_DATA: E2E_DATA, HOST: '127.0.0.1', DATABASE_URL: '' },
  },
});
