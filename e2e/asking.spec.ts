import { expectAccessible } from './axe';
import { expect, test } from './desk';

test('the help is one key away, is searched, and all its examples can be asked', async ({ desk, page }) => {
  await desk.open('demo');
  await page.keyboard.press('Shift+F1');
  await expect(desk.main.getByRole('heading', { level: 1 })).toHaveText('What a note can say');
  await desk.main.getByLabel('Search the help').fill('moore');
  await desk.main.getByRole('list', { name: 'Found in the help' }).getByRole('link').first().click();
  await expect(desk.main.getByRole('region', { name: 'The day turned to its plan' })).toBeInViewport();
  await expectAccessible(page, 'the help', { part: 'main' });
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
  await expect(desk.main.getByText('105 found')).toBeVisible();
  await desk.main.getByRole('button', { name: '+ and' }).click();
  await page.keyboard.type('kofi');
  await page.keyboard.press('Enter');
  await expect(desk.main.getByText('8 found')).toBeVisible();
  await desk.main.getByRole('button', { name: 'not in groups' }).click();
  await desk.main.getByRole('button', { name: 'week', exact: true }).click();
  await desk.main.getByRole('group', { name: 'What is asked' }).getByRole('button', { name: 'list' }).click();
  await desk.main.getByRole('button', { name: 'table', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(desk.main.getByLabel('The same as text')).toHaveValue('where open and @kofi\ngroup by week\nas table');
  await expectAccessible(page, 'asking by pointing', { part: 'main' });
  // A part is turned round, given another choice, and taken out.
  await desk.main.getByRole('button', { name: 'are with @kofi' }).click();
  await desk.main.getByRole('button', { name: 'or…' }).click();
  await page.getByPlaceholder(/Type a tag/).fill('#loans');
  await page.keyboard.press('Enter');
  await expect(desk.main.getByLabel('The same as text')).toHaveValue('where open and (@kofi or #loans)\ngroup by week\nas table');
  await desk.main.getByRole('button', { name: 'bear or inherit #loans' }).click();
  await desk.main.getByRole('button', { name: 'take out' }).click();
  // It is still there when one comes back from elsewhere.
  await desk.agenda('Today');
  await page.goBack();
  await expect(desk.main.getByLabel('The same as text')).toHaveValue('where open and @kofi\ngroup by week\nas table');
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

test('bars and a curve: a bar that is pressed shows its tasks, the figures stand below, and all of it is saved', async ({ desk, page }) => {
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
});
