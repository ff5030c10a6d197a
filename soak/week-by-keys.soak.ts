import type { Locator, Page } from '@playwright/test';
import { expect, test } from '../e2e/desk';
import { at } from './moment';

const MONDAY = 'Journal/2026-11-23.md';
const FARTHEST = 40;
type Way = 'Tab' | 'Shift+Tab' | 'ArrowDown';

/** Goes by Tab, backwards, or down a list, until something has the focus; how far that was is told where it is far. */
async function reach(page: Page, wanted: Locator, key: Way = 'Tab'): Promise<void> {
  await wanted.waitFor();
  for (let far = 0; far <= FARTHEST; far++) {
    if (await wanted.evaluate((element) => element === document.activeElement)) {
      if (far > 8) console.log(`${far} times ${key} to ${String(wanted)}`);
      return;
    }
    await page.keyboard.press(key);
  }
  throw new Error(`${FARTHEST} times ${key} did not lead to ${String(wanted)}`);
}

test('a week by keyboard alone, from an empty desk to the end of its review', async ({ desk, page }) => {
  page.setDefaultTimeout(10_000);
  const { keyboard } = page;
  const dialog = page.getByRole('dialog');
  const push = async (wanted: Locator, key?: Way): Promise<void> => {
    await reach(page, wanted, key);
    await keyboard.press('Enter');
  };
  const command = async (title: string): Promise<void> => {
    await keyboard.press('Control+k');
    await keyboard.type(title);
    await expect(page.getByRole('option').first()).toContainText(title);
    await keyboard.press('Enter');
  };
  const stored = (path: string) => expect.poll(() => desk.stored(path));

  // Monday morning, an empty desk, and no help but what stands there.
  await page.clock.setFixedTime(new Date('2026-11-23T08:30:00'));
  await page.goto('/');
  await push(page.getByRole('button', { name: 'Begin with an empty desk' }));
  await expect(desk.text).toBeFocused();
  await keyboard.type('- [ ] Weigh the crates fri\nPaint the plinth\nOrder salt');
  await stored(MONDAY).toMatch(/- \[ \] Weigh the crates.*\n- \[ \] Paint the plinth\n- \[ \] Order salt/);
  // On the way a thought becomes a slip, and the cursor is where it was.
  await keyboard.press('F10');
  await keyboard.type('call lars about crate height tomorrow 15:00 high');
  await keyboard.press('Enter');
  await stored(MONDAY).toMatch(/- \[ \] call lars about crate height \{plan 2026-11-24 15:00; high/);
  await expect(desk.text).toBeFocused();
  // The plan of the day.
  await keyboard.press('Control+Shift+F2');
  const day = desk.main.getByRole('region', { name: 'The day', exact: true });
  await expect(desk.row(day, 'Order salt')).toBeVisible();
  await reach(page, day.getByLabel('Only for this day'));
  await keyboard.type('Water the fern\n');
  await expect(desk.row(day, 'Water the fern')).toBeVisible();
  // A meeting, written while it is held.
  await keyboard.press('Control+Shift+F11');
  await expect(page).toHaveURL(/Meetings/);
  const meeting = decodeURIComponent(new URL(page.url()).pathname.replace('/note/', ''));
  await expect(desk.text).toBeFocused();
  await keyboard.type('The hinges are oiled');
  await keyboard.press('Control+Shift+F1');
  await keyboard.type('\nAsk the carpenter @teo');
  await keyboard.press('Control+Alt+Enter');
  await stored(meeting).toMatch(/- The hinges are oiled \{key\}[^]*- \[ \] Ask the carpenter @teo \{owner @teo/);
  // The evening: what is done is ticked, the rest goes on.
  await at(page, '2026-11-23T17:30:00');
  await keyboard.press('Control+Shift+F2');
  await reach(page, desk.row(day, 'Weigh the crates').or(desk.row(day, 'Paint the plinth')).first().getByRole('checkbox').first());
  await reach(page, desk.row(day, 'Order salt').getByRole('checkbox').first(), 'ArrowDown');
  await keyboard.press('Space');
  await stored(MONDAY).toContain('- [x] Order salt');
  await push(desk.main.getByRole('button', { name: /^Carry / }));
  await stored(MONDAY).toMatch(/Water the fern \{plan 2026-11-24/);
  // Tuesday: a page of one's own, and a board.
  await at(page, '2026-11-24T09:00:00');
  await command('Ask by pointing');
  await push(desk.main.getByRole('button', { name: 'All that is open' }));
  await push(desk.main.getByRole('button', { name: '+ and' }));
  await keyboard.type('teo');
  await expect(page.getByRole('option', { name: /@teo/ }).first()).toBeVisible();
  await keyboard.press('Enter');
  await reach(page, desk.main.getByLabel('Name of the page'));
  await keyboard.type('With Teo');
  await push(desk.main.getByRole('button', { name: 'Keep as an agenda page' }));
  await expect(desk.row(desk.main, 'Ask the carpenter')).toBeVisible();
  await command('Board');
  const column = (name: string) => desk.main.getByRole('region', { name, exact: true });
  const plinth = (name: string) => desk.row(column(name), 'Paint the plinth').getByRole('checkbox').first();
  await keyboard.press('F6');
  await reach(page, column('To do').getByRole('checkbox').first());
  await reach(page, plinth('To do'), 'ArrowDown');
  await keyboard.press('Shift+ArrowRight');
  await expect(plinth('Under way')).toBeFocused();
  // Three days away.
  await at(page, '2026-11-27T08:30:00');
  await keyboard.press('Shift+F4');
  await expect(dialog.getByRole('radiogroup').first()).toBeFocused();
  while (!(await dialog.getByRole('radiogroup', { name: 'Water the fern' }).evaluate((group) => group.contains(document.activeElement))))
    await keyboard.press('ArrowDown');
  await keyboard.press('1');
  await keyboard.press('Enter');
  await stored(MONDAY).toMatch(/Water the fern \{plan 2026-11-27/);
  await keyboard.press('F4');
  await reach(page, desk.main.getByRole('listitem').getByRole('checkbox').first());
  await reach(page, desk.row(desk.main, 'Weigh the crates').getByRole('checkbox').first(), 'ArrowDown');
  await keyboard.press('Space');
  await stored(MONDAY).toContain('- [x] Weigh the crates');
  // Friday's review.
  await at(page, '2026-11-27T15:00:00');
  await keyboard.press('Alt+Shift+F2');
  await expect(dialog.getByRole('button', { name: 'Week in review' })).toBeFocused();
  await keyboard.press('Enter');
  const head = desk.main.getByRole('region', { name: 'The review' });
  const button = (name: string) => head.getByRole('button', { name, exact: true });
  await reach(page, button('Begin'), (await desk.text.evaluate((field) => field === document.activeElement)) ? 'Shift+Tab' : 'Tab');
  await keyboard.press('Enter');
  const step = head.getByRole('group', { name: 'The step' });
  for (let turn = 1; turn <= 14; turn++) {
    await expect(step).toContainText(`Step ${turn} of 14`);
    if (turn === 4) {
      await expect(step).toContainText('Undated');
      await push(button('Go through'), 'Shift+Tab');
      const task = desk.main.getByRole('region', { name: 'Task', exact: true });
      await expect(task).not.toBeEmpty();
      const end = desk.main.getByRole('region', { name: 'What changed' });
      while (!(await end.isVisible())) {
        const [before] = await task.allTextContents();
        await keyboard.press('t');
        await expect(async () => expect((await task.allTextContents())[0] ?? '').not.toBe(before)).toPass();
      }
      await keyboard.press('Control+F12');
      await expect(step).toContainText('nothing is left there');
    }
    if (turn === 14) {
      await command('Finished');
      await expect(desk.main.getByRole('heading', { level: 1, name: 'Finished' })).toBeVisible();
      await reach(page, desk.main.getByRole('listitem').getByRole('checkbox').first());
      await reach(page, desk.row(desk.main, 'Order salt').getByRole('checkbox').first(), 'ArrowDown');
      await command('Archive');
      await expect(dialog.getByRole('button', { name: 'Archive it' })).toBeVisible();
      await keyboard.press('Enter');
      await stored('Archive/2026.md').toContain('- [x] Order salt');
      await keyboard.press('Control+F12');
    }
    await push(button('Done with it'));
  }
  await expect(head).toContainText('All 14 steps are done.');
  await at(page, '2026-11-27T15:40:00');
  await push(button('Finish'));
  await expect(head).toContainText('Finished in 40m.');
});
