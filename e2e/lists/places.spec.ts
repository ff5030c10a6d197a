import type { Locator, Page } from '@playwright/test';
import { type Desk, expect, test } from '../desk';

const NOTE = 'Journal/2026-11-23.md';
const LINE = '- [ ] Weigh the crate #loans {due 2026-11-23}';
const BLOCK = '```gather\ntitle Here\n#loans\n```';

/** The three places in which a list shows: its page, a block in a note, and the panel beside. */
const PLACES: [place: string, go: (desk: Desk, page: Page) => Promise<Locator>][] = [
  [
    'the page',
    async (desk) => {
      await desk.agenda('Today');
      return desk.main;
    },
  ],
  ['a block', async (_desk, page) => page.getByTestId('note-editor')],
  ['the panel beside', async (desk) => desk.beside],
];

/** What is done by the menu of a row, and what the line is then. */
const ACTIONS: [action: string, entries: string[], line: string][] = [
  ['status', ['Status', 'Under way'], '- [_] Weigh the crate #loans {due 2026-11-23; since 2026-11-23 09:20}'],
  ['priority', ['Priority', 'High'], '- [ ] Weigh the crate #loans {due 2026-11-23; high}'],
  ['plan', ['Plan…', 'Tomorrow'], '- [ ] Weigh the crate #loans {due 2026-11-23; plan 2026-11-24; pushed 2026-11-23}'],
  ['due', ['Due…', 'Tomorrow'], '- [ ] Weigh the crate #loans {due 2026-11-24; pushed 2026-11-23}'],
  ['no due day', ['Due…', 'No due date'], '- [ ] Weigh the crate #loans'],
  ['rest', ['Rest…', 'Tomorrow'], '- [ ] Weigh the crate #loans {due 2026-11-23; start 2026-11-24}'],
  ['duplicate', ['Duplicate'], `${LINE}\n${LINE}`],
  ['delete', ['Delete'], ''],
];

/** The other places stand in the long runs. */
const LONG = '@long';

for (const [index, [place, go]] of PLACES.entries()) {
  test(`each action of a row changes its one line, from ${place}`, { tag: index === 0 ? [] : LONG }, async ({ desk, page }) => {
    test.slow();
    await desk.open('empty');
    const rest = `\n\n${BLOCK}`;
    await desk.text.click();
    await page.keyboard.insertText(LINE + rest);
    await expect.poll(() => desk.stored(NOTE)).toBe(LINE + rest);
    await page.keyboard.press('Control+Home');
    const list = await go(desk, page);
    const row = desk.row(list, 'Weigh the crate');

    await row.getByRole('checkbox').first().click();
    await expect.poll(() => desk.stored(NOTE)).toBe(LINE.replace('[ ]', '[x]').replace('}', '; done 2026-11-23 09:20}') + rest);
    await undo(desk, row);
    if (index === 0) await pressesNothingBeside(desk, row);
    expect(await desk.stored(NOTE)).toBe(LINE + rest);
    for (const [action, entries, line] of ACTIONS) {
      // The menus of two actions have entries of one name.
      await expect(page.getByRole('menu')).toHaveCount(0);
      await row.getByRole('button', { name: 'Actions for Weigh the crate' }).first().focus();
      await page.keyboard.press('Enter');
      for (const name of entries) {
        await entry(page, name).focus();
        await page.keyboard.press('Enter');
      }
      await expect.poll(() => desk.stored(NOTE), action).toBe(line === '' ? `\n${BLOCK}` : line + rest);
      await undo(desk, row);
    }
  });
}

/** A press beside an open menu or dialog closes it, and does nothing to what it falls on. */
async function pressesNothingBeside(desk: Desk, row: Locator): Promise<void> {
  const { page } = desk;
  for (const [key, what, beside] of [
    ['Enter', 'menu', row.getByRole('checkbox').first()],
    ['Control+k', 'dialog', page.getByRole('link', { name: /^Ahead/ }).first()],
  ] as const) {
    const box = await beside.boundingBox();
    if (!box) throw new Error('what is pressed is in sight');
    await row.getByRole('button', { name: 'Actions for Weigh the crate' }).first().focus();
    await page.keyboard.press(key);
    const opened = await desk.opened(what);
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
    await expect(opened).toHaveCount(0);
    await expect(row.getByRole('checkbox').first()).not.toBeChecked();
    await expect(desk.main.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  }
}

/** An action on a row that still shows what was undone is refused: the row is waited for as it is again. */
async function undo(desk: Desk, row: Locator): Promise<void> {
  await desk.page.keyboard.press('Escape');
  await desk.page.getByRole('button', { name: 'Undo' }).first().click();
  await expect.poll(() => desk.stored(NOTE)).toBe(`${LINE}\n\n${BLOCK}`);
  await expect(row.first()).toContainText('due today');
  await expect(row.first()).not.toContainText(/plan|since|rests|done/);
}

/** An entry of the open menu, whatever key stands behind its words, or a button of the dialog that it opened. */
function entry(page: Page, words: string): Locator {
  const name = new RegExp(`^${words}`);
  const inMenu = page.getByRole('menuitem', { name }).or(page.getByRole('menuitemradio', { name }));
  return inMenu.or(page.getByRole('dialog').getByRole('button', { name: words, exact: true }));
}
