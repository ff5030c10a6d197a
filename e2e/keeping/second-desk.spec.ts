import { readFileSync } from 'node:fs';
import { everythingStored } from '../models/stored';
import { Desk, NOW, expect, test } from '../desk';
import { sealNote } from './seal-a-note';

/** A picture of one pixel (PNG, RFC 2083). */
const PIXEL = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
const PASSPHRASE = 'salt and lanterns';

test(
  'a second person opens a whole desk from a full export: notes, settings, pictures, what is sealed',
  { tag: '@long' },
  async ({ desk, page, browser }) => {
    test.slow();
    await desk.open('demo');
    await desk.bringIn([
      { name: 'Crate.md', mimeType: 'text/markdown', buffer: Buffer.from('# Crate\n\n![the crate](crate.png)\n') },
      { name: 'crate.png', mimeType: 'image/png', buffer: PIXEL },
    ]);
    await page.keyboard.press('Escape');
    await page.goto('/note/Crate.md');
    await desk.write('\nmeasured twice');
    await expect.poll(() => desk.stored('Crate.md')).toContain('measured twice');
    await sealNote(desk, 'Private/Swimming.md', PASSPHRASE);
    await page.goto('/settings');
    await page.getByRole('radio', { name: 'Sunday' }).click();
    await page.goto('/files');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as a file' }).click();
    const zip = readFileSync(await (await download).path());
    const mine = (await everythingStored(page)).notes;

    const context = await browser.newContext({ serviceWorkers: 'block', timezoneId: 'Europe/Lisbon' });
    const other = await context.newPage();
    await other.clock.setFixedTime(NOW);
    await other.goto('/');
    await other.getByRole('button', { name: 'Bring your own files' }).click();
    await other.getByTestId('import-files').setInputFiles({ name: 'desk.zip', mimeType: 'application/zip', buffer: zip });
    await other.getByRole('button', { name: /^(?:Bring it in|Go on)$/ }).click();
    await expect(other.getByTestId('import-report')).toBeVisible({ timeout: 60_000 });
    await other.getByRole('button', { name: 'Use the settings that came with it' }).click();
    await other.keyboard.press('Escape');
    const there = new Desk(other);
    await expect(other.getByText(/lines indexed/)).toBeAttached();
    const theirs = (await everythingStored(other)).notes;
    expect(theirs).toEqual(mine);
    await expect.poll(() => there.storedSettings()).toMatchObject({ firstDayOfWeek: 7 });
    await other.goto('/note/Crate.md');
    await expect(there.text).toContainText('measured twice');
    await expect(there.text.locator('.cm-picture img')).toBeVisible();
    const sealed = Object.keys(mine).find((path) => path.endsWith('.md.age')) ?? '';
    await other.goto(`/note/${sealed}`);
    await other.getByRole('button', { name: 'Open it…' }).click();
    await other.getByLabel('Passphrase').fill(PASSPHRASE);
    await other.keyboard.press('Enter');
    await expect(other.getByLabel('Title of the note')).toHaveValue('Swimming');
    await context.close();
  },
);
