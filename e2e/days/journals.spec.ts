import { expect, test } from '../desk';

test(
  'two journals on one day: another is named, chosen, begun from its template and sealed; both count for the day',
  { tag: '@long' },
  async ({ desk, page }) => {
    // Trying a passphrase takes its time, on purpose.
    test.slow();
    page.setDefaultTimeout(30_000);
    await desk.open('demo');
    await desk.bringIn([
      {
        name: 'Diary page.md',
        mimeType: 'text/markdown',
        buffer: Buffer.from('---\nkind: template\nfor: journal\njournal: Diary\n---\nFor nobody.\n\n- [ ] Three things that went well\n'),
      },
    ]);
    await page.keyboard.press('Escape');
    await desk.rack.getByRole('link', { name: 'Settings' }).click();
    const journals = desk.main.getByRole('group', { name: 'Other journals' });
    await journals.getByLabel('Name of a new journal').fill('Diary');
    await journals.getByLabel('Folder of a new journal').fill('Diary');
    await journals.getByRole('button', { name: 'Add a journal' }).click();
    await expect(journals.getByText('Diary', { exact: true })).toBeVisible();
    await desk.day('2026-11-23');
    await expect(desk.text).toBeVisible();
    const usual = await desk.text.textContent();
    await desk.main.getByRole('button', { name: 'Which journal: Journal' }).click();
    await page.getByRole('menuitemradio', { name: 'Diary' }).click();
    await expect(desk.text).toContainText('For nobody.');
    await desk.write('\nplover at the allotment');
    await expect.poll(() => desk.stored('Diary/2026-11-23.md')).toMatch(/^---\njournal: "?Diary"?\nkind: journal\n---\n[^]*plover/);
    // Both count, and neither claims the day of the other.
    await expect(desk.main.getByText('is also claimed by')).toBeHidden();
    await page.goto('/day/2026-11-23?view=plan');
    await expect(desk.row(desk.main, 'Three things that went well')).toBeVisible();
    await page.goto('/day/2026-11-23');
    await expect(desk.text).toHaveText(usual ?? '');

    // Its folder is sealed: its pages go under their seal, and another day begins sealed.
    await desk.rack.getByText('Diary', { exact: true }).first().hover();
    await desk.rack.getByRole('button', { name: 'Actions for the folder Diary' }).click();
    await page.getByRole('menuitem', { name: 'Seal the folder…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Seal a folder' });
    await dialog.getByLabel('Passphrase', { exact: true }).fill('salt and oak and tar');
    await dialog.getByLabel('Once more').fill('salt and oak and tar');
    await dialog.getByRole('button', { name: 'Seal', exact: true }).click();
    await expect(dialog).toBeHidden();
    await expect.poll(() => desk.stored('Diary/2026-11-23.md')).toBeNull();
    await desk.main.getByRole('button', { name: 'Which journal: Journal' }).click();
    await page.getByRole('menuitemradio', { name: 'Diary' }).click();
    await expect(desk.text).toContainText('plover at the allotment');
    await desk.day('2026-11-24');
    await desk.main.getByRole('button', { name: 'Begin it' }).click();
    await expect(desk.text).toContainText('For nobody.');
    await expect.poll(() => desk.stored('Diary/2026-11-24.md')).toBeNull();
    await page.keyboard.press('Alt+Shift+F8');
    await expect(desk.main.getByText('This journal is sealed by “Diary”, which is closed.')).toBeVisible();
    await expect(desk.rack.getByText('Open a seal…')).toBeVisible();
    await desk.main.getByRole('button', { name: 'Which journal: Diary' }).click();
    await page.getByRole('menuitemradio', { name: 'Journal' }).click();
    await expect(desk.text).toBeVisible();
  },
);
