import { defineConfig } from '@playwright/test';
import short from '../playwright.config';

/** The long runs: `npm run soak`, or `npm run soak -- -g tabs` for one of them. */
export default defineConfig(short, {
  testDir: '.',
  testMatch: '*.soak.ts',
  workers: 1,
  timeout: 60 * 60_000,
  outputDir: '../test-results',
});
