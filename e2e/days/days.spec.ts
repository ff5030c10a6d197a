import { expect, test } from '../desk';

const TODAY = 'Journal/2026-11-23.md';
const TOMORROW = 'Journal/2026-11-24.md';

test(
  'across midnight: what is written down lands on the page of its day, and the new day offers what the old one left',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    const words = page.getByRole('textbox', { name: 'Words of the slip' });
    await page.clock.setFixedTime(new Date('2026-11-23T23:58:00'));
    await page.goto('/note/Agenda/Today.md');
    await expect(page.getByText(/lines indexed/)).toBeAttached();
    await page.keyboard.press('F10');
    await page.keyboard.type('Latch the harbour door today');
    await page.keyboard.press('Enter');
    await expect.poll(() => desk.stored(TODAY)).toContain('- [ ] Latch the harbour door {plan 2026-11-23; made 2026-11-23 23:58}');
    // A slip that is open while the day turns is read on the new one.
    await page.keyboard.press('F10');
    await page.keyboard.type('Write to the night watch today');
    await page.clock.setFixedTime(new Date('2026-11-24T00:03:00'));
    await expect(page.getByText(/left from earlier days\./)).toBeVisible();
    await expect(words).toBeFocused();
    await page.keyboard.press('Enter');
    await expect
      .poll(() => desk.stored(TOMORROW))
      .toContain('## Log\n- [ ] Write to the night watch {plan 2026-11-24; made 2026-11-24 00:03}\n');
    expect(await desk.stored(TOMORROW)).toContain('## Routine\n\n- [ ] Read the barometers');
    await page.keyboard.press('Shift+F4');
    const dialog = page.getByRole('dialog', { name: 'Left from earlier days' });
    await dialog.getByRole('radiogroup', { name: 'Latch the harbour door' }).press('1');
    await dialog.getByRole('button', { name: 'Carry 1 on' }).click();
    await expect
      .poll(() => desk.stored(TODAY))
      .toContain('- [ ] Latch the harbour door {plan 2026-11-24; pushed 2026-11-23; made 2026-11-23 23:58}');
    await expect(desk.row(desk.main, 'Latch the harbour door')).toBeVisible();
  },
);

test('a template with a question: as a new note and put in at the cursor', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('New note with');
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'New note' });
  await dialog.getByLabel('Title').fill('Talk about the lamp');
  // The folder of a kind brings its template.
  await dialog.getByLabel('Folder').fill('Meetings');
  await expect(dialog.getByLabel('Begins as')).toHaveValue(/Meeting/);
  await dialog.getByLabel('people').fill('@kofi, @teo');
  await page.keyboard.press('Enter');
  await expect
    .poll(() => desk.stored('Meetings/2026-11-23 Talk about the lamp.md'))
    .toMatch(
      /^---\nkind: meeting\ndate: 2026-11-23\ntitle: "Talk about the lamp"\n---\n[^]*Who is there: @kofi, @teo\n[^]*- \[ \] Minutes of 2026-11-23 to everyone \{due 2026-11-25/,
    );
  // One's own template, put in at the cursor; what it asks more than once is asked once, what is no placeholder stays.
  await page.goto('/note/Reading%20list.md');
  await desk.write('\n');
  await page.keyboard.press('Control+Shift+L');
  await page.getByRole('menuitem', { name: 'Template' }).press('ArrowRight');
  await page.getByRole('menuitem', { name: 'Meeting', exact: true }).press('Enter');
  await page.getByRole('dialog', { name: 'Meeting' }).getByLabel('people').fill('@ilse');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored('Reading list.md')).toContain('Who is there: @ilse\n');
  await expect(desk.text).toBeFocused();
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored('Reading list.md')).not.toContain('Who is there');
});

test(
  'slips in two tabs at one moment are both kept; 10,000 pasted lines are told of, and one Undo takes them back',
  { tag: '@long' },
  async ({ desk, page, context }) => {
    await desk.open('empty');
    const other = await context.newPage();
    await other.clock.setFixedTime(new Date('2026-11-23T09:20:00'));
    await other.goto('/');
    await expect(other.getByText(/lines indexed/)).toBeAttached();
    const slip = async (tab: typeof page, text: string): Promise<void> => {
      await tab.keyboard.press('F10');
      await tab.keyboard.type(text);
      await expect(tab.getByRole('textbox', { name: 'Words of the slip' })).toHaveValue(text);
    };
    await slip(page, 'Oil the lamp');
    await slip(other, 'Wind the clock');
    await Promise.all([page.keyboard.press('Enter'), other.keyboard.press('Enter')]);
    await expect.poll(async () => (await desk.stored(TODAY))?.split('\n').filter((line) => line.startsWith('- [ ]')).length).toBe(2);
    const before = (await desk.stored(TODAY)) ?? '';
    expect(before).toContain('Oil the lamp');
    expect(before).toContain('Wind the clock');
    await other.close();
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await page.evaluate(() => navigator.clipboard.writeText(Array.from({ length: 10_000 }, (_, index) => `crate ${index}`).join('\n')));
    await page.keyboard.press('F10');
    await expect(page.getByRole('textbox', { name: 'Words of the slip' })).toBeFocused();
    await page.keyboard.press('Control+v');
    await expect(page.getByRole('dialog')).toContainText('10,000 lines');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Storing 10000 lines')).toBeVisible();
    await expect.poll(async () => (await desk.stored(TODAY))?.match(/- \[ \] crate /g)?.length, { timeout: 60_000 }).toBe(10_000);
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect.poll(() => desk.stored(TODAY)).toBe(before);
  },
);
