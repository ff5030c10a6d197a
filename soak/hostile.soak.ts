import { test } from '@playwright/test';
import { runHostileModel } from '../e2e/models/hostile-model';

const MINUTES = Number(process.env['SOAK_MINUTES'] ?? 10);
/** So long one desk is kept, in minutes; then another begins. */
const ONE_DESK = 60;
const SEED = Number(process.env['SOAK_SEED'] ?? Date.now() % 100_000);

test('all at once: tabs, kills, folder, server, borrower, outside list and a phone on one desk', async ({ browser }) => {
  const { launchOptions } = test.info().project.use;
  for (let left = MINUTES, seed = SEED; left > 0; left -= ONE_DESK, seed++) {
    const { words, faults } = await test.step(`seed ${seed}`, () =>
      runHostileModel({ browser, launch: launchOptions, port: 4188, seconds: 60 * Math.min(ONE_DESK, left), seed }));
    console.log(`  seed ${seed}: ${words} words, none lost; ${faults.join(', ')}`);
  }
});
