import { expect, test } from '../desk';

const JOURNAL = 'Journal/2026-11-23.md';

test('an outline is folded to a level from the menu of commands, and all of it at once', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.text.click();
  await page.keyboard.insertText(
    '# Loans\n- [ ] Crates\n  - [ ] North door\n    - [ ] key\n- [ ] Riders\n  - [ ] letter\n# Build\n- [ ] Lamps',
  );
  const command = async (title: string): Promise<void> => {
    await desk.text.focus();
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder('Type part of a command or a note’s title').fill(title);
    await page.keyboard.press('Enter');
  };
  await command('Show the first level of the outline');
  await expect(desk.text.getByText('North door')).toBeHidden();
  await expect(desk.text.getByText('letter')).toBeHidden();
  await command('Show two levels of the outline');
  await expect(desk.text.getByText('North door')).toBeVisible();
  await expect(desk.text.getByText('key', { exact: true })).toBeHidden();
  await command('Fold everything');
  await expect(desk.text.getByText('Crates')).toBeHidden();
  await expect(desk.text.getByText('Lamps')).toBeHidden();
  // Folds are kept for the next time the note is opened.
  await desk.agenda('Today');
  await desk.day('2026-11-23');
  await expect(desk.text.getByText('Lamps')).toBeHidden();
  await command('Unfold everything');
  await expect(desk.text.getByText('key', { exact: true })).toBeVisible();
});

test(
  'an item is dragged by its grip with what is under it, folded as it was; Escape lets go and Undo brings it back',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    const before = '- [ ] Crates\n  - [ ] North door\n- [ ] Riders\n- [ ] Lamps\n  - [ ] oil';
    await desk.text.click();
    await page.keyboard.insertText(before);
    const stored = () => desk.stored(JOURNAL);
    await expect.poll(stored).toBe(before);
    const line = (words: string) => desk.text.locator('.cm-line').filter({ hasText: words });
    const grip = page.locator('.cm-grip');
    /** Takes the grip of one line and carries it below another, some levels further in. */
    const carry = async (words: string, below: string, deeper: number): Promise<void> => {
      const from = await line(words).boundingBox();
      if (!from) throw new Error('the line is in sight');
      await page.mouse.move(from.x + 80, from.y + from.height / 2);
      const held = await grip.boundingBox();
      const to = await line(below).boundingBox();
      if (!held || !to) throw new Error('the grip shows beside the line');
      await page.mouse.move(held.x + 8, held.y + 12);
      await page.mouse.down();
      await page.mouse.move(held.x + 8 + 26 * deeper, to.y + to.height - 3, { steps: 6 });
      await expect(page.locator('.cm-drop')).toBeVisible();
    };
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Control+Shift+F');
    await expect(desk.text.getByText('oil')).toBeHidden();
    // Into the first item, behind its step.
    await carry('Lamps', 'North door', 1);
    await page.mouse.up();
    await expect.poll(stored).toBe('- [ ] Crates\n  - [ ] North door\n  - [ ] Lamps\n    - [ ] oil\n- [ ] Riders');
    await expect(desk.text.getByText('oil')).toBeHidden();
    await carry('Riders', 'Crates', 0);
    await page.keyboard.press('Escape');
    await expect(page.locator('.cm-drop')).toBeHidden();
    await page.mouse.up();
    await carry('North door', 'Riders', -1);
    await page.mouse.up();
    await expect.poll(stored).toBe('- [ ] Crates\n  - [ ] Lamps\n    - [ ] oil\n- [ ] Riders\n- [ ] North door');
    await desk.text.focus();
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect.poll(stored).toBe(before);
  },
);
