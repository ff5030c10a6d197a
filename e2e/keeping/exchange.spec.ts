import { readFileSync } from 'node:fs';
import { type Zippable, strToU8, unzipSync, zipSync } from 'fflate';
import { SETTINGS_FILE } from '../../src/store/device/settings-file';
import { type Desk, expect, test } from '../desk';

const NOT_UTF8 = new Uint8Array([0x2d, 0x20, 0x5b, 0x20, 0x5d, 0x20, 0xe9, 0xff, 0x0a]);

async function exported(desk: Desk): Promise<Record<string, Uint8Array>> {
  await desk.rack.getByRole('link', { name: 'Files' }).click();
  const download = desk.page.waitForEvent('download');
  await desk.page.getByRole('button', { name: 'Save as a file' }).click();
  return unzipSync(new Uint8Array(readFileSync(await (await download).path())));
}

test(
  'closing the dialog stops an import; what came in until then is told and can be taken back',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    const files: Zippable = {};
    for (let index = 0; index < 30_000; index++) files[`F/note ${index}.md`] = [strToU8(`- [ ] task ${index}\n`), { level: 0 }];
    await desk.rack.getByRole('link', { name: 'Files' }).click();
    await page.getByRole('button', { name: 'Bring in files…' }).click();
    const zip = { name: 'notes.zip', mimeType: 'application/zip', buffer: Buffer.from(zipSync(files)) };
    await page.getByTestId('import-files').setInputFiles(zip);
    await page.getByTestId('import-plan').getByRole('button', { name: 'Bring it in' }).click();
    await expect(page.getByText(/^Bringing in: [1-9]/)).toBeVisible();
    await page.keyboard.press('Escape');
    const told = page.getByRole('listitem').filter({ hasText: 'came in.' });
    await expect(told).toBeVisible();
    const count = Number((await told.innerText()).replace(/\D/g, ''));
    expect(count).toBeGreaterThan(0);
    expect(count).toBeLessThan(30_000);
    await told.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => desk.stored('F/note 0.md')).toBeNull();
  },
);

test('a zip of Markdown comes in, its tasks are gathered, and the export holds the same bytes', async ({ desk, page }) => {
  await desk.open('empty');
  const files: Record<string, Uint8Array> = {
    'Loans/Lenses.md': strToU8(
      '\ufeff# Lenses\r\n\r\n- [ ] Number the lenses {due 2026-11-23}\r\n* [x] Count them\r\n\tno last line ending',
    ),
    'Wetter/Nebel über See.md': strToU8(
      '---\ntitle: "Nebel"\nodd key: [1, {a: b}]\n---\n1. [ ] Łańcuch 海図 {plan 2026-11-23;   odd clause }   \n',
    ),
    'Bytes.md': NOT_UTF8,
    'Broken front.md': strToU8('---\nkind: [unclosed\n---\n- [ ] Still a task {due 2026-11-23}\n'),
    'Strange <name>|?.md': strToU8('- [ ] A name with signs {due 2026-11-23}\n'),
    'picture.png': new Uint8Array([1, 2, 3]),
  };
  const archive = zipSync({ ...files, '../outside.md': strToU8('- [ ] climbs out') });
  const report = await desk.bringIn([{ name: 'notes.zip', mimeType: 'application/zip', buffer: Buffer.from(archive) }]);
  await expect(report).toContainText('5 notes came in.');
  await expect(report).toContainText('1 file is no UTF-8 text');
  await expect(report).toContainText('outside.md: Its path leads out of the folder it came in.');
  await expect(report).toContainText('picture.png: It is called a picture, and is none that can be shown.');
  await report.getByRole('button', { name: 'Done' }).click();

  await desk.agenda('Today');
  for (const words of ['Number the lenses', 'Łańcuch 海図', 'Still a task', 'A name with signs']) {
    await expect(desk.row(desk.main, words)).toBeVisible();
  }
  const out = await exported(desk);
  for (const name of Object.keys(files).filter((one) => one !== 'picture.png'))
    expect(Buffer.from(out[name] ?? [])).toEqual(Buffer.from(files[name] ?? []));
  expect(JSON.parse(Buffer.from(out[SETTINGS_FILE] ?? []).toString())).toMatchObject({ theme: 'system', firstDayOfWeek: 1 });

  // What is no text is kept as bytes and cannot be written in.
  await page.goto('/note/Bytes.md');
  await expect(page.getByText('This file is not UTF-8 text')).toBeVisible();
  // Broken front matter is said with its line; the note opens as text.
  await page.goto('/note/Broken%20front.md');
  await expect(page.getByRole('status').filter({ hasText: 'cannot be read as YAML' })).toBeVisible();
  await expect(page.locator('.cm-line', { hasText: 'Still a task' })).toBeVisible();
});

test('an import never overwrites, skips what is the same, and can be taken back', { tag: '@long' }, async ({ desk }) => {
  await desk.open('demo');
  const rounds = await desk.stored('Rounds/Yearly.md');
  const archive = zipSync({ 'Rounds/Yearly.md': strToU8(rounds ?? ''), 'Reading list.md': strToU8('- [ ] another text\n') });
  const report = await desk.bringIn([{ name: 'a.zip', mimeType: 'application/zip', buffer: Buffer.from(archive) }]);
  await expect(report).toContainText('Reading list 2.md');
  await expect(report).toContainText('1 note is here already, just so');
  expect(await desk.stored('Reading list.md')).toContain('drowned villages');
  await report.getByRole('button', { name: 'Take the import back' }).click();
  await expect.poll(() => desk.stored('Reading list 2.md')).toBeNull();
});

test('a broken zip ends in a plain message, and what can be read comes in', { tag: '@long' }, async ({ desk }) => {
  await desk.open('empty');
  const whole = zipSync({
    'First.md': [strToU8('- [ ] first\n'), { level: 0 }],
    'Second.md': [strToU8('- [ ] second\n'.repeat(400)), { level: 0 }],
  });
  const half = whole.slice(0, 2000);
  const report = await desk.bringIn([
    { name: 'half.zip', mimeType: 'application/zip', buffer: Buffer.from(half) },
    { name: 'none.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip at all') },
  ]);
  await expect(report).toContainText('1 note came in.');
  await expect(report).toContainText('did not come in');
  await expect.poll(() => desk.stored('First.md')).toBe('- [ ] first\n');
});

test('a note of 5 MB opens, is indexed, and keeps its bytes', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  const text = '- [ ] One of many lines about salt and glass #mass\n'.repeat(100_000);
  await desk.bringIn([{ name: 'Big.md', mimeType: 'text/markdown', buffer: Buffer.from(text) }]);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(desk.rack.getByRole('link', { name: '#mass 100000' })).toBeVisible();
  await desk.rack.getByRole('link', { name: /^Big/ }).click();
  await expect(page.locator('.cm-line').first()).toContainText('One of many lines');
});

test('files dropped on the window are imported', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  const transfer = await page.evaluateHandle(() => {
    const data = new DataTransfer();
    data.items.add(new File(['- [ ] Dropped from the desk {due 2026-11-23}\n'], 'Dropped.md', { type: 'text/markdown' }));
    return data;
  });
  await page.dispatchEvent('body', 'drop', { dataTransfer: transfer });
  await page.getByRole('dialog').getByRole('button', { name: 'Read it' }).click();
  await page.getByTestId('import-plan').getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByTestId('import-report')).toContainText('1 note came in.');
  await expect.poll(() => desk.stored('Dropped.md')).toContain('Dropped from the desk');
});
