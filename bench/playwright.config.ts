import { defineConfig } from '@playwright/test';
import base from '../playwright.config';

export default defineConfig({
  ...base,
  testDir: '.',
  testMatch: '*.bench.ts',
  // A trace photographs the page at each step, which would be measured with it.
  use: { ...base.use, trace: 'off' },
  globalTeardown: '../tests/e2e/teardown.ts',
});
