import type { Page } from '@playwright/test';
import { expectAccessible } from '../axe';
import { expect, test } from '../desk';

const press = async (page: Page, name: string): Promise<void> => {
  const button = page.getByRole('region', { name: 'The review' }).getByRole('button', { name, exact: true });
  await button.focus();
  await page.keyboard.press('Enter');
};

test('a week is looked at by keyboard: steps open and count down, undated tasks are gone through, what is finished goes to its archive, and it takes its time', async ({
  desk,
  page,
}) => {
  await desk.open('empty');
  const STORE = '- [ ] Fog horn\n- [ ] Lamp room\n- [ ] Ladder\n- [x] Racks {done 2026-10-01}\n- [x] Locks {done 2026-10-02}\n';
  const report = await desk.bringIn([{ name: 'Store.md', mimeType: 'text/markdown', buffer: Buffer.from(STORE) }]);
  await report.getByRole('button', { name: 'Done' }).click();

  // A review is made from what ships, for today, and begun.
  await page.keyboard.press('Alt+Shift+F2');
  const dialog = page.getByRole('dialog', { name: 'Review' });
  await expect(dialog.getByRole('button', { name: 'Week in review' })).toBeFocused();
  await expectAccessible(page, 'beginning a review', { part: '[role=dialog]' });
  await page.keyboard.press('Enter');
  const PATH = 'Reviews/Week in review 2026-11-23.md';
  const head = desk.main.getByRole('region', { name: 'The review' });
  await expect(head).toContainText('Not begun yet: 14 steps.');
  await press(page, 'Begin');
  await expect.poll(() => desk.stored(PATH)).toContain('start: 2026-11-23 09:20');
  await expectAccessible(page, 'a review', { part: 'main' });

  // The first steps are ticked; what one opens stands beside.
  const step = head.getByRole('group', { name: 'The step' });
  await expect(step).toContainText('Step 1 of 14');
  await press(page, 'Done with it');
  await expect(step).toContainText('Step 2 of 14: Inbox');
  // The focus goes along.
  await expect(step.locator(':focus')).toHaveCount(1);
  await press(page, 'Open it beside');
  await expect(desk.beside.getByRole('heading', { level: 2 }).first()).toContainText('Inbox');
  await expect(step).toContainText('nothing is left there');
  await press(page, 'Done with it');
  await expect(step).toContainText('Step 3 of 14: Five minutes of brainstorm');
  await press(page, 'Open it');
  await expect(page.getByLabel('Lines that become tasks')).toBeFocused();
  await page.keyboard.type('Ask about salt');
  await page.getByRole('button', { name: 'Make it a task' }).click();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('- [ ] Ask about salt');
  await page.goBack();
  await expect(step).toContainText('Step 3 of 14');
  await press(page, 'Done with it');
  await expect(step).toContainText('Step 4 of 14');
  await page.clock.setFixedTime(new Date('2026-11-23T09:30:00'));
  await page.reload();
  await press(page, 'Pause');
  await expect(head).toContainText('Paused at 09:30');
  await page.clock.setFixedTime(new Date('2026-11-23T09:50:00'));
  await page.reload();
  await press(page, 'Go on');

  // Undated tasks one after the other, a letter for each decision, until none is left.
  await expect(step).toContainText('Undated: a day, or none on purpose · 4 there');
  await press(page, 'Go through');
  const task = desk.main.getByRole('region', { name: 'Task', exact: true });
  await expect(desk.main.getByText('1 of 4')).toBeVisible();
  await expect(task).toContainText('Ask about salt');
  await page.keyboard.press('t');
  await expect(task).toContainText('Fog horn');
  await page.keyboard.press('m');
  await expect(task).toContainText('Lamp room');
  // What a dialog changes beside its day is seen at once, and one that is closed undone decides nothing.
  await page.keyboard.press('o');
  await expect(page.getByRole('dialog').getByLabel('Owner')).toBeFocused();
  await page.keyboard.type('kofi');
  await page.keyboard.press('Enter');
  await expect(task).toContainText('kofi');
  await page.keyboard.press('c');
  await page.keyboard.press('Escape');
  await expect(desk.main.getByText('3 of 4')).toBeVisible();
  await page.keyboard.press('c');
  await page.getByRole('dialog', { name: 'Cancel with a remark' }).getByRole('textbox').fill('sold');
  await page.keyboard.press('Enter');
  await expect(task).toContainText('Ladder');
  await page.keyboard.press('d');
  const account = desk.main.getByRole('region', { name: 'What changed' });
  await expect(account).toContainText('All 4 were gone through');
  await expect(account).toContainText('1done');
  // The last is taken back, and decided anew.
  await account.getByRole('button', { name: 'Undo the last' }).click();
  await expect(task).toContainText('Ladder');
  await page.keyboard.press('p');
  await page.getByRole('dialog').getByRole('textbox').fill('fri');
  await page.keyboard.press('Enter');
  await expect(account).toContainText('1for another day');
  await expect.poll(() => desk.stored('Store.md')).toContain('- [ ] Ladder {plan 2026-11-27');
  expect(await desk.stored('Store.md')).toMatch(/- \[-\] Lamp room \{owner @kofi; cancelled 2026-11-23 09:50\}\n\s+- sold/);
  await page.goto(`/note/${encodeURIComponent(PATH).replaceAll('%2F', '/')}`);
  await expect(step).toContainText('nothing is left there');

  // The rest of the steps, and what is finished goes to the archive.
  for (let at = 4; at < 14; at++) {
    await expect(step).toContainText(`Step ${at} of 14`);
    await press(page, 'Done with it');
  }
  await expect(step).toContainText('Finished and still in place: to the archive · ');
  await desk.agenda('Finished and still in place');
  await expect(desk.main.getByText('Racks')).toBeVisible();
  await desk.main.getByRole('button', { name: 'How this list is shown' }).first().click();
  await page.getByRole('menuitem', { name: 'Archive what is finished here…' }).click();
  const archive = page.getByRole('dialog', { name: 'Archive' });
  await expect(archive).toContainText('2 finished items from 1 note go');
  await expect(archive.getByRole('list', { name: 'Where they go' })).toContainText('2to “Archive/2026”');
  await expectAccessible(page, 'archiving', { part: '[role=dialog]' });
  await archive.getByRole('button', { name: 'Archive them' }).click();
  await expect
    .poll(() => desk.stored('Archive/2026.md'))
    .toBe('---\nkind: archive\n---\n\nfrom [[Store]], 2026-11-23\n\n- [x] Racks {done 2026-10-01}\n- [x] Locks {done 2026-10-02}\n');
  expect(await desk.stored('Store.md')).not.toContain('Racks');
  // One of them is brought back to where it stood, from the foot of the archive.
  await page.goto('/note/Archive/2026.md');
  const last = desk.main.getByRole('region', { name: 'Finished last' });
  await last.getByRole('button', { name: 'Actions for Locks' }).click();
  await page.getByRole('menuitem', { name: 'Bring back to its note' }).click();
  await expect.poll(() => desk.stored('Store.md')).toContain('Locks');
  expect(await desk.stored('Archive/2026.md')).not.toContain('Locks');

  // A sentence is written, and the review is finished with its time and its remarks on the page of the day.
  await page.goto(`/note/${encodeURIComponent(PATH).replaceAll('%2F', '/')}`);
  await press(page, 'Done with it');
  await desk.write('The store is in order.');
  await expect.poll(() => desk.stored(PATH)).toContain('The store is in order.');
  await page.clock.setFixedTime(new Date('2026-11-23T10:05:00'));
  await page.reload();
  await press(page, 'Finish');
  await expect(head).toContainText('Finished in 25m.');
  await expect.poll(() => desk.stored(PATH)).toMatch(/pauses: 20m\nend: 2026-11-23 10:05\n/);
  await expect.poll(() => desk.stored(PATH)).toMatch(/- \[x\] Week in review \{.*done 2026-11-23 10:05\}/);
  await press(page, 'Put the remarks onto today’s page');
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('  - The store is in order.');
});

test(
  'goals, the record of days, what comes again and the picture of the work read well in both themes',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    const pages = {
      Goals: 'Winter goals',
      'Record of days': 'By weekday',
      'What comes again': 'Read humidity log',
      'Picture of the work': 'Finished by week',
    };
    for (const [title, words] of Object.entries(pages)) {
      await desk.agenda(title);
      await expect(desk.main.getByText(words, { exact: true }).first()).toBeVisible();
      await expectAccessible(page, title, { part: 'main' });
    }
    await page.emulateMedia({ colorScheme: 'dark' });
    for (const title of ['Goals', 'Record of days', 'What comes again']) {
      await desk.agenda(title);
      await expectAccessible(page, `${title}, dark`, { part: 'main', colours: true });
    }
    // A step that bears a gather opens what it finds beside.
    const OWN = '---\nkind: review\n---\n- [ ] What comes back\n  ```gather\n  open and #loans\n  ```\n- [ ] End\n';
    const report = await desk.bringIn([{ name: 'Own review.md', mimeType: 'text/markdown', buffer: Buffer.from(OWN) }]);
    await report.getByRole('button', { name: 'Done' }).click();
    await page.goto('/note/Own%20review.md');
    await press(page, 'Begin');
    await press(page, 'Open it beside');
    await expect(desk.beside.getByRole('heading', { name: 'What comes back' })).toBeVisible();
    await expect(desk.beside.locator('[data-row]').first()).toBeVisible();
    // A goal leads to what serves it, and a finished project goes to the archive whole and comes back.
    await desk.agenda('Goals');
    await desk.main.getByRole('list', { name: 'What serves Winter goals' }).getByRole('link', { name: 'Catalogue' }).click();
    await expect(page.getByLabel('Title of the note')).toHaveValue('Catalogue');
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    await page.getByRole('menuitem', { name: 'Archive the note' }).click();
    await expect(page.getByText('holds 4 open tasks')).toBeVisible();
    await page.goto('/note/Waiting%20for%20others.md');
    const WAITING = await desk.stored('Waiting for others.md');
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    await page.getByRole('menuitem', { name: 'Archive the note' }).click();
    await expect(page).toHaveURL(/note\/Archive\/Waiting%20for%20others/);
    await expect.poll(() => desk.stored('Archive/Waiting for others.md')).toContain('from: "[[Waiting for others]]"');
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    await page.getByRole('menuitem', { name: 'Bring the note back' }).click();
    await expect.poll(() => desk.stored('Waiting for others.md')).toBe(WAITING);
  },
);
