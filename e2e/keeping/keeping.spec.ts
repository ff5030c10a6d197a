import { expectAccessible } from '../axe';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from '../desk';
import { runFolderKillModel } from '../models/folder-kill-model';

test('an earlier text is found and brought back by its lines and whole; a note deleted last week is there again', async ({
  desk,
  page,
}) => {
  await desk.open('demo');
  const PATH = 'Collections/Instrument store.md';
  const before = await desk.stored(PATH);
  await desk.agenda('Today');
  await desk.row(desk.main, 'Move the sextants').getByRole('checkbox').click();
  await expect.poll(() => desk.stored(PATH)).toContain('[x] Move the sextants');
  await page.goto('/note/Collections/Instrument%20store.md');
  await desk.write('\nA drawer that sticks');
  await expect.poll(() => desk.stored(PATH)).toContain('A drawer that sticks');
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Earlier texts' }).click();
  const moments = desk.main.getByRole('list', { name: 'Moments' });
  await expect(moments.getByRole('button')).toHaveCount(2);
  await moments.getByRole('button', { name: /before “Done: Move the sextants/ }).click();
  const shown = desk.main.getByRole('region', { name: 'The earlier text' });
  await expect(shown.getByText('It differs from the present text in 2 places.')).toBeVisible();
  await expect(shown.locator('mark').filter({ hasText: 'done 2026-11-23' })).toBeVisible();
  // One place comes back, and the other stays as it is; Undo takes it back.
  await shown.getByRole('button', { name: 'Bring these lines back' }).first().click();
  await expect.poll(() => desk.stored(PATH)).not.toContain('[x] Move the sextants');
  expect(await desk.stored(PATH)).toContain('A drawer that sticks');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => desk.stored(PATH)).toContain('[x] Move the sextants');
  await moments.getByRole('button', { name: /before “Done: Move the sextants/ }).click();
  await shown.getByRole('button', { name: 'Bring it back whole' }).click();
  await expect.poll(() => desk.stored(PATH)).toBe(before);
  await expect(page.getByLabel('Title of the note')).toHaveValue('Instrument store');
  // Deleted, and missed a week later.
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect.poll(() => desk.stored(PATH)).toBeNull();
  await page.clock.setFixedTime(new Date('2026-12-01T09:20:00'));
  await page.goto('/keep');
  await desk.main.getByRole('link', { name: 'Instrument store' }).click();
  await expect(shown).toContainText('Move the sextants');
  await shown.getByRole('button', { name: 'Bring the note back' }).click();
  await expect.poll(() => desk.stored(PATH)).toBe(before);
  await page.goto(`/earlier/${PATH}`);
  // Its earlier texts are there again, thinned by now.
  await expect(moments.getByRole('button').first()).toBeVisible();
});

test(
  'a copy of everything is made, compared with what changed since, and brought back in part as one step',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.goto('/keep');
    await expect(desk.main.getByText('Nothing was saved outside this browser yet')).toBeVisible();
    await desk.main.getByRole('button', { name: 'Make one now' }).click();
    const compare = desk.main.getByRole('button', { name: /^Compare with the copy of today/ });
    await expect(compare).toBeVisible();
    await compare.click();
    const copy = desk.main.getByRole('region', { name: 'The copy' });
    await expect(copy).toContainText('All of them stand here just so.');
    const lines = await desk.stored('Reading list.md');
    await page.goto('/note/Reading%20list.md');
    await desk.write('\nA book on fog signals');
    await expect.poll(() => desk.stored('Reading list.md')).toContain('fog signals');
    await page.goto('/note/Phone%20list.md');
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
    await expect.poll(() => desk.stored('Phone list.md')).toBeNull();
    await page.goto('/keep');
    await compare.click();
    await expect(copy).toContainText('2 notes differ from what stands here now.');
    await copy.getByRole('button', { name: 'What differs in Reading list.md' }).click();
    await expect(copy.locator('mark').filter({ hasText: 'fog signals' })).toBeVisible();
    await expectAccessible(page, 'what is kept', { part: 'main' });
    await copy.getByRole('checkbox', { name: /Phone list/ }).uncheck();
    await copy.getByRole('button', { name: 'Bring 1 note back' }).click();
    await expect.poll(() => desk.stored('Reading list.md')).toBe(lines);
    expect(await desk.stored('Phone list.md')).toBeNull();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => desk.stored('Reading list.md')).toContain('fog signals');
    // What goes out as one file holds the earlier texts, and says that something left.
    const coming = page.waitForEvent('download');
    await desk.main.getByRole('link', { name: 'Take everything out' }).click();
    await desk.main.getByRole('button', { name: 'Save as a file' }).click();
    expect((await coming).suggestedFilename()).toBe('Recado 2026-11-23.zip');
    await page.goBack();
    await expect(desk.main.getByText('Saved outside this browser last: today')).toBeVisible();
  },
);

/** The folder that is joined, in the browser's own file space: what a person or another program does with its files. */
const hand = (page: Page) => ({
  write: (path: string, text: string) =>
    page.evaluate(
      async ([where, words]) => {
        let folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('desk', { create: true });
        const parts = (where ?? '').split('/');
        const name = parts.pop() ?? '';
        for (const part of parts) folder = await folder.getDirectoryHandle(part, { create: true });
        const writable = await (await folder.getFileHandle(name, { create: true })).createWritable();
        await writable.write(words ?? '');
        await writable.close();
      },
      [path, text],
    ),
  remove: (path: string) =>
    page.evaluate(async (where) => {
      const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('desk');
      await folder.removeEntry(where);
    }, path),
  read: (path: string) =>
    page.evaluate(async (where) => {
      let folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('desk');
      const parts = where.split('/');
      const name = parts.pop() ?? '';
      try {
        for (const part of parts) folder = await folder.getDirectoryHandle(part);
        return await (await (await folder.getFileHandle(name)).getFile()).text();
      } catch {
        return null;
      }
    }, path),
});

test('a folder is joined and kept in step both ways: changes, a second text, removals, settings; and it is left', async ({
  desk,
  page,
}) => {
  await page.addInitScript(() =>
    Object.assign(window, {
      showDirectoryPicker: async () => (await navigator.storage.getDirectory()).getDirectoryHandle('desk', { create: true }),
    }),
  );
  await desk.open('demo');
  const folder = hand(page);
  await folder.write('Letters/From the keeper.md', '- [ ] Answer the keeper {due 2026-11-23}\n');
  await folder.write('photo.psd', 'no note');
  await page.goto('/keep');
  const part = desk.main.getByRole('region', { name: 'A folder on disk' });
  await part.getByRole('button', { name: 'Join a folder…' }).click();
  await expect(part.getByRole('status')).toContainText('desk is in step');
  await expect.poll(() => folder.read('Exhibitions/Cabinet of Gales.md')).toContain('twelve drawers');
  await expect.poll(() => desk.stored('Letters/From the keeper.md')).toContain('Answer the keeper');
  await part.getByText('1 file ignored').click();
  await expect(part.getByText('photo.psd: It is no Markdown, text or picture.')).toBeVisible();
  await expectAccessible(page, 'a folder that is joined', { part: 'main' });
  // A change on either side goes over by itself.
  await folder.write('Letters/From the keeper.md', '- [ ] Answer the keeper, kindly {due 2026-11-23}\n');
  await part.getByRole('button', { name: 'Look now' }).click();
  await expect.poll(() => desk.stored('Letters/From the keeper.md')).toContain('kindly');
  await page.goto('/note/Reading%20list.md');
  await desk.write('\nA book on fog signals');
  await expect.poll(() => folder.read('Reading list.md')).toContain('fog signals');
  // Both changed the same line: the note keeps its text, and the file's stands beside it. Where it is looked at between the two, it only goes over.
  await page.goto('/note/Phone%20list.md');
  await desk.text.focus();
  await expect(async () => {
    await folder.write('Phone list.md', `changed there\n${(await folder.read('Phone list.md')) ?? ''}`);
    await page.keyboard.press('Control+Home');
    await page.keyboard.type('changed here\n');
    await expect.poll(() => desk.stored('Phone list (other text).md'), { timeout: 8000 }).toContain('changed there');
  }).toPass();
  await expect.poll(() => folder.read('Phone list.md')).toContain('changed here');
  // Removed there, it goes here, and is among the deleted notes.
  await folder.remove('Notes on fog.md');
  await expect.poll(() => desk.stored('Notes on fog.md'), { timeout: 30_000 }).toBeNull();
  await page.goto('/keep');
  await expect(desk.main.getByRole('region', { name: 'Deleted notes' }).getByRole('link', { name: 'Notes on fog' })).toBeVisible();
  // The settings travel with it.
  await folder.write('.recado/settings.json', '{"dateStyle": "iso"}');
  await part.getByRole('button', { name: 'Look now' }).click();
  await expect.poll(() => desk.storedSettings()).toMatchObject({ dateStyle: 'iso' });
  await part.getByRole('button', { name: 'Leave the folder' }).click();
  await expect(part.getByRole('button', { name: 'Join a folder…' })).toBeVisible();
  expect(await folder.read('Reading list.md')).toContain('fog signals');
});

// The long form is in `soak`.
test('a browser that is killed while a file is written leaves it whole', { tag: '@long' }, async ({ baseURL }) => {
  test.slow();
  const folder = mkdtempSync(path.join(tmpdir(), 'recado-folder-kill-'));
  const { launchOptions } = test.info().project.use;
  expect(await runFolderKillModel({ folder, baseURL: baseURL ?? '', launch: launchOptions, rounds: 1, seed: 20261123 })).toBe(1);
  rmSync(folder, { recursive: true, force: true });
});
