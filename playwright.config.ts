import { defineConfig } from '@playwright/test';

const PORT = 4187;

/** Journeys beside the main paths: they run with the long ones, `npm run soak`. */
export const LONG = /@long/;

export default defineConfig({
  testDir: 'e2e',
  grepInvert: LONG,
  fullyParallel: true,
  // One more than the cores of a small machine: each waits now and then, for a timer or the disk.
  workers: 3,
  timeout: 90_000,
  expect: { timeout: 20_000 },
  retries: process.env['CI'] ? 1 : 0,
  outputDir: 'test-results',
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Lisbon',
    // Only what is about working without a network keeps the program in the browser: elsewhere each test would fetch all of it.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node node_modules/tsx/dist/cli.mjs server/main.ts',
    cwd: import.meta.dirname,
    env: { PORT: String(PORT), DATA: '.cache/e2e-data' },
    url: `http://localhost:${PORT}/healthz`,
    reuseExistingServer: false,
  },
});
