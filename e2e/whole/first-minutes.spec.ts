import { readFileSync } from 'node:fs';
import { expect, test } from '../desk';

const TODAY = 'Journal/2026-11-23.md';

test('the five minutes of the README, word by word', async ({ desk, page }) => {
  const readme = readFileSync('README.md', 'utf8');
  const said = (words: string): string => {
    expect(readme).toContain(words);
    return words;
  };
  await desk.open('empty');
  await desk.write(said('- [ ] Ring Lars about the crate'));
  await page.keyboard.press('Enter');
  await page.keyboard.type(said('Read the loan papers #loans {due fri}'));
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored(TODAY)).toContain('- [ ] Read the loan papers #loans {due 2026-11-27}');
  await page.keyboard.press('F10');
  await expect(page.getByRole('dialog').getByRole('textbox').first()).toBeFocused();
  await page.keyboard.type(said('order glass tomorrow high'));
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored(TODAY)).toMatch(/order glass \{plan 2026-11-24; high; made 2026-11-23 09:20\}/);
  await desk.agenda('Today');
  await desk.row(desk.main, 'Ring Lars').getByRole('checkbox').click();
  await expect.poll(() => desk.stored(TODAY)).toContain('[x] Ring Lars');
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(TODAY)).toContain('[ ] Ring Lars');
  const [, gather = ''] = /```gather\n([\s\S]*?)```/.exec(readme) ?? [];
  await desk.rack.getByRole('button', { name: 'New note' }).click();
  await page.getByLabel('Title', { exact: true }).fill('Loans');
  await page.keyboard.press('Enter');
  await expect(desk.text).toBeFocused();
  await page.keyboard.insertText(`\`\`\`gather\n${gather.replace(/^ {3}/gm, '')}\`\`\`\n\n`);
  await expect(desk.main.getByRole('listitem').filter({ hasText: 'Read the loan papers' }).first()).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Ask by pointing');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/ask/);
});

test('the ten things of the demo’s page are there to be done', { tag: '@long' }, async ({ desk, page }) => {
  test.slow();
  const TEN = 'Ten things to try.md';
  await desk.open('demo');
  // The page of today leads there.
  await desk.text.getByText('Ten things to try').click({ modifiers: ['Control'] });
  await expect(page).toHaveURL(/Ten%20things%20to%20try/);
  const toFoot = async (): Promise<void> => {
    await desk.text.focus();
    await page.keyboard.press('Control+End');
  };
  await toFoot();
  await expect(desk.main.getByText('In the coming weeks')).toBeVisible();
  const ten = (await desk.stored(TEN)) ?? '';
  expect(ten.match(/^\d+\. \*\*/gm)).toHaveLength(10);

  // 1
  await page.keyboard.press('F4');
  const rider = 'Sign the glass-case insurance rider';
  await desk.row(desk.main, rider).getByRole('checkbox').first().click();
  await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toContain(`- [x] ${rider}`);
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toContain(`- [ ] ${rider}`);
  // 2
  await page.keyboard.press('F10');
  await expect(page.getByRole('dialog').getByRole('textbox').first()).toBeFocused();
  await page.keyboard.type('call @lars about crate height tomorrow 15:00 high');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored(TODAY)).toContain('call @lars about crate height {plan 2026-11-24 15:00; high');
  // 3
  await page.keyboard.press('Control+Shift+F2');
  await expect(page).toHaveURL(/\/day\/2026-11-23/);
  await expect(desk.main.getByRole('region', { name: 'Could be in the day' })).toBeVisible();
  // 4
  await page.keyboard.press('F4');
  await desk
    .row(desk.main, rider)
    .getByRole('button', { name: /Actions for/ })
    .first()
    .click();
  await page.getByRole('menuitem', { name: 'Why it stands here' }).click();
  await expect(desk.beside.getByText('It is in, because every condition holds.')).toBeVisible();
  // 5 and 6
  await page.goto(`/note/${encodeURIComponent(TEN)}`);
  await toFoot();
  const list = desk.main;
  await expect(list.getByRole('listitem').first()).toBeVisible();
  await list.getByRole('button', { name: 'Edit' }).click();
  await expect(desk.text).toContainText('group by week');
  await page.keyboard.press('Escape');
  await page.goto(`/note/${encodeURIComponent(TEN)}`);
  await toFoot();
  await list.getByRole('button', { name: 'How this list is shown' }).click();
  await page.getByRole('menuitem', { name: 'Show as' }).click();
  await page.getByRole('menuitemradio', { name: /board.*status/i }).click();
  await expect(list.getByText('Shown otherwise for now.')).toBeVisible();
  // 7 to 10: what is named is there, under the titles that are said.
  for (const [, title = ''] of ten.matchAll(/\[\[([^\]]+)\]\]/g)) {
    await page.keyboard.press('Control+k');
    await page.keyboard.type(title);
    await expect(page.getByRole('option', { name: new RegExp(title.replace(/\W/g, '.')) }).first()).toBeVisible();
    await page.keyboard.press('Escape');
  }
  await page.goto('/note/Meetings/Registrar meeting.md');
  await expect(desk.main.getByRole('button', { name: 'Next one' })).toBeVisible();
  for (const [note, entry] of [
    ['Rounds/Gallery opening checklist.md', 'Lend…'],
    ['Private/Swimming.md', 'Seal…'],
  ]) {
    await page.goto(`/note/${encodeURIComponent(note ?? '')}`);
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    await expect(page.getByRole('menuitem', { name: entry ?? '' })).toBeVisible();
    await page.keyboard.press('Escape');
  }
  await page.keyboard.press('Alt+Shift+F2');
  await expect(page.getByRole('dialog').getByRole('button', { name: 'Week in review' })).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Shift+F1');
  await expect(desk.main.getByText('Help', { exact: true })).toBeVisible();
});
