import { expectAccessible } from '../axe';
import { type Desk, expect, test } from '../desk';

/** The frame with a list beside, a text with its lists, a day by its hours; the long form looks at every screen in both themes: `npm run soak -- -g axe`. */
const SCREENS = ['/settings', '/note/Exhibitions/Salt%20on%20the%20Glass.md', '/day/2026-11-23?view=plan'];

test('axe-core finds nothing on any main screen', async ({ desk, page }) => {
  // Ten seconds on a quiet machine; a look at a whole screen is all computing, and suffers most where it has to share.
  test.slow();
  await page.goto('/');
  await expectAccessible(page, 'the first opening');
  await desk.open('demo');
  for (const [index, address] of SCREENS.entries()) {
    await page.emulateMedia({ colorScheme: index % 2 === 0 ? 'dark' : 'light' });
    await page.goto(address);
    await expect(page.getByText(/lines indexed/)).toBeVisible();
    await expect(desk.main.getByRole('heading', { level: 1 }).or(desk.main.getByLabel('Title of the note'))).toBeVisible();
    await expect(desk.beside.getByRole('listitem').first()).toBeVisible();
    await expectAccessible(page, address, { part: index === 0 ? 'html' : 'main' });
  }
});

test('axe-core finds nothing in the forms of a task, nor in a table', { tag: '@long' }, async ({ desk, page }) => {
  test.slow();
  await desk.open('demo');
  await desk.agenda('Today');
  const actions = desk
    .row(desk.main, 'Sign the glass-case insurance rider')
    .getByRole('button', { name: /Actions for/ })
    .first();
  for (const [entry, title] of [
    ['Details…', 'Details'],
    ['Tags, people, links, owner…', 'Tags, people, links, owner'],
    ['Move to a note…', 'Move to a note'],
  ] as const) {
    await actions.click();
    await page.getByRole('menuitem', { name: entry }).click();
    await expect(page.getByRole('dialog', { name: title })).toBeVisible();
    await expectAccessible(page, title, { part: '[role=dialog]' });
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await desk.main.getByRole('button', { name: 'How this list is shown' }).first().click();
  await page.getByRole('menuitem', { name: 'Show as' }).click();
  await page.getByRole('menuitemradio', { name: 'Table' }).click();
  await page.keyboard.press('Escape');
  await expect(desk.main.getByRole('table').first()).toBeVisible();
  await expectAccessible(page, 'a table', { part: 'main' });
});

test('the frame is usable in a narrow window', async ({ desk, page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await desk.open('demo');
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  await page.getByRole('navigation', { name: 'Main places' }).getByRole('button', { name: 'Notes' }).click();
  await page
    .getByRole('dialog', { name: 'Rack' })
    .getByRole('link', { name: /^Salt on the Glass/ })
    .click();
  await expect(page.getByLabel('Title of the note')).toHaveValue('Salt on the Glass');
  await expect(page.getByRole('dialog')).toBeHidden();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('settings act at once and outlive a reload', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await desk.rack.getByRole('link', { name: 'Settings' }).click();
  await page.getByRole('radio', { name: 'Dark' }).check();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.getByRole('radio', { name: '2026-11-27' }).check();
  await expect(desk.beside.getByText('due 2026-11-20').or(desk.beside.getByText('2026-11-20').first()).first()).toBeVisible();
  await page.getByLabel('Page that opens first').selectOption({ label: 'Undated' });
  await expect.poll(() => desk.storedSettings()).toMatchObject({ theme: 'dark', firstPage: 'Agenda/Undated.md' });
  await page.goto('/');
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Undated' })).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('a note is made, renamed with its links, deleted, and brought back', async ({ desk, page }) => {
  await desk.open('demo');
  await desk.rack.getByRole('button', { name: 'New note' }).click();
  await page.getByLabel('Title', { exact: true }).fill('Bell buoys');
  await page.getByLabel('Folder', { exact: true }).fill('Collections');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Title of the note')).toHaveValue('Bell buoys');
  await desk.write('- [ ] Ring the bell once, see [[Barometers]]');
  await expect.poll(() => desk.stored('Collections/Bell buoys.md')).toContain('[[Barometers]]');

  await desk.rack.getByRole('link', { name: /^Barometers/ }).click();
  await expect(page.getByLabel('Title of the note')).toHaveValue('Barometers');
  await page.getByLabel('Title of the note').fill('Weather glasses');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored('Collections/Bell buoys.md')).toContain('[[Weather glasses]]');
  await expect(desk.rack.getByRole('link', { name: /^Weather glasses/ })).toBeVisible();
  expect(await desk.stored('Collections/Barometers.md')).toBeNull();

  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByText('This note is gone')).toBeVisible();
  // Each message takes back what it is about.
  await page.getByRole('listitem').filter({ hasText: 'Deleted: ' }).getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => desk.stored('Collections/Weather glasses.md')).toContain('Weigh B-11');
});

test('a gather that does not parse says where, and the rest of the page works', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('/note/Waiting%20for%20others.md');
  await page.locator('.cm-portal').getByRole('button', { name: 'Edit', exact: true }).click();
  await page.locator('.cm-line', { hasText: 'where waiting' }).click();
  await page.keyboard.press('End');
  await page.keyboard.type(' and lat');
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('ArrowUp');
  await desk.rack.getByRole('link', { name: /^Phone list/ }).focus();
  const block = page.locator('.cm-portal');
  await expect(block).toContainText('Line 2: Here “lat” stands, where a condition was expected. Did you mean “late”?');
  await expect(desk.beside.getByRole('listitem').first()).toBeVisible();
});

test('every write is durable before it is called saved', async ({ desk, page }) => {
  await page.addInitScript(() => {
    const seen: string[] = [];
    Object.assign(window, { durabilities: seen });
    const original = Object.getOwnPropertyDescriptor(IDBDatabase.prototype, 'transaction')?.value as IDBDatabase['transaction'];
    IDBDatabase.prototype.transaction = function (this: IDBDatabase, ...args: Parameters<IDBDatabase['transaction']>) {
      const transaction = original.apply(this, args);
      if (transaction.mode === 'readwrite') seen.push(transaction.durability);
      return transaction;
    };
  });
  await desk.open('empty');
  await desk.write('- [ ] one');
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toBe('- [ ] one');
  const durabilities = await page.evaluate(() => (window as unknown as { durabilities: string[] }).durabilities);
  expect(durabilities.length).toBeGreaterThan(1);
  expect(new Set(durabilities)).toEqual(new Set(['strict']));
});

test('a screen reader hears the mark, the words and the chips of a task, in a text and in a list', async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('/note/Exhibitions/Salt%20on%20the%20Glass.md');
  const line = page.locator('.cm-line').filter({ hasText: 'Sign the glass-case insurance rider' });
  await expect(line).toMatchAriaSnapshot(`
    - img "To do, top, late"
    - text: Sign the glass-case insurance rider due Fri 20
  `);
  await expect(page.locator('.cm-line').filter({ hasText: 'photographs of the escapement' })).toMatchAriaSnapshot(`
    - img "Done"
    - text: /photographs of the escapement done Fri 20 16:10/
  `);
  await expect(page.locator('.cm-line').filter({ hasText: 'Ask @ilse' })).toMatchAriaSnapshot(`
    - img "To do, top"
    - text: /due Fri 27 takes 30m/
  `);
  await desk.agenda('Today');
  await expect(desk.row(desk.main, 'Sign the glass-case insurance rider')).toMatchAriaSnapshot(`
    - listitem:
      - 'checkbox "To do, top, late: Sign the glass-case insurance rider"'
      - text: Sign the glass-case insurance rider due Fri 20
      - 'link "Salt on the Glass › Loans #loans"'
      - button "Actions for Sign the glass-case insurance rider"
  `);
});

test(
  'axe-core finds nothing in the text while it is written, in its find panel, the menu of commands and two texts',
  { tag: '@long' },
  async ({ desk, page }) => {
    test.slow();
    await desk.open('empty');
    await desk.write('- [ ] Crates {due 2026-02-31}\n  seven, all of pine\n  no nails\n');
    await desk.text.press('Control+Home');
    await expect(desk.text.getByRole('note')).toBeVisible();
    await expectAccessible(page, 'a problem at the cursor', { part: 'main' });
    await desk.write('#cra');
    await desk.text.press('Control+f');
    await expect(page.getByRole('textbox', { name: 'Find in this note' })).toBeFocused();
    await expectAccessible(page, 'the find panel', { part: 'main' });
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectAccessible(page, 'the menu of commands', { part: '[role=dialog]' });
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+a');
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('#cra');
    await newNote(desk, 'Crates', 'Ten crates.');
    await newNote(desk, 'Crates (other text)', 'Eleven crates.');
    await page.getByRole('button', { name: 'Compare and choose' }).click();
    await expect(page.getByRole('radio')).toHaveCount(3);
    await expectAccessible(page, 'two texts', { part: '[role=dialog]' });
  },
);

test('a dialog gives the focus back to where it came from', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await desk.agenda('Today');
  const actions = desk
    .row(desk.main, 'Sign the glass-case insurance rider')
    .getByRole('button', { name: /Actions for/ })
    .first();
  // From a menu it is the button of the menu.
  await actions.focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Details…' }).press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(actions).toBeFocused();
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Type part of a command or a note’s title').fill('New note');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'New note' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(actions).toBeFocused();
  await page.goto('/day/2026-11-23');
  await desk.write('\n- [ ] Crates');
  for (const key of ['Control+,', 'Control+k', 'Control+Shift+M']) {
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(desk.text).toBeFocused();
  }
});

/** Makes a note with a text, by the menu of commands. */
async function newNote(desk: Desk, title: string, text: string): Promise<void> {
  const { page } = desk;
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Type part of a command or a note’s title').fill('New note');
  await page.keyboard.press('Enter');
  await page.getByRole('dialog', { name: 'New note' }).getByLabel('Title').fill(title);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Title of the note' })).toHaveValue(title);
  await desk.write(text);
  await expect.poll(() => desk.stored(`${title}.md`)).toBe(text);
}
