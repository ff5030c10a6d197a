import { expect, test } from '../desk';

const JOURNAL = 'Journal/2026-11-23.md';

test('finishing a repeating task gives it its next date and a record, and Undo takes both back', async ({ desk, page }) => {
  await desk.open('empty');
  const line = '- [ ] Read the humidity log {plan 2026-11-23 08:30; every weekday}';
  await desk.write(line);
  await expect.poll(() => desk.stored(JOURNAL)).toBe(line);
  await desk.agenda('Today');
  await desk.row(desk.main, 'Read the humidity log').getByRole('checkbox').click();
  await expect
    .poll(() => desk.stored(JOURNAL))
    .toBe(
      '- [ ] Read the humidity log {plan 2026-11-24 08:30; every weekday}\n- [x] Read the humidity log {plan 2026-11-23 08:30; done 2026-11-23 09:20}',
    );
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(JOURNAL)).toBe(line);
});

test(
  'a task is moved to a day said in words, rests, and is cancelled with a remark, by keyboard alone',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    await desk.write('- [ ] Weigh the crate {due 2026-11-23}');
    await expect.poll(() => desk.stored(JOURNAL)).toContain('Weigh');
    await desk.agenda('Today');
    const menu = async (...names: string[]): Promise<void> => {
      await desk.row(desk.main, 'Weigh the crate').getByRole('button', { name: 'Actions for Weigh the crate' }).focus();
      await page.keyboard.press('Enter');
      for (const name of names) {
        const item = page.getByRole('menuitem', { name });
        await item.focus();
        await page.keyboard.press('Enter');
      }
    };
    await menu('Due…');
    const field = page.getByRole('textbox', { name: 'Day' });
    await field.fill('soon');
    await expect(page.getByRole('status').filter({ hasText: 'names no day' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Make it due then' })).toBeDisabled();
    await field.fill('next fri');
    await expect(page.getByRole('status').filter({ hasText: 'Fri 4 Dec' })).toBeVisible();
    await page.keyboard.press('Enter');
    await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate {due 2026-12-04; pushed 2026-11-23}');

    await desk.agenda('Ahead');
    await menu('Rest…');
    await page.getByRole('dialog').getByRole('button', { name: 'Tomorrow' }).press('Enter');
    await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate {due 2026-12-04; pushed 2026-11-23; start 2026-11-24}');

    await menu('Cancel with a remark…');
    await page.getByRole('textbox', { name: 'Why' }).fill('the crate went by sea');
    await page.keyboard.press('Enter');
    await expect
      .poll(() => desk.stored(JOURNAL))
      .toBe(
        '- [-] Weigh the crate {due 2026-12-04; pushed 2026-11-23; start 2026-11-24; cancelled 2026-11-23 09:20}\n  - the crate went by sea',
      );
  },
);

test('finishing a task with open steps asks once, and the answer can be kept', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] Pack the lens {due 2026-11-23}');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('find the key');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('find the key');
  await desk.agenda('Today');
  await desk.row(desk.main, 'Pack the lens').getByRole('checkbox').first().click();
  const dialog = page.getByRole('dialog', { name: 'One step is still open' });
  await dialog.getByRole('checkbox').check();
  await dialog.getByRole('button', { name: 'Finish it too' }).click();
  await expect.poll(() => desk.stored(JOURNAL)).toMatch(/- \[x\] Pack the lens .*\n {2,4}- \[x\] find the key \{done 2026-11-23 09:20\}/);
  await expect.poll(() => desk.storedSettings()).toMatchObject({ openSteps: 'close' });
});

test('in the editor, typed words become dates and a typed status has its consequences when the line is left', async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] Call @lars {due fri 15:00; takes 2 hours}');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Call @lars {due 2026-11-27 15:00; takes 2h}\n- [ ] ');
  await page.keyboard.type('Odd one {high; colour blue}');
  await expect(page.getByRole('note')).toContainText('“colour” is no clause that Recado knows; it is kept as it stands.');

  // The first line: its box is overwritten with an x, then the line is left.
  await page.keyboard.press('Control+Home');
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Delete');
  await page.keyboard.type('x');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('- [x] Call @lars {due 2026-11-27 15:00; takes 2h}');
  await page.keyboard.press('ArrowDown');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('- [x] Call @lars {due 2026-11-27 15:00; takes 2h; done 2026-11-23 09:20}');
});

test('a list says what it asks, and why a task stands in it or is missing', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await desk.agenda('Today');
  const late = desk.main.getByRole('region', { name: 'Late' });
  await late.getByRole('button', { name: 'How this list is shown' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Say what it asks' }).click();
  await page.keyboard.press('Escape');
  await expect(late.getByText('Tasks that are late and are not planned after today.')).toBeVisible();
  await desk
    .row(late, 'Sign the glass-case insurance rider')
    .getByRole('button', { name: /Actions for/ })
    .click();
  await page.getByRole('menuitem', { name: 'Why it stands here' }).click();
  await expect(desk.beside.getByText('It is in, because every condition holds.')).toBeVisible();
  await desk.beside.getByPlaceholder('part of its words').fill('wall panel');
  const missed = desk.beside.getByRole('region', { name: /Why: Proofread the wall panel/ });
  await expect(missed.getByText(/It is left out, because “late” fails/)).toBeVisible();
});

test('Undo takes back typing and actions in the order in which they happened, from the text and from a list', async ({ desk, page }) => {
  await desk.open('demo');
  const other = 'Exhibitions/Salt on the Glass.md';
  const rider = '- [ ] Sign the glass-case insurance rider';
  await page.goto('/day/2026-11-24');
  await desk.write('one');
  const own = () => desk.stored('Journal/2026-11-24.md');
  await expect.poll(own).toBe('one');
  const before = await desk.stored(other);
  expect(before).toContain(rider);
  await desk.row(desk.beside, 'Sign the glass-case insurance rider').getByRole('checkbox').first().click();
  await expect.poll(() => desk.stored(other)).not.toContain(rider);
  await desk.write(' two');
  await expect.poll(own).toBe('one two');
  await page.keyboard.press('Control+z');
  await expect.poll(own).toBe('one');
  expect(await desk.stored(other)).not.toContain(rider);
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(other)).toBe(before);
  await expect(page.getByText('Undone: Done: Sign the glass-case insurance rider')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await own()) ?? '').toBe('');
  for (const key of ['Control+y', 'Control+Shift+Z', 'Control+y']) await page.keyboard.press(key);
  await expect.poll(own).toBe('one two');
  await expect.poll(() => desk.stored(other)).not.toContain(rider);
  // From a list the newest is taken back as well, whatever it was.
  await desk.beside.getByRole('checkbox').first().focus();
  await page.keyboard.press('Control+z');
  await expect.poll(own).toBe('one');
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(other)).toBe(before);
});

test('a task that was moved out of the text comes back whole by Undo in the text', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('/day/2026-11-24');
  await desk.write('- [ ] Weigh the crate {due 2026-11-23}');
  const texts = () => Promise.all([desk.stored('Journal/2026-11-24.md'), desk.stored('Collections/Tide clock.md')]);
  await expect.poll(async () => (await texts())[0]).toContain('Weigh the crate {due 2026-11-23}');
  const before = await texts();
  await desk.row(desk.beside, 'Weigh the crate').getByRole('button', { name: 'Actions for Weigh the crate' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Move to a note…' }).press('Enter');
  const place = page.getByRole('dialog', { name: 'Move to a note' });
  await place.getByPlaceholder('Part of a note’s title').fill('Tide clock');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await texts())[1]).toContain('Weigh the crate');
  expect((await texts())[0]).not.toContain('Weigh');
  await desk.text.focus();
  await page.keyboard.press('Control+z');
  await expect.poll(texts).toEqual(before);
});

test(
  'the commands of a focused row run from the menu of commands, and the focus is back on it',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    await desk.write('- [ ] Weigh the crate {due 2026-11-23}');
    await expect.poll(() => desk.stored(JOURNAL)).toContain('Weigh');
    await desk.agenda('Today');
    const mark = desk.row(desk.main, 'Weigh the crate').getByRole('checkbox');
    const command = async (title: string): Promise<void> => {
      await page.keyboard.press('Control+k');
      await page.getByPlaceholder('Type part of a command or a note’s title').fill(title);
      await page.keyboard.press('Enter');
    };
    await mark.focus();
    await command('Priority up');
    await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate {due 2026-11-23; high}');
    await expect(mark).toBeFocused();
    await command('To tomorrow');
    await expect.poll(() => desk.stored(JOURNAL)).toContain('due 2026-11-23; high; plan 2026-11-24');
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('option', { name: 'To tomorrow' })).toBeHidden();
  },
);

test('several tasks are ticked together in the text, also when one of them comes back', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.text.click();
  await page.keyboard.insertText('- [ ] one {plan 2026-11-23; every day}\n- [ ] two {plan 2026-11-23; every day}\n- [ ] three');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+Enter');
  await expect
    .poll(() => desk.stored(JOURNAL))
    .toBe(
      [
        '- [ ] one {plan 2026-11-24; every day}',
        '- [ ] two {plan 2026-11-24; every day}',
        '- [x] three {done 2026-11-23 09:20}',
        '- [x] two {plan 2026-11-23; done 2026-11-23 09:20}',
        '- [x] one {plan 2026-11-23; done 2026-11-23 09:20}',
      ].join('\n'),
    );
});
