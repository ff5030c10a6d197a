import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { runFolderKillModel } from '../e2e/models/folder-kill-model';
import { runKillModel, runLeavingModel } from '../e2e/models/leaving-model';
import { runTabsModel } from '../e2e/models/tabs-model';

/** How long the tabs write, in minutes: `SOAK_MINUTES=60 npm run soak`. */
const MINUTES = Number(process.env['SOAK_MINUTES'] ?? 10);
const SEED = Number(process.env['SOAK_SEED'] ?? Date.now() % 100_000);

test.beforeAll(() => console.log(`seed ${SEED}, ${MINUTES} minutes`));

for (const [part, tabs] of [3, 2].entries())
  test(`tabs: ${tabs} of them write in one note`, async ({ browser }) => {
    const runs = Math.max(1, Math.round(MINUTES));
    for (let run = 0; run < runs; run++) {
      const context = await browser.newContext({ serviceWorkers: 'block' });
      const seed = SEED + 1000 * part + run;
      const { words } = await test.step(`seed ${seed}`, () =>
        runTabsModel(context, { tabs, seconds: 30, least: 25, seed, otherwise: 0.15 }));
      console.log(`  ${tabs} tabs, seed ${seed}: ${words} words, none lost`);
      await context.close();
    }
  });

test('leaving: a page is left within a moment of the last key', async ({ context }) => {
  expect(await runLeavingModel(context, 64, SEED)).toBe(64);
});

test('kills: the browser is killed while it is written in', async ({ baseURL }) => {
  const folder = mkdtempSync(path.join(tmpdir(), 'recado-kill-'));
  const { launchOptions } = test.info().project.use;
  const safe = await runKillModel({ folder, baseURL: baseURL ?? '', launch: launchOptions, rounds: 64, seed: SEED });
  console.log(`  ${safe} words were said to be saved, none lost`);
  expect(safe).toBeGreaterThan(20);
  rmSync(folder, { recursive: true, force: true });
});

test('kills: the browser is killed while files of a folder are written', async ({ baseURL }) => {
  const folder = mkdtempSync(path.join(tmpdir(), 'recado-folder-kill-'));
  const { launchOptions } = test.info().project.use;
  const whole = await runFolderKillModel({ folder, baseURL: baseURL ?? '', launch: launchOptions, rounds: 30, seed: SEED });
  console.log(`  ${whole} times the file was found whole`);
  expect(whole).toBeGreaterThan(15);
  rmSync(folder, { recursive: true, force: true });
});
