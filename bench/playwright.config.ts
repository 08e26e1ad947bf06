import { defineConfig } from '@playwright/test';
import base from '../playwright.config';

export default defineConfig({
  ...base,
  testDir: '.',
  testMatch: '*.bench.ts',
  globalTeardown: '../tests/e2e/teardown.ts',
});
