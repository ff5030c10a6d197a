import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { expectAccessible } from '../axe';
import { type GivenFile, expect, test } from '../desk';

const file = (name: string, content: string): GivenFile => ({ name, mimeType: 'text/plain', buffer: Buffer.from(content) });

test('a list goes to the clipboard as text and with its form, and stays a list where it is pasted; a note and a part go out as files', async ({
  desk,
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await desk.open('demo');
  await desk.agenda('Today');
  await desk.main.getByRole('button', { name: 'How this list is shown' }).first().click();
  await page.getByRole('menuitem', { name: 'Take out…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Take out: Late' });
  await expect(dialog.getByText('8 rows, as they stand there')).toBeVisible();
  await expectAccessible(page, 'taking out', { part: '[role=dialog]' });
  await dialog.getByRole('button', { name: 'Copy' }).click();
  await expect(dialog.getByRole('status')).toContainText('Copied: 8 tasks, as text and with its form.');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(
    '- [ ] Sign the glass-case insurance rider (due Friday 20 Nov 2026, top)',
  );
  await page.keyboard.press('Escape');
  // Pasted with its form into a page that is written in, it is a list.
  await page.evaluate(() => {
    const field = document.body.appendChild(document.createElement('div'));
    field.contentEditable = 'true';
    field.id = 'mail';
    field.focus();
  });
  await page.keyboard.press('Control+v');
  await expect(page.locator('#mail li')).toHaveCount(8);
  await page.goto('/note/Exhibitions/Salt%20on%20the%20Glass.md');

  // The section at the cursor, by the command.
  await desk.text.focus();
  await page.locator('.cm-line', { hasText: 'Loans #loans' }).click();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('take the item or section');
  await page.keyboard.press('Enter');
  const part = page.getByRole('dialog', { name: 'Take out: Loans #loans' });
  await part.getByLabel('Table (CSV)').check();
  const table = page.waitForEvent('download');
  await part.getByRole('button', { name: 'Save as a file' }).click();
  expect(readFileSync(await (await table).path(), 'utf8').split('\r\n')).toHaveLength(9);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Take out…', exact: true }).click();
  // By key: the form that is chosen has the focus, arrows choose another, Enter stores.
  await expect(page.getByRole('dialog').getByRole('radio', { name: /^Markdown/ })).toBeFocused();
  for (let step = 0; step < 5; step++) await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('dialog').getByRole('radio', { name: /^iCalendar/ })).toBeChecked();
  const calendar = page.waitForEvent('download');
  await page.keyboard.press('Enter');
  expect((await calendar).suggestedFilename()).toBe('Salt on the Glass.ics');
  expect(readFileSync(await (await calendar).path(), 'utf8').match(/BEGIN:VTODO/g)).toHaveLength(14);
});

test(
  'a table is mapped, a calendar becomes appointments, boxes with other signs are asked about; one Undo takes all back, and it is remembered',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    const files = [
      file('work.csv', 'What,By,Who\nWeigh the crate,27.11.2026,kofi\nCall the printer,soon,ilse\n'),
      file('old.md', '- [>] Forwarded\n- [_] Empty elsewhere\n- [ ] Fine\n'),
      file(
        'week.ics',
        'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTART:20261123T140000\r\nDTEND:20261123T150000\r\nSUMMARY:Visit\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n',
      ),
      file('broken.opml', 'no outline'),
    ];
    await desk.rack.getByRole('link', { name: 'Files' }).click();
    await page.getByRole('button', { name: 'Bring in files…' }).click();
    await page.getByTestId('import-files').setInputFiles(files);
    const plan = page.getByTestId('import-plan');
    await expect(plan).toContainText('2 notes with 5 tasks and 1 appointment will come in.');
    await expect(plan).toContainText('broken.opml: It is no OPML.');
    await plan.getByLabel('By becomes').selectOption('due');
    await expect(plan).toContainText('Row 2: “soon” cannot be read for due and stands under its task.');
    await plan.getByLabel('[>]').selectOption('Waiting');
    await plan.getByLabel('[_]').selectOption('To do');
    await expectAccessible(page, 'bringing in', { part: '[role=dialog]' });
    await plan.getByRole('button', { name: 'Bring it in' }).click();
    const report = page.getByTestId('import-report');
    await expect(report).toContainText('3 notes came in.');
    expect(await desk.stored('work.md')).toBe(
      '- [ ] Weigh the crate {due 2026-11-27; owner @kofi}\n- [ ] Call the printer {owner @ilse}\n  due: soon\n',
    );
    expect(await desk.stored('old.md')).toBe('- [:] Forwarded\n- [ ] Empty elsewhere\n- [ ] Fine\n');
    expect(await desk.stored('Journal/2026-11-23.md')).toContain('- 14:00-15:00 Visit\n');
    await report.getByRole('button', { name: 'Take the import back' }).click();
    await expect.poll(() => desk.stored('work.md')).toBeNull();
    await expect.poll(async () => (await desk.stored('Journal/2026-11-23.md')) ?? '').not.toContain('Visit');
    // What was decided is there the next time.
    await page.getByRole('button', { name: 'Bring in files…' }).click();
    await page.getByTestId('import-files').setInputFiles(files);
    await expect(plan.getByLabel('By becomes')).toHaveValue('due');
    await expect(plan.getByLabel('[>]')).toHaveValue('waiting');
  },
);

test(
  'the set-up alone goes out and comes into an empty desk; a calendar is given by the server and withdrawn; a page is printed whole',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await desk.rack.getByRole('link', { name: 'Files' }).click();
    await page.getByLabel('The set-up alone').check();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as a file' }).click();
    const bytes = readFileSync(await (await download).path());
    const names = Object.keys(unzipSync(new Uint8Array(bytes)));
    expect(names).toContain('Agenda/Today.md');
    expect(names).toContain('recado-settings.json');
    expect(names.filter((name) => /^(?:Exhibitions|Journal|People)\//.test(name))).toEqual([]);

    await page.getByRole('button', { name: 'Begin a calendar' }).click();
    await expect(page.getByText(/^Sent last/)).toBeVisible();
    const address = await page.getByLabel('Its address').inputValue();
    const calendar = async () => (await page.request.get(address)).text();
    expect(await calendar()).toContain('SUMMARY:Sign the glass-case insurance rider');
    await page.getByRole('checkbox', { name: 'Today' }).uncheck();
    await expect.poll(calendar).not.toContain('insurance rider');
    await page.getByRole('button', { name: 'Withdraw it' }).click();
    await expect(page.getByRole('button', { name: 'Begin a calendar' })).toBeVisible();
    expect((await page.request.get(address)).status()).toBe(404);

    // On paper everything is there: also the rows that the screen has not drawn, and none of the frame.
    await desk.agenda('Undated');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('Print this page');
    await page.evaluate(() => (window.print = () => document.body.setAttribute('data-printed', '')));
    await page.keyboard.press('Enter');
    const print = page.getByRole('dialog', { name: 'Print' });
    await print.getByLabel('Say where each task stands').uncheck();
    await print.getByRole('button', { name: 'Print', exact: true }).click();
    await expect(page.locator('body[data-printed]')).toBeVisible();
    await page.emulateMedia({ media: 'print', colorScheme: 'dark' });
    await expect(desk.rack).toBeHidden();
    await expect(desk.main.locator('.row-source').first()).toBeHidden();
    expect(await desk.main.evaluate((main) => getComputedStyle(main).overflowY)).toBe('visible');
    expect(await page.evaluate(() => getComputedStyle(document.body).color)).toBe('rgb(0, 0, 0)');
    expect((await page.pdf()).subarray(0, 5).toString()).toBe('%PDF-');

    // Another desk has the pages then, and none of the tasks.
    await page.emulateMedia({ media: 'screen' });
    await page.evaluate(async () => {
      for (const { name } of await indexedDB.databases()) if (name !== undefined) indexedDB.deleteDatabase(name);
      localStorage.clear();
    });
    await desk.open('empty');
    const report = await desk.bringIn([{ name: 'set-up.zip', mimeType: 'application/zip', buffer: bytes }]);
    await expect(report.getByRole('button', { name: 'Use the settings that came with it' })).toBeVisible();
    await report.getByRole('button', { name: 'Done' }).click();
    await expect(desk.rack.getByRole('link', { name: /Undated/ })).toBeVisible();
    expect(await desk.stored('Exhibitions/Salt on the Glass.md')).toBeNull();
  },
);
