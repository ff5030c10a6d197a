import { expect, test } from './desk';

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

test('a reminder comes at its minute, is put off, and is done from its message', async ({ desk, page }) => {
  await page.clock.install({ time: new Date('2026-11-23T09:18:00') });
  await page.goto('/');
  await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
  await expect(page.getByText(/lines indexed/)).toBeAttached();
  await page.clock.runFor(3000);
  await page.goto('/day/2026-11-23');
  await desk.write('- [ ] Call Lars {plan 2026-11-23 10:00; remind 09:20}\n');
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('remind 09:20');
  await page.clock.runFor(3000);
  await expect(page.getByRole('button', { name: 'In 10 minutes' })).toBeHidden();
  await page.clock.runFor(130_000);
  await page.getByRole('button', { name: 'In 10 minutes' }).click();
  await page.clock.runFor(60_000);
  await expect(page.getByRole('button', { name: 'In 10 minutes' })).toBeHidden();
  await page.clock.runFor(600_000);
  await expect(page.getByText('09:20 Call Lars')).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).first().click();
  await page.clock.runFor(2000);
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('- [x] Call Lars');
});
