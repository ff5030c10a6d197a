import { expect, test } from '../desk';

const JOURNAL = 'Journal/2026-11-23.md';

test('from the first opening to a push of many tasks by keyboard alone', async ({ page, desk }) => {
  await page.clock.setFixedTime(new Date('2026-11-23T09:20:00'));
  await page.goto('/');
  const empty = page.getByRole('button', { name: 'Begin with an empty desk' });
  await expect(empty).toBeVisible();
  for (let step = 0; step < 12 && !(await empty.evaluate((one) => one === document.activeElement)); step++)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/lines indexed/)).toBeAttached();
  // Today's journal page opens; the cursor is in it, or a few steps away.
  for (let step = 0; step < 60 && !(await desk.text.evaluate((one) => one === document.activeElement)); step++)
    await page.keyboard.press('Tab');
  await page.keyboard.type('- [ ] one {due 2026-11-23}\ntwo {due 2026-11-23}\nthree {due 2026-11-23}');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('three {due 2026-11-23}');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Type part of a command or a note’s title').fill('Today');
  await page.keyboard.press('Enter');
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  const first = desk.row(desk.main, 'one').getByRole('checkbox');
  await expect(first).toBeVisible();
  for (let step = 0; step < 90 && !(await first.evaluate((one) => one === document.activeElement)); step++)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Control+a');
  await expect(page.getByRole('region', { name: 'Selected tasks' }).getByText('3 tasks in 1 note')).toBeVisible();
  await page.keyboard.press('Control+ArrowRight');
  await expect
    .poll(() => desk.stored(JOURNAL))
    .toBe(['one', 'two', 'three'].map((words) => `- [ ] ${words} {due 2026-11-23; plan 2026-11-24; pushed 2026-11-23}`).join('\n'));
  await expect(page.getByText('3 lines in 1 note')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(JOURNAL)).not.toContain('2026-11-24');
});

test(
  'what is selected in a note that is deleted is no longer selected, and the rest can be acted on',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await desk.agenda('Today');
    const bar = page.getByRole('region', { name: 'Selected tasks' });
    for (const words of ['Return the borrowed barrow', 'Ask @ilse whether the mercury is sealed']) {
      await desk.row(desk.main, words).getByRole('checkbox').focus();
      await page.keyboard.press('Control+Space');
    }
    await expect(bar.getByText('2 tasks in 2 notes')).toBeVisible();
    await desk.rack.getByRole('link', { name: /^Allotment/ }).click();
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    await page.getByRole('menuitem', { name: 'Delete', exact: true }).click();
    await expect.poll(() => desk.stored('Private/Allotment.md')).toBeNull();
    await expect(bar.getByText('1 task in 1 note')).toBeVisible();
    await bar.getByRole('button', { name: 'Done' }).click();
    await expect.poll(() => desk.stored('Collections/Barometers.md')).toMatch(/- \[x\] Ask @ilse whether the mercury is sealed/);
    await expect(bar).toBeHidden();
  },
);

test(
  'a page with 60 lists answers all of them, and a list that breaks keeps what it found last, dimmed',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    await desk.write('- [ ] Crates #loans {due 2026-11-23}');
    await expect.poll(() => desk.stored(JOURNAL)).toContain('Crates');
    await page.keyboard.press('Control+End');
    const lists = Array.from({ length: 60 }, (_, index) => `\`\`\`gather List ${index + 1}\nopen and #loans\n\`\`\``).join('\n\n');
    await page.evaluate(
      (text) =>
        new Promise<void>((resolve) => {
          const request = indexedDB.open('recado');
          request.onsuccess = () => {
            const store = request.result.transaction('notes', 'readwrite').objectStore('notes');
            store.put({ key: 'agenda/sixty.md', path: 'Agenda/Sixty.md', text, bytes: null, changed: 0, demo: null }).onsuccess = () =>
              resolve();
          };
        }),
      `---\nkind: agenda\n---\n${lists}\n`,
    );
    await page.goto('/note/Agenda/Sixty.md');
    await expect(desk.main.getByRole('listitem').filter({ hasText: 'Crates' })).toHaveCount(60);
    // In a note the text and its list stand together: what is typed into one breaks only that one.
    await page.goto('/day/2026-11-23');
    await desk.text.click();
    await page.keyboard.press('Control+End');
    await page.keyboard.insertText('\n\n```gather\nopen and #loans\n```\n\n```gather\nopen\n```\n\nend');
    const blocks = page.locator('.cm-portal');
    await expect(blocks).toHaveCount(2);
    await blocks.first().getByRole('button', { name: 'Edit', exact: true }).click();
    await page.locator('.cm-line', { hasText: 'open and #loans' }).click();
    await page.keyboard.press('End');
    await page.keyboard.type(' and lat');
    await page.keyboard.press('Control+End');
    await expect(blocks.first()).toContainText('Did you mean “late”?');
    await expect(blocks.first()).toContainText('Below stands what it found before.');
    await expect(blocks.first().getByRole('listitem').filter({ hasText: 'Crates' })).toBeVisible();
    await expect(blocks.last()).not.toContainText('Did you mean');
    await expect(blocks.last().getByRole('listitem').filter({ hasText: 'Crates' })).toBeVisible();
  },
);
