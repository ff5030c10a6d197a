import { expectAccessible } from '../axe';
import { type Desk, expect, test } from '../desk';

/** The gather as it stands in the field of its text. */
const gatherText = (desk: Desk): Promise<string> =>
  desk.main
    .getByLabel('The same as text')
    .evaluate((field) => [...field.querySelectorAll('.cm-line')].map((line) => line.firstChild?.textContent ?? '').join('\n'));

test('the help is one key away, is searched, and all its examples can be asked', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await page.keyboard.press('Shift+F1');
  await expect(desk.main.getByRole('heading', { level: 1 })).toHaveText('What a note can say');
  await desk.main.getByLabel('Search the help').fill('moore');
  await desk.main.getByRole('list', { name: 'Found in the help' }).getByRole('link').first().click();
  await expect(desk.main.getByRole('region', { name: 'The day turned to its plan' })).toBeInViewport();
  await desk.main.getByRole('link', { name: 'Asking for tasks' }).click();
  const examples = desk.main.getByRole('button', { name: 'Ask it of my notes' });
  await expect(examples.first()).toBeVisible();
  const count = await examples.count();
  expect(count).toBeGreaterThan(4);
  for (let index = 0; index < count; index++) await examples.first().click();
  await expect(desk.main.getByText('How a gather is written')).toBeHidden();
  await expect(desk.main.getByText('Nothing stands here now').or(desk.main.locator('[data-row]')).first()).toBeVisible();
  await desk.main.getByRole('button', { name: 'Copy it' }).first().click();
});

test('a page of one’s own by pointing alone: with a person, by week, as a table; a list of another page is changed and put back', async ({
  desk,
  page,
}) => {
  await desk.open('demo');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('ask by pointing');
  await page.keyboard.press('Enter');
  await desk.main.getByRole('button', { name: 'All that is open' }).click();
  await expect(desk.main.getByText('107 found')).toBeVisible();
  await desk.main.getByRole('button', { name: '+ and' }).click();
  await page.keyboard.type('kofi');
  await page.keyboard.press('Enter');
  await expect(desk.main.getByText('9 found')).toBeVisible();
  await desk.main.getByRole('button', { name: 'not in groups' }).click();
  await desk.main.getByRole('button', { name: 'week', exact: true }).click();
  await desk.main.getByRole('group', { name: 'What is asked' }).getByRole('button', { name: 'list' }).click();
  await desk.main.getByRole('button', { name: 'table', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect.poll(() => gatherText(desk)).toBe('where open and @kofi\ngroup by week\nas table');
  // A part is turned round, given another choice, and taken out.
  await desk.main.getByRole('button', { name: 'are with @kofi' }).click();
  await desk.main.getByRole('button', { name: 'or…' }).click();
  await page.getByPlaceholder(/Type a tag/).fill('#loans');
  await page.keyboard.press('Enter');
  await expect.poll(() => gatherText(desk)).toBe('where open and (@kofi or #loans)\ngroup by week\nas table');
  await desk.main.getByRole('button', { name: 'bear or inherit #loans' }).click();
  await desk.main.getByRole('button', { name: 'take out' }).click();
  // It is still there when one comes back from elsewhere.
  await desk.agenda('Today');
  await page.goBack();
  await expect.poll(() => gatherText(desk)).toBe('where open and @kofi\ngroup by week\nas table');
  // The text is written by hand, and cannot be read for a moment: the sentence stays.
  const text = desk.main.getByLabel('The same as text');
  await text.fill('where open and @kofi and');
  await expect(desk.main.getByRole('button', { name: 'are with @kofi' })).toBeVisible();
  await expect(desk.main.getByRole('button', { name: 'Keep as an agenda page' })).toBeDisabled();
  await text.fill('where open and @kofi\ngroup by week\nas table');
  await desk.main.getByLabel('Name of the page').fill('With Kofi');
  await page.keyboard.press('Enter');
  await expect(desk.main.getByRole('heading', { level: 1, name: 'With Kofi' })).toBeVisible();
  await expect(desk.main.getByRole('table')).toBeVisible();
  expect(await desk.stored('Agenda/With Kofi.md')).toContain('```gather\nwhere open and @kofi\ngroup by week\nas table\n```');
  // From the menu of a list, and back to where it stands.
  await desk.main.getByRole('button', { name: 'How this list is shown' }).click();
  await page.getByRole('menuitem', { name: 'Change it by pointing' }).click();
  await desk.main.getByRole('button', { name: 'are open' }).click();
  await desk.main.getByRole('button', { name: 'the opposite' }).click();
  await desk.main.getByRole('button', { name: 'Put it back' }).click();
  await expect.poll(() => desk.stored('Agenda/With Kofi.md')).toContain('where not open and @kofi');
  // A page of several lists says what stands in none of them.
  await page.goto('/note/Agenda/With%20Kofi.md');
  await desk.main.getByRole('button', { name: 'Edit the page' }).click();
  await desk.write('\n```gather\nopen and #loans\n```\n');
  await desk.main.getByRole('button', { name: 'Show the lists' }).click();
  await desk.main.getByRole('button', { name: /open tasks stand in none of these lists/ }).click();
  await expect(desk.row(desk.main.getByRole('region', { name: 'In none of these lists' }), 'whether the mercury is sealed')).toBeVisible();
});

test(
  'dates, columns and the form are chosen by pointing; words are offered while the text is written; the list goes into a note and the rack',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.goto('/ask?q=open');
    await desk.main.getByRole('button', { name: '+ and' }).click();
    await page.keyboard.type('due today');
    await page.keyboard.press('Enter');
    const asked = desk.main.getByRole('group', { name: 'What is asked' });
    await asked.getByRole('button', { name: /^are due/ }).click();
    await desk.main.getByRole('button', { name: 'within' }).click();
    await desk.main.getByRole('button', { name: 'next 14 days' }).click();
    await expect.poll(() => gatherText(desk)).toBe('where open and due in next 14 days');
    await desk.main.getByLabel(/^Or typed/).fill('next 3 weeks');
    await expect.poll(() => gatherText(desk)).toBe('where open and due in next 3 weeks');
    await desk.main.getByLabel(/^Or typed/).fill('next blue moon');
    await expect(desk.main.getByText('This is no range of days yet.')).toBeVisible();
    await page.keyboard.press('Escape');
    await asked.getByRole('button', { name: 'Say more' }).click();
    await asked.getByRole('button', { name: 'showing what is usual' }).click();
    await desk.main.getByRole('button', { name: 'takes', exact: true }).click();
    await desk.main.getByRole('button', { name: 'owner', exact: true }).click();
    await expect.poll(() => gatherText(desk)).toBe('where open and due in next 3 weeks\ncolumns takes, owner');
    // Written by hand: what could stand there is offered, and what cannot is underlined.
    const text = desk.main.getByLabel('The same as text');
    await text.click();
    await page.keyboard.press('Control+End');
    await page.keyboard.press('Enter');
    await page.keyboard.type('as sp');
    await expect(page.getByRole('option', { name: 'spans' })).toBeVisible();
    await page.keyboard.press('Enter');
    await page.keyboard.type('x\norder by due');
    await expect(desk.main.locator('.cm-problem')).toHaveText('spansx');
    await page.keyboard.press('Home');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Backspace');
    await page.keyboard.type(' by not');
    await expect(page.getByRole('option', { name: 'note' })).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(desk.main.locator('.span-bar').first()).toBeVisible();
    await desk.main.getByRole('button', { name: 'Pin', exact: true }).click();
    await expect(desk.rack.getByRole('link', { name: /^Tasks that are open and are due from/ })).toBeVisible();
    await desk.main.getByRole('button', { name: 'Put into a note' }).click();
    const place = page.getByRole('dialog', { name: 'Put the list into a note' });
    await place.getByRole('combobox').fill('Intake');
    await page.keyboard.press('Enter');
    await expect.poll(() => desk.stored('Collections/Intake.md')).toContain('as spans by note');
    await expect(desk.main.locator('.span-bar').first()).toBeVisible();
    await expectAccessible(page, 'spans in a note', { part: 'main' });
  },
);

test(
  'spans: a bar and its end are moved by key and by the pointer, what must be closed first is a line, what lies far off is led to',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    // Enter goes on with the list.
    await desk.write(
      '\n\n- [ ] Span one {plan 2026-11-24; due 2026-11-26; ref aaaaaa}\nSpan two {plan 2026-11-27; due 2026-11-28; needs aaaaaa}\nSpan far {due 1890-05-01}',
    );
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('- [ ] Span far {due 1890-05-01}');
    await page.goto(`/ask?q=${encodeURIComponent('text has "Span"\nas spans by note')}`);
    const line = (words: string) => desk.main.locator('li[data-row]').filter({ hasText: words });
    await expect(line('Span one')).toBeVisible();
    const dates = async (words: string): Promise<string> =>
      /\{(.*)\}/.exec((await desk.stored('Journal/2026-11-23.md'))?.split('\n').find((one) => one.includes(words)) ?? '')?.[1] ?? '';
    await line('Span one').getByRole('checkbox').focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect.poll(() => dates('Span one')).toContain('plan 2026-11-25; due 2026-11-27');
    await expect(line('Span one')).toHaveAttribute('data-raw', /due 2026-11-27/);
    await page.keyboard.press('Control+Shift+ArrowRight');
    await expect.poll(() => dates('Span one')).toContain('plan 2026-11-25; due 2026-11-28');
    // Its beginning is dragged two days back, with the days stretched to fourteen.
    const bar = line('Span one').locator('.span-bar');
    await expect(bar).toBeVisible();
    const [box, width] = [await bar.boundingBox(), (await line('Span one').boundingBox())?.width ?? 0];
    if (!box) throw new Error('no bar');
    await page.mouse.move(box.x + 3, box.y + 10);
    await page.mouse.down();
    await page.mouse.move(box.x + 3 - (2 * width) / 14, box.y + 10, { steps: 4 });
    await page.mouse.up();
    await expect.poll(() => dates('Span one')).toContain('plan 2026-11-23; due 2026-11-28');
    await expect(desk.main.locator('svg circle')).toHaveCount(1);
    await desk.main.getByRole('button', { name: /^← Span far/ }).click();
    await expect(line('Span far').locator('.span-bar')).toBeVisible();
    await desk.main.getByRole('button', { name: 'All near today' }).click();
    await line('Span two').getByRole('checkbox').click();
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toMatch(/\[x\] Span two/);
  },
);

test(
  'lists are narrowed by pointing: wanted and left out by key; Why leads to the condition that keeps a task out; one key shows the stored text',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await desk.agenda('Today');
    const field = desk.main.getByRole('combobox', { name: 'Narrow by words or a condition' });
    await field.fill('#loa');
    await expect(desk.main.getByRole('option', { name: /^#loans/ })).toBeVisible();
    await expectAccessible(page, 'offers of the narrow field', { part: 'main' });
    await page.keyboard.press('Enter');
    await expect(desk.row(desk.main, 'Sign the glass-case')).toBeVisible();
    await expect(desk.row(desk.main, 'Return the borrowed barrow')).toBeHidden();
    await desk.main.getByRole('button', { name: '#loans', exact: true }).click();
    await expect(desk.row(desk.main, 'Sign the glass-case')).toBeHidden();
    await expect(desk.row(desk.main, 'Return the borrowed barrow')).toBeVisible();
    await field.fill('Allotm');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Shift+Enter');
    await expect(desk.row(desk.main, 'Return the borrowed barrow')).toBeHidden();
    await desk.main.getByRole('button', { name: 'No longer not [[Allotment]]' }).click();
    await expect(desk.row(desk.main, 'Return the borrowed barrow')).toBeVisible();
    await desk.main.getByRole('button', { name: 'Show all' }).click();
    // Why a task is missing, and from there to the condition in the list.
    await desk.main.getByRole('region', { name: 'Late' }).getByRole('button', { name: 'How this list is shown' }).click();
    await page.getByRole('menuitem', { name: 'Why is one here, or missing?' }).click();
    await desk.beside.getByLabel('Looking for one that is missing?').fill('Label drafts');
    const why = desk.beside.getByRole('region', { name: /^Why: Label drafts/ }).first();
    await expect(why.getByText(/^It is left out/)).toBeVisible();
    await why.getByRole('link', { name: 'the list' }).first().click();
    await expect(desk.main.getByRole('region', { name: 'What is changed' }).locator('strong')).toHaveText('are late');
    await expect(desk.main.getByRole('button', { name: 'Put it back' })).toBeVisible();
    await why.getByRole('button', { name: 'the task' }).first().click();
    await expect(page.getByRole('dialog', { name: 'Details' })).toBeVisible();
    await page.keyboard.press('Escape');
    // The text behind a page, and back.
    await desk.agenda('Today');
    await expect(desk.row(desk.main, 'Sign the glass-case')).toBeVisible();
    await page.keyboard.press('Alt+Shift+End');
    await expect(desk.text).toContainText('where late and not plan > today');
    await page.keyboard.press('Alt+Shift+End');
    await expect(desk.row(desk.main, 'Sign the glass-case')).toBeVisible();
    // A project among its like shows its open tasks by key, and one is ticked there.
    await desk.agenda('Projects');
    const project = desk.main.locator('[data-row]').filter({ hasText: 'Lanterns' }).first();
    await project.locator('.row-focus').focus();
    await page.keyboard.press('Alt+Shift+PageUp');
    const card = page.getByRole('group', { name: 'What the link leads to' });
    const first = card.locator('[data-row]').first();
    const words = (await first.getAttribute('data-raw'))?.replace(/^.*\[ \] /, '').slice(0, 12) ?? '';
    await first.getByRole('checkbox').click();
    const path = (await first.getAttribute('data-path')) ?? '';
    await expect.poll(() => desk.stored(path)).toContain(`[x] ${words}`);
  },
);

test(
  'bars and a curve: a bar that is pressed shows its tasks, the figures stand below, and all of it is saved',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.goto(`/ask?q=${encodeURIComponent('open\nas bars of count by tag')}`);
    const bar = desk.main.getByRole('button', { name: /^#loans: / });
    await bar.focus();
    const count = Number((await bar.getAttribute('aria-label'))?.split(': ')[1]);
    await page.keyboard.press('Enter');
    const tasks = desk.main.getByRole('region', { name: 'Tasks of the bar' });
    await expect(desk.row(tasks, 'Sign the glass-case')).toBeVisible();
    await desk.row(tasks, 'Sign the glass-case').getByRole('checkbox').click();
    await expect(desk.main.getByRole('button', { name: `#loans: ${count - 1}` })).toBeVisible();
    await expectAccessible(page, 'bars', { part: 'main' });
    await desk.main.getByText('The figures').click();
    await expect(desk.main.getByRole('row', { name: `#loans ${count - 1}` })).toBeVisible();
    for (const kind of ['CSV', 'SVG', 'PNG']) {
      const coming = page.waitForEvent('download');
      await desk.main.getByRole('button', { name: `Save as ${kind}` }).click();
      expect((await coming).suggestedFilename()).toMatch(new RegExp(`\\.${kind.toLowerCase()}$`));
    }
    await desk.main.getByLabel('The same as text').fill('as curve of open by week');
    await expect(desk.main.getByRole('img', { name: /^open over time; at the end \d+$/ })).toBeVisible();
    await desk.main.getByLabel('The same as text').fill('"no such words"\nas bars of takes by day');
    await expect(desk.main.getByText('There is nothing to measure yet')).toBeVisible();
  },
);
