import type { Locator, Page } from '@playwright/test';
import { type Desk, expect, test } from './desk';

/** Opens a menu, by mouse or by key. */
type Opener = [name: string, open: (desk: Desk, page: Page) => Promise<void>];

const ROW = 'Draw the bracket for B-11';

const openers: readonly Opener[] = [
  ['a row of the page, by mouse', async (desk) => rowButton(desk.row(desk.main, ROW)).click()],
  [
    'a row of the page, by key',
    async (desk, page) => {
      await rowButton(desk.row(desk.main, ROW)).focus();
      await page.keyboard.press('Enter');
    },
  ],
  ['the note', async (_desk, page) => page.getByRole('button', { name: 'Actions for this note' }).click()],
];

const rowButton = (row: Locator): Locator => row.getByRole('button', { name: /^Actions for/ });

for (const [name, open] of openers)
  test(`each dialog from the menu of ${name} takes the words that are typed, twice in a row, and nothing behind hears them`, async ({
    desk,
    page,
  }) => {
    await desk.open('demo');
    if (name === 'the note') await page.goto('/note/Collections/Barometers.md');
    else await desk.agenda('Undated').then(() => desk.agenda('Ahead'));
    const before = await desk.stored('Collections/Barometers.md');
    await open(desk, page);
    const entries = await page.getByRole('menuitem').allInnerTexts();
    const asking = entries.map((words) => words.split('\n')[0] ?? '').filter((words) => words.endsWith('…'));
    expect(asking.length).toBeGreaterThan(0);
    await page.keyboard.press('Escape');
    for (const entry of asking)
      for (let time = 0; time < 2; time++) {
        await open(desk, page);
        await page.getByRole('menuitem').filter({ hasText: entry }).first().click();
        const dialog = page.getByRole('dialog');
        await expect(dialog, entry).toBeVisible();
        await expect(page.getByRole('menu'), entry).toHaveCount(0);
        // Whatever has the focus is in the dialog; a field there takes the words.
        await expect.poll(() => page.evaluate(() => document.activeElement?.closest('[role=dialog]') !== null), entry).toBe(true);
        await page.keyboard.type('old d');
        const taken = await page.evaluate(() => {
          const { activeElement } = document;
          return activeElement instanceof HTMLInputElement && activeElement.type !== 'radio' && activeElement.type !== 'checkbox'
            ? activeElement.value
            : null;
        });
        if (taken !== null) expect(taken, entry).toContain('old d');
        await page.keyboard.press('Escape');
        // What was typed into a form is not dropped unasked.
        const drop = dialog.getByRole('button', { name: 'Drop the changes' });
        if (entry === 'Details…') await drop.click();
        await expect(dialog, entry).toHaveCount(0);
      }
    expect(await desk.stored('Collections/Barometers.md')).toBe(before);
  });
