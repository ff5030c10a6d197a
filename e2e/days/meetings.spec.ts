import { expectAccessible } from '../axe';
import { expect, test } from '../desk';

test('a meeting by keyboard: its sentence, lines marked while one writes, the digest, and the next of its series', async ({
  desk,
  page,
}) => {
  await desk.open('demo');
  await page.goto('/note/Meetings/Registrar%20meeting.md');
  const head = desk.main.getByRole('region', { name: 'The meeting' });
  await expect(head).toContainText(
    'A weekly round on Mon 16 Nov, no time, with @kofi, @teo, about Salt on the Glass. The 3rd of Registrar meetings',
  );
  // A part is pressed and typed into.
  await head.getByRole('button', { name: 'no time' }).click();
  await page.keyboard.type('half nine');
  await expect(head.getByText('This is no time yet')).toBeVisible();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('11:30-12:15');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored('Meetings/Registrar meeting.md')).toMatch(/start: "11:30"\nend: "12:15"/);
  await expect(head.getByRole('button', { name: '11:30–12:15' })).toBeVisible();
  // Somebody who is not known yet gets a page.
  await head.getByRole('button', { name: '@kofi, @teo' }).click();
  await page.keyboard.type('oona');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored('People/oona.md')).toContain('handle: oona');
  await page.keyboard.press('Escape');
  // In the flow: a key point, a task of who is named, a question.
  await desk.write('\nThe hinges are oiled');
  await page.keyboard.press('Control+Shift+F1');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Ask the carpenter @teo');
  await page.keyboard.press('Control+Alt+Enter');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Who signs when Bea is away?');
  await page.keyboard.press('Control+Shift+F3');
  const text = (): Promise<string | null> => desk.stored('Meetings/Registrar meeting.md');
  await expect.poll(text).toContain('- The hinges are oiled {key}');
  await expect.poll(text).toMatch(/- \[ \] Ask the carpenter @teo \{owner @teo[^}]*\}/);
  await expect.poll(text).toMatch(/- \[ \] Who signs when Bea is away\? \{question[^}]*\}/);
  await expect(head.getByRole('button', { name: '1 question' })).toBeVisible();
  await head.getByRole('button', { name: '2 key points' }).click();
  await expect(desk.row(head, 'The hinges are oiled')).toBeVisible();
  // The digest, changed by hand, and renewed.
  await head.getByRole('button', { name: 'Digest' }).click();
  await expect
    .poll(text)
    .toMatch(
      /## Digest\n\n- Weekly round, Monday 16 Nov 2026, 11:30–12:15, with Kofi, Teo, Oona, about Salt on the Glass\.\n- Key points\n/,
    );
  await expect.poll(text).toContain('  - Ask the carpenter @teo (Teo)\n');
  await desk.write('\nThanks to all');
  await expect.poll(text).toContain('Thanks to all');
  await head.getByRole('button', { name: /^\d to do/ }).click();
  await desk.row(head, 'Ask the carpenter').getByRole('checkbox').click();
  await expect.poll(text).toMatch(/\[x\] Ask the carpenter/);
  await head.getByRole('button', { name: 'Digest' }).click();
  await expect.poll(text).toMatch(/ {2}- Ask the carpenter @teo \(Teo, done Monday 23 Nov 2026\)/);
  expect(await text()).toContain('Thanks to all');
  // The next one, on the day of the rule; two lines are taken along.
  await head.getByRole('button', { name: 'Next one' }).click();
  await expect(page).toHaveURL(/2026-11-23%20Registrar%20meeting/);
  await expect(head).toContainText('The 4th of Registrar meetings');
  await head.getByRole('button', { name: /left from last time/ }).click();
  const left = head.getByRole('region', { name: 'Left from last time' });
  await desk.row(left, 'crate keys').getByRole('checkbox').focus();
  await page.keyboard.press('Control+Space');
  await desk.row(left, 'Second signature').getByRole('checkbox').focus();
  await page.keyboard.press('Control+Space');
  await head.getByRole('button', { name: 'Take 2 selected along' }).click();
  const next = (): Promise<string | null> => desk.stored('Meetings/2026-11-23 Registrar meeting.md');
  await expect.poll(next).toContain('Agree who holds the crate keys');
  await expect.poll(next).toContain('Second signature on the transit list');
  await expect.poll(text).not.toContain('] Agree who holds the crate keys');
  // All of the series, and what stands on the page of a person.
  await head.getByRole('link', { name: 'All 4' }).click();
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Registrar meetings' })).toBeVisible();
  await expect(desk.row(desk.main.getByRole('region', { name: 'Key points' }), 'The hinges are oiled')).toBeVisible();
  await page.goto('/person/teo');
  await expect(desk.row(desk.main, 'The hinges are oiled')).toBeVisible();
});

test(
  'a meeting begins on the page of a person, its title follows its form; a point is raised in it; an appointment becomes one',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.goto('/person/kofi');
    await expect(desk.main.getByRole('heading', { level: 1 }).or(desk.main.getByLabel('Title of the note')).first()).toBeVisible();
    await page.keyboard.press('Control+Shift+F11');
    const head = desk.main.getByRole('region', { name: 'The meeting' });
    await expect(head).toContainText('A meeting today, no time, with @kofi, about nothing yet. in no series');
    await head.getByRole('button', { name: 'meeting', exact: true }).click();
    await page.keyboard.type('call');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Title of the note')).toHaveValue('Call with Kofi');
    await expect(page).toHaveURL(/2026-11-23%20Call%20with%20Kofi/);
    // What is to be raised with who is there is offered, and ticked there.
    await head.getByRole('button', { name: /to raise$/ }).click();
    const point = desk.row(head, 'Second signature on the transit list');
    await point.getByRole('checkbox').click();
    await expect.poll(() => desk.stored('Meetings/Director, monthly.md')).toContain('[x] Second signature');
    await page.keyboard.press('Control+Shift+F2');
    await page.goto('/day/2026-11-23');
    await desk.write('\n\n- 16:00-16:30 Tea with @teo about [[Salt on the Glass]]');
    const day = (): Promise<string | null> => desk.stored('Journal/2026-11-23.md');
    await expect.poll(day).toContain('Tea with @teo');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('make a meeting of the app');
    await page.keyboard.press('Enter');
    const file = '2026-11-23 Tea with teo about Salt on the Glass';
    await expect
      .poll(() => desk.stored(`Meetings/${file}.md`))
      .toMatch(/date: 2026-11-23\nstart: "16:00"\nend: "16:30"\npeople: \[teo\]\nabout: \["\[\[Salt on the Glass\]\]"\]/);
    await expect.poll(day).toContain(`- 16:00-16:30 [[${file}|Tea with teo about Salt on the Glass]]`);
    // A line is put on what is to be raised.
    await desk.write('\nHinges are oiled, tell @teo');
    await page.keyboard.press('Control+Shift+F4');
    await expect.poll(day).toMatch(/- \[ \] Hinges are oiled, tell @teo #raise/);
    await page.goto('/person/teo');
    await expect(desk.row(desk.main.getByRole('region', { name: 'To raise' }), 'Hinges are oiled')).toBeVisible();
  },
);

test(
  'a visit begins from its own template; rows are raised with somebody; everybody stands in one table, meetings as their digests',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.goto('/note/Projects/Storage%20move.md');
    await expect(page.getByLabel('Title of the note')).toHaveValue('Storage move');
    await page.keyboard.press('Control+Shift+F11');
    const head = desk.main.getByRole('region', { name: 'The meeting' });
    await expect(head).toContainText('about Storage move. in no series.');
    // Another form brings what its template has.
    await head.getByRole('button', { name: 'meeting', exact: true }).click();
    await page.keyboard.type('visit');
    await page.keyboard.press('Enter');
    const visit = (): Promise<string | null> => desk.stored('Meetings/2026-11-23 Visit.md');
    await expect.poll(visit).toContain('- [ ] What must not be touched? {question');
    await expect(desk.text).toContainText('What is to be seen');
    // A key of one's own is a part of the sentence, and can be asked for.
    await head.getByRole('button', { name: 'not said' }).click();
    await page.keyboard.type('north hall');
    await page.keyboard.press('Enter');
    await expect.poll(visit).toContain('room: north hall');
    await page.goto(`/ask?q=${encodeURIComponent('from meetings\nwhere room = "north hall"\ncolumns digest')}`);
    await expect(desk.row(desk.main, 'Visit').getByRole('list', { name: 'Digest' })).toContainText(
      'Visit, Monday 23 Nov 2026, about Storage move.',
    );
    // Everybody, in the order that one likes.
    await desk.agenda('People');
    const people = desk.main.getByRole('region', { name: 'All people' });
    await expect(people.getByRole('row', { name: /Kofi/ })).toContainText('Tue 17');
    await people.getByRole('button', { name: 'Person' }).click();
    await expect(people.getByRole('row').nth(1)).toContainText('Bea');
    await expectAccessible(page, 'all people', { part: 'main' });
    // A row whose task names somebody is raised with them; for another it is asked with whom.
    await desk
      .row(desk.main.getByRole('region', { name: 'Among others' }), 'Second signature')
      .first()
      .getByRole('checkbox')
      .focus();
    await page.keyboard.press('Control+Shift+F4');
    await expect.poll(() => desk.stored('Meetings/Registrar meeting.md')).toMatch(/Second signature on the transit list #raise/);
    await desk.agenda('Today');
    await desk.row(desk.main, 'Move the sextants').getByRole('checkbox').focus();
    await page.keyboard.press('Control+Shift+F4');
    await expect(page.getByRole('dialog', { name: 'Raise with somebody' })).toBeVisible();
    await page.keyboard.type('kofi');
    await page.keyboard.press('Enter');
    await expect.poll(() => desk.stored('Collections/Instrument store.md')).toMatch(/Move the sextants [^\n]*#raise @kofi/);
    await page.goto('/person/kofi');
    await expect(desk.row(desk.main.getByRole('region', { name: 'To raise' }), 'Move the sextants')).toBeVisible();
  },
);
