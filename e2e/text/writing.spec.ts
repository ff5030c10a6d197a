import { expect, test } from '../desk';

const JOURNAL = 'Journal/2026-11-23.md';

test('a meeting is written by keyboard alone: tasks, dates in words, outline, fold, close-up, and all of it undone', async ({
  desk,
  page,
}) => {
  await desk.open('empty');
  const stored = () => desk.stored(JOURNAL);
  await desk.write('# Crates\n\n- who signs\nkeys of the store\nNorth door');
  const before = '# Crates\n\n- who signs\n- keys of the store\n- North door';
  await expect.poll(stored).toBe(before);

  // Three lines become tasks together, and one of them gets a date in words.
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Control+Shift+Enter');
  await expect.poll(stored).toBe('# Crates\n\n- [ ] who signs\n- [ ] keys of the store\n- [ ] North door');
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' tomorrow 15:00');
  await expect(page.getByRole('button', { name: 'Store as plan 2026-11-24 15:00 · Ctrl Shift K' })).toBeVisible();
  await page.keyboard.press('Control+Shift+K');
  await expect.poll(stored).toContain('- [ ] North door {plan 2026-11-24 15:00}');
  await page.keyboard.press('Alt+PageUp');
  await expect.poll(stored).toContain('- [ ] North door {plan 2026-11-24 15:00; high}');
  await page.keyboard.press('Alt+Enter');
  await expect.poll(stored).toMatch(/- \[_\] North door \{plan 2026-11-24 15:00; high; since 2026-11-23/);

  // A branch: one under the other, moved up, duplicated, deleted again.
  await page.keyboard.press('Tab');
  await expect.poll(stored).toMatch(/- \[ \] keys of the store\n {2}- \[_\] North door/);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(stored).toMatch(/- \[ \] keys of the store\n {2}- \[_\] North door .*\n- \[ \] who signs$/);
  await page.keyboard.press('Alt+Shift+PageDown');
  await expect.poll(async () => (await stored())?.match(/North door/g)?.length).toBe(2);
  await page.keyboard.press('Alt+Shift+Backspace');
  await expect.poll(async () => (await stored())?.match(/North door/g)?.length).toBe(1);

  // Folded, its steps are out of sight; close-up shows it alone, and Back shows the note again.
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Control+Shift+F');
  await expect(desk.text.getByRole('button', { name: '1 line folded; open' })).toBeVisible();
  await expect(desk.text.getByText('North door')).toBeHidden();
  await page.keyboard.press('Control+Shift+F');
  await expect(desk.text.getByText('North door')).toBeVisible();
  await page.keyboard.press('Control+Shift+E');
  await expect(page).toHaveURL(/close=3$/);
  await expect(page.getByRole('navigation', { name: 'Close-up' }).getByRole('button', { name: /Crates/ })).toBeVisible();
  await expect(desk.text.getByText('who signs')).toBeHidden();
  await page.goBack();
  await expect(desk.text.getByText('who signs')).toBeVisible();

  // Undo, step after step, gives the text byte for byte as it was.
  await desk.text.focus();
  for (let step = 0; step < 60; step++) {
    const present = await stored();
    if (present === before) break;
    await page.keyboard.press('Control+z');
    // What is taken back is saved when the hands rest; a step may also change nothing that is stored.
    await expect
      .poll(stored, { timeout: 3000 })
      .not.toBe(present)
      .catch(() => undefined);
  }
  expect(await stored()).toBe(before);
});

test('names, links and clauses are offered as their signs are typed', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await desk.day('2026-11-24');
  await desk.text.click();
  await page.keyboard.type('- [ ] Ask @il');
  const options = page.locator('.cm-tooltip-autocomplete');
  await expect(options.getByText('@ilse').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type(' about [[Salt on');
  await expect(options.getByText('Salt on the Glass').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type(' #loa');
  await expect(options.getByText('#loans').first()).toBeVisible();
  await page.keyboard.press('Enter');
  // One key opens the tail, without a brace being typed.
  await page.keyboard.press('Control+.');
  await expect(options.getByText('the day by which it must be done')).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type('next fri');
  await expect(options.getByText('what “next fri” comes to')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored('Journal/2026-11-24.md')).toBe('- [ ] Ask @ilse about [[Salt on the Glass]] #loans {due 2026-12-04}');
});

test('the details of a task are a form that Tab goes through and Enter stores', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] Weigh the crate');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('Weigh');
  await page.keyboard.press('Control+,');
  const form = page.getByRole('dialog', { name: 'Details' });
  await expect(form.getByRole('textbox', { name: 'Words' })).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(form.getByRole('combobox', { name: 'Status' })).toBeFocused();
  await page.keyboard.press('Tab');
  await form.getByRole('combobox', { name: 'Priority' }).selectOption('high');
  await page.keyboard.press('Tab');
  await page.keyboard.type('fri');
  await expect(form.getByText('2026-11-27', { exact: true })).toBeVisible();
  await form.getByRole('textbox', { name: 'Owner' }).fill('kofi');
  await page.keyboard.press('Enter');
  await expect(form).toBeHidden();
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate {high; due 2026-11-27; owner @kofi}');
});

test('finished lines go out of sight by a switch of the note, and are cleared to its foot', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('/note/Exhibitions/Salt%20on%20the%20Glass.md');
  await expect(desk.text.getByText('List of lenders')).toBeVisible();
  const menu = async (...names: (string | RegExp)[]): Promise<void> => {
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    for (const name of names) await page.getByRole(/menuitem/.test(String(name)) ? 'menuitem' : 'menuitem', { name }).click();
  };
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Finished lines' }).click();
  await page.getByRole('menuitemradio', { name: 'are out of sight' }).click();
  await expect(desk.text.getByText('List of lenders')).toBeHidden();
  await expect(desk.text.getByText(/finished line is out of sight/).first()).toBeVisible();
  await menu('Finished lines', /foot/);
  await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toMatch(/## Finished\n\n- \[x\] List of lenders/);
  await menu('Untick its lists for a new round…');
  await expect(page.getByText(/boxes and \d+ stamps are cleared/)).toBeVisible();
  await page.getByRole('button', { name: 'Clear them' }).click();
  await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toContain('- [ ] List of lenders to @bea\n');
});

test('rich text is pasted as Markdown, its bullets as items', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.text.click();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData(
      'text/html',
      '<h2>Crates</h2><ul><li>one <b>bold</b></li><li>two<ul><li>deep</li></ul></li></ul><p>see <a href="https://museum.example/x">it</a><script>alert(1)</script></p>',
    );
    data.setData('text/plain', 'Crates one two');
    document
      .querySelector('.cm-content')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect.poll(() => desk.stored(JOURNAL)).toBe('## Crates\n\n- one **bold**\n- two\n  - deep\n\nsee [it](https://museum.example/x)');
});

test('a command gets another key, and a clash is told', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('/settings');
  const key = page.getByRole('button', { name: /^Key of Go to the agenda page Today/ });
  await key.click();
  await page.keyboard.press('F8');
  await expect(page.getByText('Also the key of “Show or hide the rack”.')).toBeVisible();
  await key.click();
  await page.keyboard.press('Control+F9');
  await expect(key).toHaveText('Ctrl F9');
  await page.keyboard.press('Control+F9');
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
});

test('what is far too much to paste is kept byte for byte, and Undo takes it back', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('before');
  const stored = () => desk.stored(JOURNAL);
  await expect.poll(stored).toBe('before');
  const pastes: [string, () => string][] = [
    ['a line of 1 MB', () => 'words of a line '.repeat(65_536)],
    ['100,000 lines', () => Array.from({ length: 100_000 }, (_, index) => `- [ ] crate ${index} {due 2026-11-24}`).join('\n')],
    ['what is no text', () => Array.from({ length: 60_000 }, (_, index) => String.fromCharCode((index % 250) + 1)).join('')],
  ];
  for (const [, make] of pastes) {
    const text = make();
    await desk.text.click();
    await page.keyboard.press('Control+End');
    await page.evaluate((given) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', given);
      document.querySelector('.cm-content')?.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
    }, text);
    // The editor counts every kind of line end as one; nothing else may differ.
    const kept = (words: string | null): string | undefined => words?.replace(/\r\n?|\n/g, '\n');
    await expect.poll(async () => kept(await stored()) === kept(`before${text}`), { timeout: 30_000 }).toBe(true);
    await desk.text.focus();
    await page.keyboard.press('Control+z');
    await expect.poll(stored, { timeout: 30_000 }).toBe('before');
  }
});

test(
  'plain text under an item is one line with a sign, opened by click and by key, and stands under the words',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    await desk.text.click();
    await page.keyboard.insertText('- [ ] Crates\n  seven, all of pine\n  screws, no nails\n- [ ] Riders\n  one letter');
    await expect.poll(() => desk.stored(JOURNAL)).toContain('one letter');
    await desk.agenda('Today');
    await desk.day('2026-11-23');
    const rest = desk.text.getByText('screws, no nails');
    const sign = desk.text.getByRole('button', { name: '1 line folded; open' });
    await expect(desk.text.getByText('seven, all of pine')).toBeVisible();
    await expect(desk.text.getByText('one letter')).toBeVisible();
    await expect(rest).toBeHidden();
    // The first letters of both lines stand below one another.
    const left = (words: string): Promise<number> =>
      desk.text.getByText(words).evaluate((line, start) => {
        const walker = document.createTreeWalker(line, NodeFilter.SHOW_TEXT);
        for (let node = walker.nextNode(); node; node = walker.nextNode()) {
          const at = (node.textContent ?? '').indexOf(start);
          if (at === -1) continue;
          const range = document.createRange();
          range.setStart(node, at);
          return range.getBoundingClientRect().left;
        }
        throw new Error(`no "${start}"`);
      }, words.charAt(0));
    expect(Math.abs((await left('Riders')) - (await left('one letter')))).toBeLessThan(2);
    await sign.click();
    await expect(rest).toBeVisible();
    await desk.text.getByText('seven, all of pine').click();
    await page.keyboard.press('Control+Shift+F');
    await expect(rest).toBeHidden();
    await page.keyboard.press('Control+Shift+F');
    await expect(rest).toBeVisible();
  },
);

test('the cursor stands still under the typing hands and blinks when they rest', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  const blinking = (): Promise<number> =>
    page.evaluate(
      () => document.getAnimations().filter(({ effect }) => (effect as KeyframeEffect).target?.closest('.cm-cursorLayer')).length,
    );
  await desk.write('crates of pine');
  expect(await blinking()).toBe(0);
  await expect.poll(blinking).toBe(1);
  await page.keyboard.type(' and oak');
  expect(await blinking()).toBe(0);
});

test(
  'a day is picked from a calendar while the clause is written, and the cursor is back in the text',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    await desk.write('- [ ] Weigh the crate {due ');
    await page.getByRole('option', { name: 'From a calendar…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Due on another day' });
    await dialog.locator('[data-pick="2026-11-30"]').click();
    await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate {due 2026-11-30}');
    await expect(desk.text).toBeFocused();
    await page.keyboard.press('Control+z');
    await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate');
  },
);

test('who is named without a page is told once others have one, and one key makes the page', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] Ask @ilse about the crate');
  await page.keyboard.press('ArrowLeft');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('@ilse');
  const hint = desk.text.getByRole('note');
  await expect(hint).toBeHidden();
  await page.keyboard.press('Control+Shift+Period');
  await desk.text.press('Control+Home');
  expect(await desk.stored('People/ilse.md')).toBeNull();
  // The first page is made while the name is written.
  await desk.write('\n@teo');
  await page.getByRole('option', { name: 'make a page for @teo' }).click();
  await expect.poll(() => desk.stored('People/teo.md')).toContain('handle: teo');
  await desk.text.press('Control+Home');
  await expect(hint).toHaveText('Make a page for @ilse, who has none Ctrl Shift .');
  await page.keyboard.press('Control+Shift+Period');
  await expect.poll(() => desk.stored('People/ilse.md')).toBe('---\nkind: person\nhandle: ilse\n---\n');
  await expect(hint).toBeHidden();
});

test('every command of a note and of its text runs from the menu of commands', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] Crates\nNorth door');
  const command = async (title: string): Promise<void> => {
    await desk.text.focus();
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder('Type part of a command or a note’s title').fill(title);
    await page.keyboard.press('Enter');
  };
  await command('Indent the item');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Crates\n  - [ ] North door');
  await command('Outdent the item');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Crates\n- [ ] North door');
  await command('Find and replace in the note');
  await expect(page.getByRole('textbox', { name: 'Find in this note' })).toBeFocused();
  await page.keyboard.press('Escape');
  await desk.text.press('Control+End');
  await desk.text.press('Control+Enter');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('- [x] North door');
  await command('Finished lines are out of sight');
  await desk.text.press('Control+Home');
  await expect(desk.text.getByText('1 finished line is out of sight')).toBeVisible();
  await command('Finished lines stay where they are');
  await expect(desk.text.getByText('North door')).toBeVisible();
  await command('Untick the lists of the note for a new round');
  await page.getByRole('dialog').getByRole('button', { name: 'Clear them' }).click();
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Crates\n- [ ] North door');
  await command('Delete the note');
  await expect.poll(() => desk.stored(JOURNAL)).toBeNull();
  // A day has no other title and place; another note has.
  await page.goto('/note/Agenda/Today.md?line=1');
  await desk.text.focus();
  await page.keyboard.press('Control+Shift+L');
  await expect(page.getByRole('menuitem', { name: 'Divider' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(desk.text).toBeFocused();
  await command('Move the note to a folder');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await command('Rename the note');
  await expect(page.getByRole('textbox', { name: 'Title of the note' })).toBeFocused();
});

test(
  'the tail stays at the end, words keep their place, a link makes its note, records and finished lines fold',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    const stored = () => desk.stored(JOURNAL);
    await desk.write('- [ ] Ask Ilse {due 2026-11-27');
    await page.keyboard.press('End');
    await page.keyboard.type('}');
    await page.keyboard.press('End');
    // What is typed behind the tail goes before it, and a brace opens the one that is there.
    await page.keyboard.type(' about the lamp');
    await expect.poll(stored).toBe('- [ ] Ask Ilse about the lamp {due 2026-11-27}');
    await page.keyboard.press('End');
    await page.keyboard.type('{high');
    await expect.poll(stored).toBe('- [ ] Ask Ilse about the lamp {due 2026-11-27; high}');

    // The box is drawn as its mark until the cursor stands in it.
    const line = desk.text.locator('.cm-line').first();
    await expect(line.locator('.task-mark')).toBeVisible();
    const left = async (): Promise<number> => (await line.getByText('Ask Ilse about the lamp').boundingBox())?.x ?? 0;
    const place = await left();
    await page.keyboard.press('Escape');
    await page.getByRole('heading', { level: 1 }).click();
    expect(await left()).toBe(place);
    await desk.text.press('Control+Home');
    await expect(line).toContainText('- [ ] Ask');

    // A link to a note that is not there asks, and makes it.
    await page.keyboard.press('Control+End');
    await page.keyboard.type('\n\n[[Lamp room');
    await page.keyboard.press('Escape');
    await page.keyboard.type(']]');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Alt+Shift+Enter');
    const dialog = page.getByRole('dialog', { name: 'New note' });
    await expect(dialog.getByRole('textbox', { name: 'Title' })).toHaveValue('Lamp room');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/Lamp%20room/);

    await page.goto('/day/2026-11-24');
    await desk.write('- [ ] Read the log {due 2026-11-24; every day');
    await page.keyboard.press('End');
    await page.keyboard.type('}');
    for (let time = 1; time <= 2; time++) {
      await page.keyboard.press('Control+Home');
      await page.keyboard.press('End');
      await page.keyboard.press('Control+Enter');
      await expect.poll(async () => (await desk.stored('Journal/2026-11-24.md'))?.match(/\[x\]/g)?.length).toBe(time);
    }
    const records = desk.text.getByRole('button', { name: /Read the log: 2 times, last today/ });
    await expect(records).toBeVisible();
    await page.keyboard.press('Control+Shift+F');
    await expect(desk.text.locator('.task-mark-done')).toHaveCount(2);
    await page.keyboard.press('Control+Shift+F');
    await expect(records).toBeVisible();
    await expect(page.getByRole('button', { name: '2 finished lines show' })).toBeVisible();
    await page.keyboard.press('Shift+F8');
    await expect(page.getByRole('button', { name: '2 finished lines out of sight' })).toBeVisible();
  },
);
