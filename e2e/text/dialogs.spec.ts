import type { Locator, Page } from '@playwright/test';
import { type Desk, expect, test } from '../desk';

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

/** The dialog that is open has the focus, a field in it takes the words that are typed, and it goes. */
async function takesWords(page: Page, name: string): Promise<void> {
  const dialog = page.getByRole('dialog');
  await expect(dialog, name).toBeVisible();
  await expect(page.getByRole('menu'), name).toHaveCount(0);
  // Whatever has the focus is in the dialog; a field there takes the words.
  await expect.poll(() => page.evaluate(() => document.activeElement?.closest('[role=dialog]') !== null), name).toBe(true);
  await page.keyboard.type('old d');
  const taken = await page.evaluate(() => {
    const { activeElement } = document;
    return activeElement instanceof HTMLInputElement && activeElement.type !== 'radio' && activeElement.type !== 'checkbox'
      ? activeElement.value
      : null;
  });
  if (taken !== null) expect(taken, name).toContain('old d');
  await page.keyboard.press('Escape');
  // What was typed into a form is not dropped unasked.
  const drop = dialog.getByRole('button', { name: 'Drop the changes' });
  if (/details/i.test(name)) await drop.click();
  await expect(dialog, name).toHaveCount(0);
}

for (const [name, open] of openers)
  test(
    `each dialog from the menu of ${name} takes the words that are typed, twice in a row, and nothing behind hears them`,
    { tag: '@long' },
    async ({ desk, page }) => {
      await desk.open('demo');
      if (name === 'the note') await page.goto('/note/Collections/Barometers.md');
      else await desk.agenda('Undated').then(() => desk.agenda('Ahead'));
      const before = await desk.stored('Collections/Barometers.md');
      await open(desk, page);
      await expect(page.getByRole('menuitem').first()).toBeVisible();
      const entries = await page.getByRole('menuitem').allInnerTexts();
      const asking = entries.map((words) => words.split('\n')[0] ?? '').filter((words) => words.endsWith('…'));
      expect(asking.length).toBeGreaterThan(0);
      await page.keyboard.press('Escape');
      for (const entry of asking)
        // Twice in a row by key: what is loaded late is there then.
        for (let time = 0; time < (name.endsWith('by key') ? 2 : 1); time++) {
          await open(desk, page);
          await page.getByRole('menuitem').filter({ hasText: entry }).first().click();
          await takesWords(page, entry);
        }
      expect(await desk.stored('Collections/Barometers.md')).toBe(before);
    },
  );

/** Each command that opens a dialog, with its key, and where it is pressed. */
const KEYS: readonly [command: string, key: string, place: 'row' | 'text' | 'page'][] = [
  ['details of a row', 'Enter', 'row'],
  ['plan of a row', 'Control+.', 'row'],
  ['due day of a row', 'Control+,', 'row'],
  ['move a row', 'Control+m', 'row'],
  ['names of a row', 'Control+Shift+M', 'row'],
  ['done with a word', 'Control+Shift+.', 'row'],
  ['details of a line', 'Control+,', 'text'],
  ['names of a line', 'Control+Shift+M', 'text'],
  ['all commands', 'Control+k', 'page'],
];

test(
  'each dialog by its key takes the words that are typed, twice in a row, and the focus is back where it was',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    for (const [command, key, place] of KEYS) {
      if (place === 'text') await page.goto('/note/Collections/Barometers.md?line=11');
      else await desk.agenda('Ahead');
      const before = await desk.stored('Collections/Barometers.md');
      const from = place === 'text' ? desk.text : desk.row(desk.main, ROW).getByRole('checkbox');
      await from.focus();
      for (let time = 0; time < 2; time++) {
        await page.keyboard.press(key);
        await takesWords(page, command);
        await expect(from, command).toBeFocused();
      }
      expect(await desk.stored('Collections/Barometers.md')).toBe(before);
    }
  },
);

/** A tap beside an open menu closes it, and does nothing to what it falls on. */
async function tapsNothingBeside(desk: Desk, row: Locator): Promise<void> {
  const mark = row.getByRole('checkbox');
  const box = await mark.boundingBox();
  if (!box) throw new Error('what is tapped is in sight');
  await rowButton(row).tap();
  const menu = await desk.opened('menu');
  await desk.page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
  await expect(menu).toHaveCount(0);
  await expect(mark).not.toBeChecked();
  // The next tap falls where it is meant to.
  await mark.tap();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('- [x] Weigh');
  await desk.page.getByRole('button', { name: 'Undo' }).first().tap();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('- [ ] Weigh');
}

test.describe('by touch', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('menus open in their place, dialogs take the words, a long press selects, and tools stand above the keyboard', async ({
    desk,
    page,
  }) => {
    await desk.open('empty');
    await desk.text.tap();
    await page.keyboard.type('- [ ] Weigh the crate {due 2026-11-23}\nSign the rider {due 2026-11-23}');
    const tools = page.getByRole('toolbar', { name: 'Tools for the text' });
    await tools.getByRole('button', { name: 'Indent', exact: true }).tap();
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('\n  - [ ] Sign');
    await tools.getByRole('button', { name: 'Undo' }).tap();
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('\n- [ ] Sign');
    await expect(desk.text).toBeFocused();
    await page.getByRole('navigation', { name: 'Main places' }).waitFor();
    await page.goto('/note/Agenda/Today.md');
    const row = desk.row(desk.main, 'Weigh the crate');
    for (let time = 0; time < 2; time++) {
      await rowButton(row).tap();
      await page.getByRole('menuitem').filter({ hasText: 'Plan…' }).tap();
      await takesWords(page, 'another day');
    }
    // Nothing of a menu lies beyond the screen, and no keys are shown.
    await rowButton(row).tap();
    await expect(page.getByRole('menu').locator('kbd')).toHaveCount(0);
    const box = await page.getByRole('menu').boundingBox();
    expect(box && box.x >= 0 && box.x + box.width <= 390).toBe(true);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('menu')).toHaveCount(0);
    await tapsNothingBeside(desk, row);
    const words = row.getByText('Weigh the crate').first();
    await words.dispatchEvent('pointerdown', { pointerType: 'touch', clientX: 100, clientY: 300 });
    const bar = page.getByRole('region', { name: 'Selected tasks' });
    await expect(bar.getByText('1 task in 1 note')).toBeVisible();
    await words.dispatchEvent('pointerup', { pointerType: 'touch' });
    await desk.row(desk.main, 'Sign the rider').getByText('Sign the rider').first().tap();
    await expect(bar.getByText('2 tasks in 1 note')).toBeVisible();
    await bar.getByRole('button', { name: 'To tomorrow' }).tap();
    await expect.poll(async () => (await desk.stored('Journal/2026-11-23.md'))?.match(/plan 2026-11-24/g)?.length).toBe(2);
  });
});
