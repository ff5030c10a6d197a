import { expect, test } from '../desk';

const JOURNAL = 'Journal/2026-11-23.md';

test('a day is run from Today by keyboard alone: selected tasks go to tomorrow in one step, and come back', async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] one {due 2026-11-23}\ntwo {due 2026-11-23}\nthree {due 2026-11-23}');
  const before = '- [ ] one {due 2026-11-23}\n- [ ] two {due 2026-11-23}\n- [ ] three {due 2026-11-23}';
  await expect.poll(() => desk.stored(JOURNAL)).toBe(before);
  await desk.agenda('Today');
  await desk.row(desk.main, 'one').getByRole('checkbox').focus();
  await page.keyboard.press('Shift+ArrowDown');
  const bar = page.getByRole('region', { name: 'Selected tasks' });
  await expect(bar.getByText('2 tasks in 1 note')).toBeVisible();
  await page.keyboard.press('Control+ArrowRight');
  await expect
    .poll(() => desk.stored(JOURNAL))
    .toBe(
      ['one', 'two'].map((words) => `- [ ] ${words} {due 2026-11-23; plan 2026-11-24; pushed 2026-11-23}\n`).join('') +
        '- [ ] three {due 2026-11-23}',
    );
  await expect(bar).toBeHidden();
  await expect(desk.main.getByText('two')).toBeHidden();
  // The focus went to the row that took the place.
  await expect(desk.row(desk.main, 'three').getByRole('checkbox')).toBeFocused();
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(JOURNAL)).toBe(before);
  await page.keyboard.press('Control+y');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('one {due 2026-11-23; plan 2026-11-24');
});

test('raising the priority by key moves the row at once, and the focus goes with it', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('empty');
  await desk.write('- [ ] alpha {due 2026-11-23}\nbeta {due 2026-11-23}');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('beta {due');
  await desk.agenda('Today');
  await expect(desk.main.getByRole('listitem').first()).toContainText('alpha');
  await desk.row(desk.main, 'beta').getByRole('checkbox').focus();
  await page.keyboard.press('Control+ArrowUp');
  await expect(desk.main.getByRole('listitem').first()).toContainText('beta');
  await expect(desk.row(desk.main, 'beta').getByRole('checkbox')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Details' })).toBeVisible();
});

test(
  'a task is reworded in place, moved to another note with its steps, and told where it went',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await desk.agenda('By note');
    const row = desk.row(desk.main, 'Ask @ilse for the condition report');
    await row.getByText('for the condition report').dblclick();
    const field = page.getByRole('textbox', { name: 'Words of the task' });
    await field.fill('Ask @ilse for both reports');
    await page.keyboard.press('Enter');
    await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toContain('- [ ] Ask @ilse for both reports {');
    await desk.row(desk.main, 'Ask @ilse for both reports').getByRole('checkbox').first().focus();
    await page.keyboard.press('Control+m');
    const place = page.getByRole('dialog', { name: 'Move to a note' });
    await place.getByPlaceholder('Part of a note’s title').fill('Tide clock');
    await page.keyboard.press('Enter');
    await expect
      .poll(() => desk.stored('Collections/Tide clock.md'))
      .toMatch(/Ask @ilse for both reports .*\n {2}- \[x\] photographs of the escapement/);
    await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).not.toContain('both reports');
  },
);

test('a list is narrowed, shown as a table, put in order in its text, and written into', async ({ desk, page }) => {
  await desk.open('demo');
  await desk.agenda('Undated');
  await page.getByLabel('Narrow by words or a condition').fill('#phone');
  await expect(desk.main.getByRole('listitem').filter({ hasText: '#phone' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();

  await page.goto('/note/Agenda/Waiting.md');
  await page.getByRole('button', { name: 'How this list is shown' }).first().click();
  await page.getByRole('menuitem', { name: 'Show as' }).click();
  await page.getByRole('menuitemradio', { name: 'Table' }).click();
  await expect(desk.main.getByRole('table')).toBeVisible();
  await desk.main.getByRole('button', { name: 'Write it into the page' }).click();
  await expect.poll(() => desk.stored('Agenda/Waiting.md')).toContain('as table');
  await desk.main.getByRole('columnheader', { name: 'due' }).getByRole('button').click();
  await expect.poll(() => desk.stored('Agenda/Waiting.md')).toContain('order by due\n');
  await page.getByRole('button', { name: 'More for this page' }).click();
  await page.getByRole('menuitem', { name: 'Restore what was shipped' }).click();
  await expect.poll(() => desk.stored('Agenda/Waiting.md')).not.toContain('as table');

  await desk.agenda('Today');
  const today = desk.main.getByRole('region', { name: 'Today', exact: true });
  await today.getByRole('button', { name: 'Write a task here' }).click();
  await page.getByRole('textbox', { name: 'Words of the new task' }).fill('Ring the lender by fri #phone');
  await expect(today.getByRole('status').filter({ hasText: 'It gets plan today. Read from its words: due Fri 27.' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('- [ ] Ring the lender #phone {due 2026-11-27; plan 2026-11-23}');
  await expect(desk.row(today, 'Ring the lender')).toBeVisible();
});

test('a task is dragged to a day of the day row, to plan it or have it due', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await desk.agenda('Today');
  const row = desk.row(desk.main, 'Return the borrowed barrow');
  const data = await page.evaluateHandle(() => new DataTransfer());
  await row.dispatchEvent('dragstart', { dataTransfer: data });
  const day = page.locator('[data-day="2026-11-26"]');
  await day.dispatchEvent('dragenter', { dataTransfer: data });
  await day.locator('[data-drop="due"]').dispatchEvent('drop', { dataTransfer: data });
  await expect.poll(() => desk.stored('Private/Allotment.md')).toContain('Return the borrowed barrow {due 2026-11-26; pushed 2026-11-15');
});

test(
  'a line that is refused is told, and the rest go on; one of many in another tab',
  { tag: '@long' },
  async ({ desk, page, context }) => {
    await desk.open('empty');
    await desk.write('- [ ] one {due 2026-11-23}\ntwo {due 2026-11-23}');
    await expect.poll(() => desk.stored(JOURNAL)).toContain('two {due');
    await desk.agenda('Today');
    await expect(desk.row(desk.main, 'two')).toBeVisible();
    await desk.row(desk.main, 'one').getByRole('checkbox').focus();
    await page.keyboard.press('Shift+ArrowDown');
    await expect(page.getByRole('region', { name: 'Selected tasks' })).toContainText('2');
    // Behind the page's back the line changes: what is selected still says what it said.
    await page.evaluate(
      () =>
        new Promise<void>((resolve) => {
          const request = indexedDB.open('recado');
          request.onsuccess = () => {
            const store = request.result.transaction('notes', 'readwrite').objectStore('notes');
            const get = store.get('journal/2026-11-23.md');
            get.onsuccess = () => {
              const note = get.result as { text: string };
              store.put({ ...note, text: note.text.replace('two', 'other') }).onsuccess = () => resolve();
            };
          };
        }),
    );
    await page.getByRole('region', { name: 'Selected tasks' }).getByRole('button', { name: 'Done' }).click();
    await expect(page.getByText(/1 line stayed as it was/)).toBeVisible();
    await expect.poll(() => desk.stored(JOURNAL)).toMatch(/- \[x\] one .*\n- \[ \] other/);
    expect(context.pages()).toHaveLength(1);
  },
);

test(
  'rows are picked at their edge, a range with Shift, and Escape lets all go; the edge of a mark raises the priority',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    await desk.write('- [ ] one {due 2026-11-23}\ntwo {due 2026-11-23}\nthree {due 2026-11-23}\nfour {due 2026-11-23; every mon}');
    await expect.poll(() => desk.stored(JOURNAL)).toContain('four {due');
    await desk.agenda('Today');
    const edge = (words: string) => desk.row(desk.main, words).getByRole('button', { name: `Select ${words}` });
    const bar = page.getByRole('region', { name: 'Selected tasks' });
    await desk.row(desk.main, 'one').hover();
    await edge('one').click();
    await edge('three').click({ modifiers: ['Shift'] });
    await expect(bar.getByText('3 tasks in 1 note')).toBeVisible();
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('Escape');
    await expect(bar).toBeHidden();

    // From the menu of the list a click on a task selects it.
    await desk.main.getByRole('button', { name: 'How this list is shown' }).first().click();
    await page.getByRole('menuitem', { name: 'Select tasks' }).click();
    await expect(bar.getByText('Press the tasks that you mean')).toBeVisible();
    await desk.row(desk.main, 'two').getByText('two').click();
    await expect(bar.getByText('1 task in 1 note')).toBeVisible();
    await page.keyboard.press('Escape');

    const mark = desk.row(desk.main, 'two').getByRole('checkbox');
    for (const priority of ['high', 'top', 'low'])
      await mark
        .click({ position: { x: 3, y: 12 } })
        .then(() => expect.poll(() => desk.stored(JOURNAL)).toContain(`two {due 2026-11-23; ${priority}}`));
    await mark.click({ position: { x: 3, y: 12 } });
    await expect.poll(() => desk.stored(JOURNAL)).toContain('two {due 2026-11-23}');

    // All of Today goes on by its plan, what repeats is skipped, and the head of Today says where they are.
    await expect(desk.main.getByText('4 open tasks in 1 note')).toBeVisible();
    await desk.main.getByRole('button', { name: 'All to tomorrow' }).click();
    await expect(page.getByText('Carried on: 4 lines in 1 note; 3 are due before that day')).toBeVisible();
    await expect
      .poll(() => desk.stored(JOURNAL))
      .toContain('- [ ] four {due 2026-11-30; every mon}\n- [-] four {due 2026-11-23; cancelled');
    await desk.main.getByRole('link', { name: '3 tasks due by now, but planned later' }).click();
    await expect(desk.main.getByRole('region', { name: 'Due by now, planned later' }).getByRole('listitem')).toHaveCount(3);
  },
);
