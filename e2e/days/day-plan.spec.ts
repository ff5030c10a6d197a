import { type Desk, expect, test } from '../desk';

test('a day from choosing by keyboard to the evening: order, times, hours, in hand, and what is left goes on', async ({ desk, page }) => {
  await desk.open('demo');
  await page.keyboard.press('Control+Shift+F2');
  const day = desk.main.getByRole('region', { name: 'The day', exact: true });
  const could = desk.main.getByRole('region', { name: 'Could be in the day' });
  // One arrow puts a task into the day; it stands in its order, and Late no longer has it.
  await desk.row(could, 'Return the borrowed barrow').getByRole('checkbox').first().focus();
  await page.keyboard.press('ArrowLeft');
  await expect(desk.row(day, 'Return the borrowed barrow')).toBeVisible();
  await expect(desk.row(could, 'Return the borrowed barrow')).toBeHidden();
  await expect.poll(() => desk.stored('Private/Allotment.md')).toContain('Return the borrowed barrow {due 2026-11-15; plan 2026-11-23');
  // What is only for today needs no project.
  await day.getByLabel('Only for this day').fill('Water the fern');
  await page.keyboard.press('Enter');
  await expect(desk.row(day, 'Water the fern')).toBeVisible();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toMatch(/## Plan\n+- \[ \] Water the fern\n/);
  // By hand before it: the page holds an echo.
  const barrow = desk.row(day, 'Return the borrowed barrow').getByRole('checkbox').first();
  await barrow.focus();
  for (let up = 0; up < 3; up++) await page.keyboard.press('Alt+ArrowUp');
  await expect
    .poll(async () => (await desk.stored('Journal/2026-11-23.md'))?.split('## Plan')[1] ?? '')
    .toMatch(/\[Return the borrowed barrow\]\(recado:[a-z0-9]{6}\)[^]*Water the fern/);
  await expect(desk.row(day, 'Return the borrowed barrow')).toHaveAttribute('data-raw', /ref/);
  // A time, typed; and moved among the hours by key.
  await day.getByRole('button', { name: 'Give Return the borrowed barrow a time' }).click();
  await page.keyboard.type('1400');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored('Private/Allotment.md')).toContain('plan 2026-11-23 14:00');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('hours of the day');
  await page.keyboard.press('Enter');
  const hours = page.getByRole('group', { name: 'Hours of the day' });
  const block = hours.getByRole('link', { name: /Return the borrowed barrow/ });
  await block.focus();
  await page.keyboard.press('ArrowDown');
  await expect.poll(() => desk.stored('Private/Allotment.md')).toContain('plan 2026-11-23 14:15');
  await hours.getByRole('link', { name: /Return the borrowed barrow, 14:15/ }).focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect.poll(() => desk.stored('Private/Allotment.md')).toMatch(/takes (?:45|30)m/);
  // Dragged, it goes by quarters of an hour.
  await expect(hours.getByRole('link', { name: /Return the borrowed barrow, 14:15–15:00/ })).toBeVisible();
  const box = await hours.getByRole('link', { name: /Return the borrowed barrow/ }).boundingBox();
  if (!box) throw new Error('the block is there');
  await page.mouse.move(box.x + 20, box.y + 6);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y + 6 - 52, { steps: 4 });
  await page.mouse.up();
  await expect.poll(() => desk.stored('Private/Allotment.md')).toContain('plan 2026-11-23 13:15');
  // What is in hand is finished by key, and the next begun.
  await expect(page.locator('footer')).toContainText('Label drafts, room 2');
  await page.keyboard.press('Control+Shift+F7');
  await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toMatch(/- \[x\] Label drafts, room 2.*done 2026-11-23 09:20/);
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.locator('footer')).toContainText(/Courier call with @teo\s*until 09:50/);
  await expect(page).toHaveTitle(/^Courier call/);
  // Out again: its plan goes, and its echo.
  await desk.row(day, 'Return the borrowed barrow').getByRole('checkbox').first().focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => desk.stored('Private/Allotment.md')).not.toContain('plan 2026-11-23');
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).not.toContain('borrowed barrow');
  // The evening: a word on the day, what is left goes on, and yesterday stays as it was.
  const end = desk.main.getByRole('region', { name: 'The end of the day' });
  await end.getByLabel('A word on the day').fill('Fog all day');
  await page.keyboard.press('Enter');
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toMatch(/## Log\n+- 09:20 Fog all day\n/);
  const yesterday = await desk.stored('Journal/2026-11-22.md');
  await end.getByRole('button', { name: /^Carry / }).click();
  await expect(desk.row(day, 'Water the fern')).toBeHidden();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('Water the fern {plan 2026-11-24');
  expect(await desk.stored('Journal/2026-11-22.md')).toBe(yesterday);
});

test('a reminder comes at its minute, is put off, and is done from its message; the system tells it where it may', async ({
  desk,
  page,
}) => {
  // The browser of the tests has no desktop to show anything on.
  await page.addInitScript(() => {
    const told: string[] = [];
    class Told {
      static permission = localStorage.getItem('may') ?? 'default';
      static requestPermission = async () => (Told.permission = localStorage.getItem('may') ?? 'denied');
      constructor(title: string, { body }: { body: string }) {
        told.push(`${body} ${title}`);
      }
    }
    Object.assign(window, { Notification: Told, told });
  });
  await page.clock.install({ time: new Date('2026-11-23T09:18:00') });
  await page.goto('/');
  await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
  await expect(page.getByText(/lines indexed/)).toBeAttached();
  await page.clock.runFor(3000);
  await page.goto('/settings');
  await page.getByLabel('are told by the system too').check();
  await expect(desk.main.getByText(/The browser does not let Recado tell them/)).toBeVisible();
  await page.evaluate(() => localStorage.setItem('may', 'granted'));
  await page.getByLabel('are said inside Recado').check();
  await page.getByLabel('are told by the system too').check();
  await expect(desk.main.getByText(/The browser does not let Recado tell them/)).toBeHidden();
  await page.goto('/day/2026-11-23');
  await desk.write('- [ ] Call Lars {plan 2026-11-23 10:00; remind 09:20}\n');
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('remind 09:20');
  await expect(desk.beside.getByText('Call Lars').first()).toBeVisible();
  await watching(desk);
  await expect(page.getByRole('button', { name: 'In 10 minutes' })).toBeHidden();
  await page.clock.runFor(130_000);
  await page.getByRole('button', { name: 'In 10 minutes' }).click();
  // The message is there a moment before the system tells it too.
  await expect.poll(() => page.evaluate(() => (window as unknown as { told: string[] }).told)).toEqual(['09:20 Call Lars']);
  await page.clock.runFor(60_000);
  await expect(page.getByRole('button', { name: 'In 10 minutes' })).toBeHidden();
  await page.clock.runFor(600_000);
  await expect(page.getByText('09:20 Call Lars')).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).first().click();
  await page.clock.runFor(2000);
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('- [x] Call Lars');
});

test(
  'the hours of a week: what has a time goes to another day, a drawn span becomes a meeting, long empty hours are a sign',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await desk.day('2026-11-23');
    await desk.main.getByRole('link', { name: 'Week', exact: true }).click();
    const column = (day: string) => page.getByRole('group', { name: `Hours of ${day} Nov 2026` });
    // By key to the next day, where it is still looked at, and dragged back from there.
    await column('Friday 27')
      .getByRole('link', { name: /Draw the bracket/ })
      .focus();
    await page.keyboard.press('ArrowLeft');
    const bracket = column('Thursday 26').getByRole('link', { name: /Draw the bracket/ });
    await expect(bracket).toBeFocused();
    await page.keyboard.press('ArrowDown');
    await expect(column('Thursday 26').getByRole('link', { name: /Draw the bracket.*10:15–11:15/ })).toBeVisible();
    const from = await bracket.boundingBox();
    const friday = await column('Friday 27').boundingBox();
    if (!from || !friday) throw new Error('they are there');
    await page.mouse.move(from.x + 10, from.y + 5);
    await page.mouse.down();
    await page.mouse.move(friday.x + 30, from.y + 5 - 10, { steps: 5 });
    await page.mouse.up();
    await expect(column('Friday 27').getByRole('link', { name: /Draw the bracket.*10:00–11:00/ })).toBeVisible();
    // A span is drawn, and becomes a meeting that is moved like anything else.
    await page.mouse.move(friday.x + 20, from.y + 122);
    await page.mouse.down();
    await page.mouse.move(friday.x + 20, from.y + 162, { steps: 4 });
    await page.mouse.up();
    await page.keyboard.type('Call with the lender');
    await page.getByRole('button', { name: 'Meeting', exact: true }).click();
    await expect
      .poll(() => desk.stored('Meetings/2026-11-27 Call with the lender.md'))
      .toMatch(/kind: meeting\ndate: 2026-11-27\nstart: "13:15"\nend: "14:15"/);
    await column('Friday 27')
      .getByRole('link', { name: /Call with the lender/ })
      .focus();
    await page.keyboard.press('ArrowRight');
    await expect(column('Saturday 28').getByRole('link', { name: /Call with the lender/ })).toBeFocused();
    await page.keyboard.press('Shift+ArrowDown');
    await expect
      .poll(() => desk.stored('Meetings/2026-11-27 Call with the lender.md'))
      .toMatch(/date: 2026-11-28\nstart: "13:15"\nend: "14:30"/);
    await page.keyboard.press('Control+z');
    await expect.poll(() => desk.stored('Meetings/2026-11-27 Call with the lender.md')).toContain('end: "14:15"');
    // Something late in the evening: the hours before it are one sign, which opens.
    await desk.day('2026-11-25');
    await desk.write('\n- 21:00-22:00 Talk on fog\n');
    await desk.main.getByRole('link', { name: 'Week', exact: true }).click();
    await expect(column('Wednesday 25').getByRole('link', { name: /Talk on fog, 21:00–22:00/ })).toBeVisible();
    await page.getByRole('button', { name: /^Show 16:00 to 21:00, 5h with nothing/ }).click();
    await expect(page.getByRole('button', { name: /with nothing/ })).toBeHidden();
    await expect(desk.main.getByText('19:00', { exact: true })).toBeVisible();
  },
);

test.describe('where the clock jumps', () => {
  test.use({ timezoneId: 'Europe/Berlin' });

  // The last Sundays of October and March (EU directive 2000/84/EC): 03:00 becomes 02:00, and 02:00 becomes 03:00.
  for (const { words, begins, written, untilIt, again } of [
    { words: 'an hour that comes twice rings once', begins: '2026-10-25T00:20:00Z', written: '2026-10-25 02:30', untilIt: 11, again: 60 },
    {
      words: 'an hour that is missing rings when the clock has passed it',
      begins: '2027-03-28T00:50:00Z',
      written: '2027-03-28 02:30',
      untilIt: 11,
      again: 60,
    },
  ])
    test(words, { tag: '@long' }, async ({ desk, page }) => {
      await page.clock.install({ time: new Date(begins) });
      await page.goto('/');
      await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
      await expect(page.getByText(/lines indexed/)).toBeAttached();
      const [day = '', time = ''] = written.split(' ');
      await page.goto(`/day/${day}`);
      await page.clock.runFor(3000);
      await desk.write(`- [ ] Turn the tide clock {plan ${day} 09:00; remind ${time}}\n`);
      await expect.poll(() => desk.stored(`Journal/${day}.md`)).toContain('remind');
      // What is to ring must be known before the clock runs on by minutes at once.
      await expect(desk.beside.getByText('Turn the tide clock').first()).toBeVisible();
      await watching(desk);
      const heard = page.getByRole('button', { name: 'Heard' });
      await expect(heard).toBeHidden();
      await ticking(desk, untilIt);
      // What shows messages may be loaded only now, and is drawn by this clock.
      await expect(async () => {
        await page.clock.runFor(200);
        await expect(heard).toBeVisible({ timeout: 500 });
      }).toPass();
      await heard.click();
      await page.clock.runFor(again * 60_000);
      await expect(heard).toBeHidden();
      expect(await desk.stored(`Journal/${day}.md`)).toContain(`remind ${time}`);
    });
});

/** Waits until a tab watches the clock, which it does some time after all is read. */
async function watching(desk: Desk): Promise<void> {
  const look = async (): Promise<unknown> => {
    await desk.page.clock.runFor(500);
    return desk.storedValue('ringing');
  };
  await expect.poll(look).toBeDefined();
}

/** Lets minutes pass one after the other, each with a moment for what is done at its turn. */
async function ticking(desk: Desk, minutes: number): Promise<void> {
  for (let minute = 0; minute < minutes; minute++) {
    await desk.page.clock.runFor(60_000);
    await desk.storedValue('ringing');
  }
}
