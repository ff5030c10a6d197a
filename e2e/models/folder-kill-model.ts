import { type Page, chromium, expect } from '@playwright/test';
import { NOW } from '../desk';
import { type KillRun, killed } from './leaving-model';
import { randomFrom } from './stored';

const LINES = 1500;
const FILE = '2026-11-23.md';

const versionText = (version: number): string =>
  Array.from({ length: LINES }, (_, line) => `- crate ${line} of version ${version}`).join('\n');

/** What the file of the journal page holds; null where there is none. */
const fileText = (page: Page): Promise<string | null> =>
  page.evaluate(async (name) => {
    try {
      const desk = await (await navigator.storage.getDirectory()).getDirectoryHandle('desk');
      return await (await (await (await desk.getDirectoryHandle('Journal')).getFileHandle(name)).getFile()).text();
    } catch {
      return null;
    }
  }, FILE);

/**
 * Writes a long note again and again while a folder is kept in step, and kills the whole browser at a random moment: its file always holds one
 * version whole, and in the end the last one that was saved.
 *
 * @returns how often a file was found whole
 */
export async function runFolderKillModel({ folder, baseURL, launch, rounds, seed }: KillRun): Promise<number> {
  const random = randomFrom(seed);
  let whole = 0;
  for (let round = 0; round <= rounds; round++) {
    const context = await chromium.launchPersistentContext(folder, { ...launch, baseURL, serviceWorkers: 'block' });
    const page = context.pages()[0] ?? (await context.newPage());
    await page.clock.setFixedTime(NOW);
    await page.addInitScript(() =>
      Object.assign(window, {
        showDirectoryPicker: async () => (await navigator.storage.getDirectory()).getDirectoryHandle('desk', { create: true }),
      }),
    );
    await page.goto('/keep');
    if (round === 0) {
      await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
      await expect(page.getByText(/lines indexed/)).toBeAttached();
      await page.goto('/keep');
      await page.getByRole('button', { name: 'Join a folder…' }).click();
      await expect(page.getByText('is in step')).toBeVisible();
    } else {
      const found = await fileText(page);
      if (found !== null) {
        const version = /version (\d+)$/.exec(found)?.[1];
        expect(found.trim()).toBe(version === undefined ? '' : versionText(Number(version)));
        whole++;
      }
    }
    if (round < rounds) {
      await page.goto('/day/2026-11-23');
      const field = page.getByRole('textbox', { name: 'Text of the note' });
      await field.focus();
      await page.keyboard.press('Control+a');
      await page.keyboard.insertText(versionText(round));
      await page.waitForTimeout(300 + random() * 3000);
    }
    await killed(context, folder);
  }
  return whole;
}
