import { NOW, expect, test } from '../desk';

const JOURNAL = 'Journal/2026-11-23.md';

test('a task written today is gathered, ticked on Today, undone, and all of it survives a reload', async ({ desk, page }) => {
  await desk.open('empty');
  // A day's first opening is today's journal page, which is made when first written in.
  await expect(desk.main.getByRole('heading', { level: 1 })).toHaveText('Monday 23 Nov 2026');
  expect(await desk.stored(JOURNAL)).toBeNull();
  await desk.write('- [ ] Book the scissor lift {due 2026-11-23}');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Book the scissor lift {due 2026-11-23}');

  await expect(page.getByRole('link', { name: /^Monday 23 Nov 2026, today, 1 due/ })).toBeVisible();
  await desk.agenda('Today');
  const row = desk.row(desk.main, 'Book the scissor lift');
  await row.getByRole('checkbox').click();
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [x] Book the scissor lift {due 2026-11-23; done 2026-11-23 09:20}');
  // Nothing moves under the pointer: the row stays, closed; and it stands among what was finished.
  await expect(row.getByRole('checkbox')).toHaveAttribute('aria-checked', 'true');
  await expect(desk.main.getByRole('heading', { name: 'Finished today' })).toBeVisible();

  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Book the scissor lift {due 2026-11-23}');

  await page.reload();
  await expect(desk.row(desk.main, 'Book the scissor lift').getByRole('checkbox')).toHaveAttribute('aria-checked', 'false');
  await expect(desk.main.getByRole('heading', { name: 'Today', level: 2 })).toBeVisible();
});

test('ticked in the editor, every other place follows; ticked beside, the editor follows', async ({ desk, page }) => {
  await desk.open('demo');
  await desk.day('2026-11-23');
  const mark = page.locator('.cm-line', { hasText: 'Take the spare key back' }).locator('.task-mark');
  await mark.click();
  await expect.poll(() => desk.stored(JOURNAL)).toContain('- [x] Take the spare key back to the boat shed {done 2026-11-23 09:20}');
  const finished = desk.beside.locator('section', { hasText: 'Finished today' });
  await expect(finished.getByText('Take the spare key back')).toBeVisible();

  const besideRow = desk.row(desk.beside.locator('section', { hasText: 'Written today' }), 'about the tasting');
  await besideRow.getByRole('checkbox').click();
  await expect(page.locator('.cm-line', { hasText: 'about the tasting' }).locator('.task-mark-done')).toBeVisible();

  // In the editor, its own undo takes back what touched this note, newest first.
  await desk.text.click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('- [ ] Ask @bea about the tasting');
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('- [ ] Take the spare key back');
});

test('a gather block in a note is live, and shows its text when the cursor is inside', async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('/note/Exhibitions/Salt%20on%20the%20Glass.md');
  await desk.text.click();
  await page.keyboard.press('Control+End');
  const block = page.locator('.cm-portal', { hasText: 'Open, with @kofi, any note' });
  const row = desk.row(block, 'Agree who holds the crate keys');
  await row.getByRole('checkbox').click();
  await expect
    .poll(() => desk.stored('Meetings/Registrar meeting.md'))
    .toContain('- [x] Agree who holds the crate keys @kofi {due 2026-11-24; high; done 2026-11-23 09:20}');
  await block.getByRole('button', { name: 'Edit', exact: true }).click();
  await expect(page.locator('.cm-line', { hasText: 'where open and @kofi' })).toBeVisible();
});

test('the source of a row leads to its line, and Back returns to the list', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await desk.agenda('Today');
  await desk.row(desk.main, 'Sign the glass-case insurance rider').getByRole('link').click();
  await expect(page).toHaveURL(/Salt%20on%20the%20Glass\.md\?line=\d+$/);
  await expect(page.locator('.cm-line', { hasText: 'Sign the glass-case insurance rider' })).toBeInViewport();
  await page.goBack();
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
});

test('Enter continues a list of tasks, and ends it on an empty one', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] one');
  await page.keyboard.press('Enter');
  await page.keyboard.type('two {due 2026-11-24}');
  for (let step = 0; step < ' {due 2026-11-24}'.length; step++) await page.keyboard.press('ArrowLeft');
  // Before the tail, Enter leaves the tail where it belongs.
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.keyboard.type('words');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] one\n- [ ] two {due 2026-11-24}\nwords');
});

test('a second tab shows the same, and both edits stay', async ({ desk, page, context }) => {
  await desk.open('demo');
  await page.goto('/note/Collections/Barometers.md');
  const other = await context.newPage();
  await other.clock.setFixedTime(new Date('2026-11-23T09:20:00'));
  await other.goto('/note/Collections/Barometers.md');
  await expect(other.locator('.cm-line', { hasText: 'Weigh B-11' })).toBeVisible();
  await desk.write('\nfrom the first tab');
  await expect(other.locator('.cm-line', { hasText: 'from the first tab' })).toBeVisible();
  await other.locator('.cm-line', { hasText: 'Weigh B-11' }).locator('.task-mark').click();
  await expect(page.locator('.cm-line', { hasText: 'Weigh B-11' }).locator('.task-mark-done')).toBeVisible();
  await expect.poll(() => desk.stored('Collections/Barometers.md')).toContain('from the first tab');

  // What is begun on a row stays with its task, although lines come above it from elsewhere.
  const NOTE = 'Collections/Barometers.md';
  const lineAbove = async (words: string): Promise<void> => {
    await other.locator('.cm-line', { hasText: 'Weigh B-11' }).click();
    await other.keyboard.press('ArrowUp');
    await other.keyboard.press('End');
    await other.keyboard.insertText(`\n- [ ] ${words} {due 2026-11-25}`);
    await expect(desk.row(desk.main, words)).toBeVisible();
  };
  await desk.agenda('Ahead');
  await desk.row(desk.main, 'Draw the bracket for B-11').getByRole('checkbox').focus();
  await lineAbove('Came above');
  await expect(desk.row(desk.main, 'Draw the bracket for B-11').getByRole('checkbox')).toBeFocused();
  await page.keyboard.press('Control+ArrowUp');
  await expect.poll(() => desk.stored(NOTE)).toMatch(/Draw the bracket for B-11[^\n]*high/);
  await desk.row(desk.main, 'Draw the bracket for B-11').getByText('Draw the bracket').first().dblclick();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Draw both brackets');
  await lineAbove('Came above again');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored(NOTE)).toMatch(/- \[ \] Draw both brackets[^\n]*high/);
  expect(await desk.stored(NOTE)).not.toContain('Draw the bracket for B-11');
  expect(await desk.stored(NOTE)).toContain('Came above again');
  await other.close();
});

test(
  'a line written in two tabs at once keeps both texts, which are shown to choose from; Undo brings both back',
  { tag: '@long' },
  async ({ desk, page, context }) => {
    await desk.open('empty');
    await desk.write('# Crates\n\n- [ ] Weigh ');
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('Weigh');
    const other = await context.newPage();
    await other.clock.setFixedTime(NOW);
    await other.goto('/day/2026-11-23');
    const there = other.getByRole('textbox', { name: 'Text of the note' });
    await expect(there).toContainText('Weigh');
    await there.click();
    await other.keyboard.press('Control+End');
    await desk.text.click();
    await page.keyboard.press('Control+End');
    await Promise.all([page.keyboard.type('the north door crate', { delay: 70 }), other.keyboard.type('the lamps by hand', { delay: 70 })]);
    const bar = page.getByRole('status').filter({ hasText: 'written in two places at once' });
    await expect(bar).toBeVisible();
    const both = async (): Promise<string[]> =>
      Promise.all(['', ' (other text)'].map(async (end) => (await desk.stored(`Journal/2026-11-23${end}.md`)) ?? 'gone'));
    // Whichever was stored first is the other text; nothing that was typed is lost.
    await expect.poll(async () => (await both()).sort().join('|')).toMatch(/Weigh the lamps by hand.*Weigh the north door crate/s);
    const [mine, theirs] = await both();
    await bar.getByRole('button', { name: 'Compare and choose' }).click();
    const dialog = page.getByRole('dialog', { name: 'Two texts of “2026-11-23”' });
    await expect(dialog.getByText('the lamps by hand')).toBeVisible();
    await expect(dialog.getByText('the north door crate')).toBeVisible();
    await dialog.getByRole('radio', { name: /^The other text/ }).check();
    await dialog.getByRole('button', { name: 'Keep what is chosen' }).click();
    await expect.poll(both).toEqual([theirs, 'gone']);
    await expect(bar).toBeHidden();
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await expect.poll(both).toEqual([mine, theirs]);
    await expect(bar).toBeVisible();
  },
);
