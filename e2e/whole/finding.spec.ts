import { expectAccessible } from '../axe';
import { expect, test } from '../desk';

test('a note with tasks is found by two words, narrowed to tasks, and one is ticked there; the search is pinned', async ({
  desk,
  page,
}) => {
  await desk.open('demo');
  await page.keyboard.press('Shift+F9');
  const field = page.getByRole('searchbox', { name: 'Find' });
  // Letters that come before the field are not lost.
  await page.keyboard.type('crate keys');
  await expect(field).toBeFocused();
  await expect(field).toHaveValue('crate keys');
  const notes = desk.main.getByRole('region', { name: 'Notes' });
  await expect(notes.getByRole('link', { name: 'Registrar meeting', exact: true })).toBeVisible();
  await expect(notes.locator('mark').first()).toHaveText('Crates');
  // Down to the note, Enter opens it, Back brings the search again.
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(desk.text).toContainText('Six crates fit');
  await page.goBack();
  await expect(field).toHaveValue('crate keys');
  await page.getByRole('radio', { name: 'Tasks only' }).click();
  await expect(notes).toBeHidden();
  await desk.row(desk.main, 'Agree who holds the crate keys').getByRole('checkbox').first().click();
  await expect
    .poll(() =>
      desk.stored('Meetings/2026-11-17 Registrar meeting.md').then((text) => text ?? desk.stored('Meetings/Registrar meeting.md')),
    )
    .toContain('- [x] Agree who holds the crate keys');
  // A condition narrows in the same field; one letter may be wrong.
  await page.getByRole('radio', { name: 'All notes' }).click();
  await field.fill('insurence due < today');
  await expect(notes.getByRole('link', { name: 'Salt on the Glass', exact: true })).toBeVisible();
  await expect(notes).toContainText('near: insurance');
  await field.fill('zzz');
  await expect(notes).toContainText('No note holds all of that.');
  await field.fill('insurance rider');
  await page.getByRole('button', { name: 'Keep this search' }).click();
  await page.getByRole('menuitem', { name: 'Pin it to the rack' }).click();
  await desk.agenda('Ahead');
  await desk.rack.getByRole('link', { name: 'insurance rider' }).click();
  await expect(field).toHaveValue('insurance rider');
});

test(
  'a matter is raised with a person on the way, and stands on their page before the talk; renamed, all of it follows',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.goto('/person/kofi');
    // A person is one place: the note, and what stands under it.
    await expect(page).toHaveURL(/note\/People\/Kofi/);
    const foot = desk.main.getByRole('region', { name: 'From every note' });
    await expect(foot.getByRole('region', { name: 'To raise' })).toContainText('Thank him for the crate tags');
    await expect(async () => {
      await page.keyboard.press('Control+Shift+F10');
      await expect(page.getByLabel('With whom')).toBeVisible({ timeout: 1000 });
    }).toPass();
    await page.getByRole('textbox', { name: 'Words of the slip' }).fill('The third signature');
    await page.getByLabel('With whom').fill('kofi');
    await page.keyboard.press('Enter');
    await expect(desk.row(foot.getByRole('region', { name: 'To raise' }), 'The third signature')).toBeVisible();
    await desk.row(foot, 'The third signature').getByRole('checkbox').first().click();
    await expect.poll(() => desk.stored('People/Kofi.md')).toContain('- [x] The third signature #raise');
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    await page.getByRole('menuitem', { name: 'Rename @kofi everywhere…' }).click();
    await page.getByRole('dialog').getByLabel('New name').fill('@kofi.a');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toContainText(/places/);
    await page.keyboard.press('Enter');
    await expect.poll(() => desk.stored('People/Kofi.md')).toContain('handle: kofi.a');
    await expect(foot.getByRole('region', { name: 'Open with them' })).toContainText('@kofi.a');
    // A tag without a note has its page too, and a note of its own by one press.
    await page.goto('/tag/loans');
    await expect(desk.main.getByRole('region', { name: 'Open' }).first()).toContainText('glass-case insurance rider');
    await page.getByRole('button', { name: 'Make one' }).click();
    await expect(page).toHaveURL(/note\/Tags\/loans/);
    await expect(desk.main.getByRole('region', { name: 'Under this tag' })).toContainText('glass-case insurance rider');
  },
);

test(
  'a mention becomes a link; a note beside is written in while another is open, and both keep every word',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.goto('/note/Reading%20list.md');
    await desk.write('\nSee what Salt on the Glass says\n');
    await expect.poll(() => desk.stored('Reading list.md')).toContain('See what Salt');
    await page.goto('/note/Exhibitions/Salt%20on%20the%20Glass.md');
    // The card of a person: first lines and open tasks, by pointer and by key.
    const card = page.getByRole('group', { name: 'What the link leads to' });
    await desk.text.locator('[data-name="@ilse"]').first().hover();
    await expect(card).toContainText('Best reached before ten');
    await expect(card.getByRole('checkbox').first()).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(card).toBeHidden();
    // A click on a name leads there, but on the line that is written it puts the cursor into it.
    const teo = desk.text.locator('.cm-line', { has: page.locator('[data-name="@teo"]') }).first();
    const { width = 0 } = (await teo.boundingBox()) ?? {};
    await teo.click({ position: { x: width - 4, y: 8 } });
    await teo.locator('[data-name="@teo"]').click();
    await page.keyboard.press('Alt+Shift+PageUp');
    await expect(card.getByRole('link', { name: 'Teo', exact: true }).first()).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(desk.text).toBeFocused();
    await page.keyboard.press('Control+Shift+F9');
    const named = desk.beside.getByRole('region', { name: 'Only named' });
    await expect(named).toContainText('See what Salt on the Glass says');
    await expectAccessible(page, 'leads here', { part: 'aside' });
    await named.getByRole('button', { name: 'Make it a link: See what' }).click();
    await expect.poll(() => desk.stored('Reading list.md')).toContain('See what [[Salt on the Glass]] says');
    await expect(named).toBeHidden();
    await expect(desk.beside.getByRole('link', { name: 'Reading list' })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect.poll(() => desk.stored('Reading list.md')).toContain('See what Salt on the Glass says');
    // A note kept open beside another.
    await desk.shownBeside('This note, to keep it open');
    await page.goto('/note/Collections/Barometers.md');
    const other = page.getByRole('textbox', { name: 'Text kept beside' });
    await other.click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type('\nBeside words');
    await desk.write('\nMiddle words');
    await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toContain('Beside words');
    await expect.poll(() => desk.stored('Collections/Barometers.md')).toContain('Middle words');
    // Undo takes back in the text that was written in last.
    await other.click();
    await page.keyboard.press('Control+z');
    await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).not.toContain('Beside words');
    expect(await desk.stored('Collections/Barometers.md')).toContain('Middle words');
  },
);
