import { expect, test } from '../desk';

const TODAY = 'Journal/2026-11-23.md';

test('a slip by key from inside a note: it is read, stored under Log, and the cursor is where it was', async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('/note/Exhibitions/Salt%20on%20the%20Glass.md');
  await desk.text.getByText('Agree the crate sizes with').click();
  await page.keyboard.press('End');
  await page.keyboard.press('F10');
  const words = page.getByRole('textbox', { name: 'Words of the slip' });
  await expect(words).toBeFocused();
  await page.keyboard.type('Ring @lars about the crate height tomorrow 15:00 high 20m');
  const sentence = page.getByRole('dialog').getByRole('status');
  await expect(sentence).toContainText('Plan tomorrow 15:00, high, takes 20m. Lands on today’s page › Log');
  await expect(sentence).toContainText('Stands in Ahead until tomorrow');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(desk.text).toBeFocused();
  await page.keyboard.type('!');
  await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toContain('with @teo ! {due 2026-11-30');
  await expect
    .poll(() => desk.stored(TODAY))
    .toContain('## Log\n\n- [ ] Ring @lars about the crate height {plan 2026-11-24 15:00; high; takes 20m; made 2026-11-23 09:20}\n');
  // Five in a row; the message takes back just its own.
  for (const one of ['one', 'two', 'three', 'four', 'five']) {
    await page.keyboard.press('F10');
    await page.keyboard.type(`${one} crate`);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await expect.poll(async () => (await desk.stored(TODAY))?.match(/crate \{made/g)?.length).toBe(5);
  await expect(page.getByText('On today’s page › Log: five crate.')).toBeVisible();
});

test(
  'a part is left as words; a past day is asked about; what is left unstored is there again',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    await page.keyboard.press('F10');
    await page.keyboard.type('Read the log fri high');
    const dialog = page.getByRole('dialog', { name: 'A slip' });
    await dialog.getByRole('button', { name: 'Fri 27', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Leave “fri” as words' }).click();
    await expect(dialog.getByRole('status').first()).toContainText('Read the log fri. High. Lands on');
    await page.keyboard.press('Escape');
    await expect(dialog).toBeHidden();
    await page.keyboard.press('F10');
    const words = page.getByRole('textbox', { name: 'Words of the slip' });
    await expect(words).toHaveValue('Read the log fri high');
    await page.keyboard.type('Write to the mill yesterday');
    await page.keyboard.press('Enter');
    await expect(dialog.getByRole('alert')).toContainText('its plan day is past', { ignoreCase: true });
    await page.keyboard.press('Enter');
    await expect(dialog).toBeHidden();
    // A page that did not exist is made.
    await expect.poll(() => desk.stored(TODAY)).toBe('## Log\n\n- [ ] Write to the mill {plan 2026-11-22; made 2026-11-23 09:20}\n');
  },
);

test(
  'the whole slip by Tab alone; Enter stores from any field, and a field that cannot be read is named',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.keyboard.press('F10');
    await page.keyboard.type('Pack the tide clock');
    await expect(page.getByRole('textbox', { name: 'Words of the slip' })).toHaveValue('Pack the tide clock');
    const labels: string[] = [];
    const values = ['Loans#Open', 'fri', 'tomorrow', '', 'top', 'under way', '1h', 'kofi', 'packing', '@ilse', ''];
    for (const value of values) {
      await page.keyboard.press('Tab');
      labels.push(await page.evaluate(() => document.activeElement?.closest('label')?.querySelector('.section-label')?.textContent ?? ''));
      await page.keyboard.type(value);
    }
    expect(labels).toEqual(['Where to', 'Due', 'Plan', 'Start', 'Priority', 'Status', 'Takes', 'Owner', 'Tags', 'People', 'Every']);
    await page.keyboard.type('soonish');
    await page.keyboard.press('Enter');
    await expect(page.getByText('“soonish” cannot be read.')).toBeVisible();
    await page.getByLabel('Every').fill('');
    await page.getByLabel('Where to').fill('Tide clock#Packing');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toBeHidden();
    await expect
      .poll(() => desk.stored('Collections/Tide clock.md'))
      .toContain(
        '## Packing\n\n- [_] Pack the tide clock #packing @ilse {due 2026-11-27; plan 2026-11-24; top; takes 1h; owner @kofi; since 2026-11-23 09:20; made 2026-11-23 09:20}',
      );
  },
);

test('slips of one’s own have their keys: something to raise with a person, a line of the day, a project from pasted lines', async ({
  desk,
  page,
}) => {
  await desk.open('demo');
  await expect(page.getByText(/lines indexed/)).toBeAttached();
  const words = page.getByRole('textbox', { name: 'Words of the slip' });
  // Its key is known as soon as its note is read.
  await expect(async () => {
    await page.keyboard.press('Control+Shift+F10');
    await expect(page.getByLabel('With whom')).toBeVisible({ timeout: 1000 });
  }).toPass();
  await words.fill('Second signature');
  await page.getByLabel('With whom').fill('kofi');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored('People/Kofi.md')).toContain('## To raise\n\n- [ ] Second signature #raise {made 2026-11-23 09:20}');
  await page.keyboard.press('Control+F8');
  await expect(page.getByRole('button', { name: 'Kind of slip: Line of the day' })).toBeVisible();
  await words.fill('Lars rang');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored(TODAY)).toContain('## Log\n\n- Lars rang, 09:20\n');
  await page.keyboard.press('F10');
  await words.fill('Move the store\n  pack the glass fri\n  carry it down');
  await page.getByLabel('A project note').check();
  await page.getByLabel('What is true when it is done').fill('All dry');
  await page.getByLabel('By when').fill('18 dec');
  await page.keyboard.press('Enter');
  await expect
    .poll(() => desk.stored('Projects/Move the store.md'))
    .toContain('kind: project\noutcome: "All dry"\ndue: "2026-12-18"\nstate: active\n---\n');
  expect(await desk.stored('Projects/Move the store.md')).toContain('- [ ] pack the glass {plan 2026-11-27; made');
  // An address opens the same field, filled in; nothing is stored unseen.
  await page.goto('/slip?text=Buy%20lamp%20oil%20sat%2011:00&slip=Idea%20for%20later');
  await expect(words).toHaveValue('Buy lamp oil sat 11:00');
  await expect(page.getByRole('button', { name: 'Kind of slip: Idea for later' })).toBeVisible();
  expect(await desk.stored(TODAY)).not.toContain('lamp oil');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored(TODAY)).toContain('- [ ] Buy lamp oil #not-now {plan 2026-11-28 11:00; made');
});

test('three days away: the page of the day begins from its template, what was left is carried forward by keyboard, and Undo takes it all back', async ({
  desk,
  page,
}) => {
  await desk.open('demo');
  // The browser was closed meanwhile.
  await page.goto('about:blank');
  await page.clock.setFixedTime(new Date('2026-11-26T08:30:00'));
  await page.goto('/');
  await expect(page).toHaveURL(/\/day\/2026-11-26/);
  await expect.poll(() => desk.stored('Journal/2026-11-26.md')).toContain('## Routine\n\n- [ ] Read the barometers');
  await expect(page.getByText(/tasks left from earlier days\./)).toBeVisible();
  await page.keyboard.press('Shift+F4');
  const dialog = page.getByRole('dialog', { name: 'Left from earlier days' });
  const row = (words: string) => dialog.getByRole('radiogroup', { name: words });
  await expect(dialog.getByRole('radiogroup').first()).toBeFocused();
  await row('Take the spare key back to the boat shed').focus();
  await page.keyboard.press('1');
  await row('Answer the school-visit request').focus();
  await page.keyboard.press('5');
  await row('Ask @bea about the tasting').focus();
  await page.keyboard.press('4');
  await dialog.getByLabel('Why cancelled').fill('She decided alone');
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  const before = '- [ ] Take the spare key back to the boat shed\n- [ ] Ask @bea about the tasting';
  await expect
    .poll(() => desk.stored(TODAY))
    .toContain(
      '- [ ] Take the spare key back to the boat shed {plan 2026-11-26; pushed 2026-11-23}\n- [-] Ask @bea about the tasting {cancelled 2026-11-26 08:30}\n  - She decided alone',
    );
  // What was left alone is not offered again.
  await page.keyboard.press('Shift+F4');
  await expect(row('Answer the school-visit request')).toBeHidden();
  await expect(dialog).toContainText('1 was left alone before');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect.poll(() => desk.stored(TODAY)).toContain(before);
});

test('the month, the scroll of days, and a note by key whose first line becomes its title', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await page.getByRole('button', { name: 'Mon 23 Nov' }).click();
  await page.getByRole('button', { name: /^Friday 20 Nov 2026, has a page, \d of \d kept/ }).click();
  await expect(page).toHaveURL(/\/day\/2026-11-20/);
  await page.keyboard.press('Shift+F2');
  await expect(page).toHaveURL(/\/day\/2026-11-21/);
  await page.getByRole('link', { name: 'All days' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'All days' })).toBeVisible();
  const monday = page.getByRole('region', { name: 'Monday 23 Nov 2026' });
  await monday.getByRole('checkbox', { name: /Take the spare key back/ }).click();
  await expect.poll(() => desk.stored(TODAY)).toContain('- [x] Take the spare key back to the boat shed {done 2026-11-23 09:20}');
  await monday.getByText('Fog until ten').click();
  await expect(desk.text).toBeFocused();
  await page.keyboard.press('Control+Home');
  await page.keyboard.type('Cold. ');
  await expect.poll(() => desk.stored(TODAY)).toContain('Cold. Fog until ten');
  await page.keyboard.press('Control+F6');
  await expect(page.getByText('The first line becomes the title.')).toBeVisible();
  await expect(desk.text).toBeFocused();
  await page.keyboard.type('Lamp oil\nwhich is dear');
  await page.keyboard.press('F4');
  await expect.poll(() => desk.stored('Lamp oil.md')).toBe('which is dear');
  // Selected words of a line become a linked note, and Back returns.
  await page.goto('/note/Lamp%20oil.md');
  await desk.text.click();
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Shift+Control+ArrowLeft');
  await page.keyboard.press('Control+Shift+F6');
  await expect(page).toHaveURL(/note\/dear/);
  await page.goBack();
  await expect(desk.text).toContainText('which is [[dear]]');
  expect(await desk.stored('Lamp oil.md')).toBe('which is [[dear]]');
});
