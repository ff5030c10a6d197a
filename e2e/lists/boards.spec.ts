import { expectAccessible } from '../axe';
import { type Desk, expect, test } from '../desk';

const column = (desk: Desk, name: string) => desk.main.getByRole('region', { name, exact: true });
const card = (desk: Desk, name: string, words: string) => desk.row(column(desk, name), words);

test('a board by status: a card goes by key and by pointer, its tick and the drop among the finished are one deed, and columns are named in the text', async ({
  desk,
  page,
}) => {
  await desk.open('empty');
  await page.goto('/day/2026-11-23');
  await desk.write('- [ ] Paint the plinth #build\nOrder the glass #build {due 2026-11-27}\nHear from the joiner #build\n\n');
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('joiner');
  await desk.agenda('Board');
  await expect(column(desk, 'To do')).toContainText('a drop here opens it again');
  // By key to the next column, and the focus goes with it.
  await card(desk, 'To do', 'Paint the plinth').getByRole('checkbox').focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(card(desk, 'Under way', 'Paint the plinth').getByRole('checkbox')).toBeFocused();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('- [_] Paint the plinth #build {since 2026-11-23 09:20}');
  await card(desk, 'To do', 'Hear from the joiner').dragTo(column(desk, 'Waiting').getByRole('heading'));
  await expect(card(desk, 'Waiting', 'Hear from the joiner')).toBeVisible();
  await card(desk, 'Under way', 'Paint the plinth').getByRole('checkbox').focus();
  await page.keyboard.press('ArrowRight');
  await expect(card(desk, 'Waiting', 'Hear from the joiner').getByRole('checkbox')).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  // Its tick moves it at once; dragged out it is open again.
  await card(desk, 'Under way', 'Paint the plinth').getByRole('checkbox').click();
  await expect(card(desk, 'Finished', 'Paint the plinth')).toBeVisible();
  await expect(column(desk, 'Under way').getByText('Paint the plinth')).toBeHidden();
  await card(desk, 'Finished', 'Paint the plinth').dragTo(column(desk, 'To do').getByRole('heading'));
  await expect(card(desk, 'To do', 'Paint the plinth')).toBeVisible();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toMatch(/- \[ \] Paint the plinth #build\n/);
  await card(desk, 'To do', 'Order the glass').dragTo(column(desk, 'Finished').getByRole('heading'));
  await expect
    .poll(() => desk.stored('Journal/2026-11-23.md'))
    .toContain('- [x] Order the glass #build {due 2026-11-27; done 2026-11-23 09:20}');
  // A card is written into a column, and gets what it demands.
  await column(desk, 'Waiting').getByRole('button', { name: 'Write a card' }).click();
  await page.keyboard.type('Answer of the lender');
  await page.keyboard.press('Enter');
  await expect(card(desk, 'Waiting', 'Answer of the lender')).toBeVisible();
  // Another order of the columns stands in the text.
  await page.getByRole('button', { name: 'Actions for the column Waiting' }).click();
  await page.getByRole('menuitem', { name: 'A place to the left' }).click();
  await expect.poll(() => desk.stored('Agenda/Board.md')).toContain('as board by status (todo, waiting, underway)');
  await page.getByRole('button', { name: 'Actions for the column Under way' }).click();
  await page.getByRole('menuitem', { name: 'Fold it' }).click();
  await expect(column(desk, 'Under way').getByRole('button', { name: 'Write a card' })).toBeHidden();
  // What is finished is archived, once it was said how many it is.
  await column(desk, 'Finished').getByRole('button', { name: 'Archive 1…' }).click();
  await expect(page.getByRole('dialog', { name: 'Archive' }).getByText('One finished item from 1 note goes')).toBeVisible();
  await page.getByRole('button', { name: 'Archive it' }).click();
  await expect(column(desk, 'Finished').getByText('Order the glass')).toBeHidden();
  await expect.poll(() => desk.stored('Archive/2026.md')).toContain('Order the glass');
  await page.keyboard.press('Control+z');
  await expect(card(desk, 'Finished', 'Order the glass')).toBeVisible();
});

test(
  'a note as a board of its headings: lines move with what is under them, a new column is a new heading, and the text shows the same',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('empty');
    await page.goto('/day/2026-11-23');
    await desk.write('## Ideas\n- [ ] Fog horn\nLamp\n\n## Built\n- [ ] Stand\n\n## Finished\n- [x] Plan {done 2026-11-20}\n\n');
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('Plan');
    await page.goto('/note/Journal/2026-11-23.md?view=by-heading');
    await card(desk, 'Ideas', 'Lamp').getByRole('checkbox').focus();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toMatch(/## Ideas\n- \[ \] Lamp\n- \[ \] Fog horn\n/);
    await card(desk, 'Ideas', 'Lamp').dragTo(card(desk, 'Built', 'Stand'), { targetPosition: { x: 40, y: 4 } });
    await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toMatch(/## Built\n- \[ \] Lamp\n- \[ \] Stand\n/);
    await expect(card(desk, 'Built', 'Lamp')).toBeVisible();
    // Its tick takes the line to the heading for finished lines.
    await card(desk, 'Built', 'Stand').getByRole('checkbox').click();
    await expect(card(desk, 'Finished', 'Stand')).toBeVisible();
    await expect.poll(async () => (await desk.stored('Journal/2026-11-23.md'))?.split('## Finished')[1]).toContain('- [x] Stand');
    await page.getByLabel('Another column: a new heading').fill('Lent');
    await page.keyboard.press('Enter');
    await expect(column(desk, 'Lent')).toBeVisible();
    await page.getByLabel('Another column: a new heading').fill('lent');
    await page.keyboard.press('Enter');
    await expect(page.getByText('There is a column “lent” already.')).toBeVisible();
    await column(desk, 'Lent').getByRole('button', { name: 'Write a card' }).click();
    await page.keyboard.type('Sextant');
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await desk.stored('Journal/2026-11-23.md'))?.split('## Lent')[1]).toContain('- [ ] Sextant');
    await page.keyboard.press('Escape');
    // By key to its list, and to its text.
    await page.keyboard.press('Alt+Shift+Home');
    await expect(desk.text).toContainText('Sextant');
    await page.keyboard.press('Alt+Shift+Home');
    await expect(desk.main.getByRole('region', { name: 'Open' })).toContainText('Sextant');
    await page.getByRole('link', { name: 'By status' }).click();
    await expect(card(desk, 'Finished', 'Stand')).toBeVisible();
  },
);

test('a board of projects by state: a project is moved, and its front matter says so', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await desk.agenda('Projects');
  await desk.row(column(desk, 'Active'), 'Storage move').getByRole('link').first().focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(desk.row(column(desk, 'Later'), 'Storage move')).toBeVisible();
  await expect.poll(() => desk.stored('Projects/Storage move.md')).toContain('state: later');
});

test(
  'a month: what is due and planned is dragged and moved by key to other days, written on a day, and what does not fit is opened',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    // All of the month in sight: a page that scrolls under a pressed pointer drags nothing.
    await page.setViewportSize({ width: 1500, height: 1500 });
    await desk.agenda('Month');
    const cell = (title: string) => desk.main.getByRole('group', { name: title, exact: true });
    await expect(cell('Wednesday 25 Nov 2026')).toContainText('One afternoon');
    await expectAccessible(page, 'a month', { part: 'main' });
    await desk.row(cell('Friday 27 Nov 2026'), 'Draw the br').dragTo(cell('Sunday 29 Nov 2026'));
    await expect(desk.row(cell('Sunday 29 Nov 2026'), 'Draw the bracket')).toBeVisible();
    await expect.poll(() => desk.stored('Collections/Barometers.md')).toContain('plan 2026-11-29 10:00');
    await desk.row(cell('Sunday 29 Nov 2026'), 'Draw the bracket').getByRole('checkbox').focus();
    await page.keyboard.press('Shift+ArrowLeft');
    await expect(desk.row(cell('Saturday 28 Nov 2026'), 'Draw the bracket').getByRole('checkbox')).toBeFocused();
    // A due day moves as such.
    await desk.row(cell('Tuesday 24 Nov 2026'), 'Guest list').dragTo(cell('Sunday 29 Nov 2026'));
    await expect(desk.row(cell('Sunday 29 Nov 2026'), 'Guest list')).toContainText('due');
    await cell('Sunday 22 Nov 2026').hover();
    await cell('Sunday 29 Nov 2026').getByRole('button', { name: 'Write on Sunday 29 Nov 2026' }).click();
    await page.keyboard.type('Walk to the lighthouse');
    await page.keyboard.press('Enter');
    await expect(desk.row(cell('Sunday 29 Nov 2026'), 'Walk to the light')).toBeVisible();
    await page.keyboard.press('Escape');
    await cell('Thursday 26 Nov 2026').getByRole('button', { name: '2 more' }).click();
    await expect(cell('Thursday 26 Nov 2026').getByRole('listitem')).toHaveCount(6);
    await page.getByRole('button', { name: 'The month after' }).click();
    await expect(cell('Friday 11 Dec 2026')).toContainText('Book the brass');
  },
);
