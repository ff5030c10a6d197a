import { type Desk, expect, test } from '../desk';

/** Makes a note from the rack, and writes its text. */
async function note(desk: Desk, title: string, folder: string, text: string): Promise<void> {
  const { page } = desk;
  await desk.rack.getByRole('button', { name: 'New note' }).click();
  const dialog = page.getByRole('dialog', { name: 'New note' });
  await dialog.getByRole('textbox', { name: 'Title' }).fill(title);
  await dialog.getByLabel('Folder', { exact: true }).fill(folder);
  await page.keyboard.press('Enter');
  // By its address: the note that was open before may have the same title.
  await expect.poll(() => decodeURI(page.url())).toContain(`/note/${folder}/${title}.md`);
  await expect(page.getByLabel('Title of the note')).toHaveValue(title);
  await desk.write(text);
  await expect.poll(() => desk.stored(`${folder}/${title}.md`)).toBe(text);
}

test('a link that several notes could mean is marked, and goes to the nearest', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await note(desk, 'Loans', 'Exhibitions', 'of the exhibition');
  await note(desk, 'Loans', 'Meetings', 'of the meeting');
  await note(desk, 'Plan', 'Meetings', 'see [[Loans]] here');
  const link = page.locator('.cm-shared-name');
  await expect(link).toHaveAttribute('title', /Several notes are called so/);
  await link.click({ modifiers: ['Control'] });
  await expect(page).toHaveURL(/Meetings\/Loans\.md$/);
  await expect(desk.main.getByText('Another note has this title:')).toBeVisible();
});

test('two notes that claim one day are both told', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await note(desk, '2026-11-30', 'Rounds', 'words of the round');
  await note(desk, '2026-11-30', 'Archive', 'older words');
  await expect(desk.main.getByText('This day is also claimed by')).toBeVisible();
  await desk.day('2026-11-30');
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Monday 30 Nov 2026' })).toBeVisible();
  await expect(page.locator('.cm-line', { hasText: 'older words' })).toBeVisible();
  await desk.main.getByRole('link', { name: 'Rounds/2026-11-30.md' }).click();
  await expect(desk.main.getByText('This day’s journal page is another note:')).toBeVisible();
});

test('a need that nobody bears is underlined with its sentence, until a task bears it', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] Pack the case {needs k3f9qa}');
  await expect(page.getByRole('note')).toContainText('There is no task with the ref k3f9qa.');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Sign the rider {ref k3f9qa}');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('note')).toBeHidden();
});

test('what stands at the cursor is followed by key: a heading of a note, a name, an address in a new tab', async ({
  desk,
  page,
  context,
}) => {
  await desk.open('empty');
  await note(desk, 'Tide clock', 'Collections', '# Works\n\nbrass\n\n# Oil\n\nevery spring');
  await page.goto('/day/2026-11-23');
  await desk.write('See [[Tide clock#oil');
  await page.keyboard.press('Escape');
  await page.keyboard.type(']]');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Alt+Shift+Enter');
  await expect(page).toHaveURL(/\/note\/Collections\/Tide%20clock\.md\?line=5$/);
  await expect(page.locator('.cm-found-line')).toHaveText(/Oil/);
  await page.goBack();
  await desk.write(' and #loans');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+Shift+Enter');
  await expect(page).toHaveURL(/\/tag\/loans$/);
  await page.goBack();
  await desk.write(' http://localhost:4187/healthz');
  const opened = context.waitForEvent('page');
  await page.keyboard.press('Alt+Shift+Enter');
  const other = await opened;
  await other.waitForLoadState();
  expect(await other.evaluate(() => [window.opener === null, document.referrer])).toEqual([true, '']);
  await other.close();
  // Where nothing leads anywhere the key does nothing.
  await desk.write(' words');
  await page.keyboard.press('Alt+Shift+Enter');
  await expect(page).toHaveURL(/\/day\/2026-11-23$/);
});
