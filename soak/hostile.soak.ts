import { test } from '@playwright/test';
import { runHostileModel } from '../e2e/models/hostile-model';

const MINUTES = Number(process.env['SOAK_MINUTES'] ?? 10);
const SEED = Number(process.env['SOAK_SEED'] ?? Date.now() % 100_000);

test('all at once: tabs, kills, folder, server, borrower, outside list and a phone on one desk', async ({ browser }) => {
  const { launchOptions } = test.info().project.use;
  for (let run = 0; run < Math.max(1, Math.round(MINUTES / 5)); run++) {
    const seed = SEED + run;
    const { words, faults } = await test.step(`seed ${seed}`, () =>
      runHostileModel({ browser, launch: launchOptions, port: 4188, seconds: Math.min(300, MINUTES * 60), seed }));
    console.log(`  seed ${seed}: ${words} words, none lost; ${faults.join(', ')}`);
  }
});
