import { defineConfig } from '@playwright/test';
import short, { LONG } from '../playwright.config';

/** The long runs: `npm run soak`, or `npm run soak -- -g tabs` for one of them. The journeys beside the main paths are among them. */
export default defineConfig(short, {
  grepInvert: [],
  testDir: '..',
  workers: 1,
  // Hours are asked for by SOAK_MINUTES.
  timeout: 0,
  outputDir: '../test-results',
  projects: [
    { name: 'long', testMatch: 'soak/*.soak.ts' },
    { name: 'beside', testMatch: 'e2e/**/*.spec.ts', grep: LONG, timeout: 90_000 },
  ],
});
