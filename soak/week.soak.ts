import type { Page } from '@playwright/test';
import { type Desk, expect, test } from '../e2e/desk';
import { Hand, type With } from '../e2e/acts/hand';
import { at } from './moment';

const dialog = (page: Page) => page.getByRole('dialog');
const MONDAY = 'Journal/2026-11-23.md';

/** What a person presses who has a mouse or a finger, and types words. */
async function weekByPointing(desk: Desk, by: With): Promise<void> {
  const { page } = desk;
  const hand = new Hand(page, by);
  page.setDefaultTimeout(6000);
  const isPhone = by === 'touches';
  const place = (name: string) => page.getByRole('navigation', { name: 'Main places' }).getByText(name, { exact: true });
  const command = async (title: string): Promise<void> => {
    if (isPhone && !(await page.getByRole('button', { name: 'All commands' }).isVisible())) await hand.point(place('Notes'));
    await hand.point(page.getByRole('button', { name: 'All commands' }).last());
    await expect(dialog(page).getByRole('combobox')).toBeFocused();
    await hand.type(title);
    await hand.point(page.getByRole('option', { name: new RegExp(`^${title}`) }).first());
  };
  const agenda = async (title: string): Promise<void> => {
    if (isPhone) await hand.point(place('Notes'));
    const pages = desk.rack.getByRole('region', { name: 'Agenda' });
    const link = pages.getByText(title, { exact: true });
    if (!(await link.isVisible())) await hand.point(pages.getByText('More pages'));
    await hand.point(link);
    await expect(desk.main.getByRole('heading', { level: 1, name: title })).toBeVisible();
  };
  const today = async (): Promise<void> => {
    if (isPhone) await hand.point(place('Journal'));
    else
      await hand.point(
        page
          .locator('[data-day]')
          .filter({ has: page.getByRole('button') })
          .getByRole('link'),
      );
    await expect(desk.text).toBeVisible();
  };
  const rowMenu = async (words: string, ...entries: string[]): Promise<void> => {
    const row = desk.row(desk.main, words);
    if (!isPhone) await row.hover();
    await hand.point(row.getByRole('button', { name: new RegExp(`^Actions for ${words}`) }));
    for (const entry of entries)
      await hand.point(
        page
          .getByRole('menuitem', { name: new RegExp(`^${entry}`) })
          .or(page.getByRole('menuitemradio', { name: new RegExp(`^${entry}`) }))
          .last(),
      );
  };

  // Monday morning, an empty desk, and no help but what stands there.
  await page.clock.setFixedTime(new Date('2026-11-23T08:30:00'));
  await page.goto('/');
  await hand.point(page.getByRole('button', { name: 'Begin with an empty desk' }));
  await expect(desk.text).toBeVisible();
  await hand.point(desk.text);
  await hand.type('- [ ] Weigh the crates fri');
  await page.keyboard.press('Enter');
  await hand.type('Paint the plinth');
  await page.keyboard.press('Enter');
  await hand.type('Order salt');
  await expect.poll(() => desk.stored(MONDAY)).toMatch(/- \[ \] Weigh the crates.*\n- \[ \] Paint the plinth\n- \[ \] Order salt/);
  // On the way a thought becomes a slip.
  if (isPhone) await hand.point(place('Slip'));
  else await hand.point(desk.rack.getByRole('button', { name: /^Slip/ }));
  await hand.type('call lars about crate height tomorrow 15:00 high');
  await hand.point(dialog(page).locator('button[type=submit]'));
  await expect.poll(() => desk.stored(MONDAY)).toMatch(/- \[ \] call lars about crate height \{plan 2026-11-24 15:00; high/);
  // The plan of the day.
  await today();
  await hand.point(desk.main.getByRole('link', { name: 'Plan', exact: true }));
  const could = desk.main.getByRole('region', { name: 'Could be in the day' });
  const day = desk.main.getByRole('region', { name: 'The day', exact: true });
  await expect(desk.row(day, 'Order salt')).toBeVisible();
  await expect(could).toBeVisible();
  await hand.point(day.getByLabel('Only for this day'));
  await hand.type('Water the fern');
  await page.keyboard.press('Enter');
  await expect(desk.row(day, 'Water the fern')).toBeVisible();
  // A meeting, written while it is held.
  await command('New meeting');
  await expect(page).toHaveURL(/Meetings/);
  const meeting = decodeURIComponent(new URL(page.url()).pathname.replace('/note/', ''));
  await hand.point(desk.text);
  await page.keyboard.press('Control+End');
  await hand.type('\nThe hinges are oiled');
  await command('Mark the line as a key point');
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await hand.type('Ask the carpenter @teo');
  await command('A task of who is named');
  await expect.poll(() => desk.stored(meeting)).toMatch(/- The hinges are oiled \{key\}[^]*- \[ \] Ask the carpenter @teo \{owner @teo/);
  // The evening: what is done is ticked, the rest goes on.
  await at(page, '2026-11-23T17:30:00');
  await today();
  await hand.point(desk.main.getByRole('link', { name: 'Plan', exact: true }));
  await hand.point(desk.row(day, 'Order salt').getByRole('checkbox').first());
  await expect.poll(() => desk.stored(MONDAY)).toContain('- [x] Order salt');
  await hand.point(desk.main.getByRole('button', { name: /^Carry / }));
  await expect.poll(() => desk.stored(MONDAY)).toMatch(/Water the fern \{plan 2026-11-24/);
  // Tuesday: a page of one's own by pointing, and a board.
  await at(page, '2026-11-24T09:00:00');
  await command('Ask by pointing');
  await hand.point(desk.main.getByRole('button', { name: 'All that is open' }));
  await hand.point(desk.main.getByRole('button', { name: '+ and' }));
  await hand.type('teo');
  await hand.point(page.getByRole('option', { name: /@teo/ }).first());
  await hand.point(desk.main.getByLabel('Name of the page'));
  await hand.type('With Teo');
  await hand.point(desk.main.getByRole('button', { name: 'Keep as an agenda page' }));
  await expect(desk.row(desk.main, 'Ask the carpenter')).toBeVisible();
  await agenda('Board');
  const column = (name: string) => desk.main.getByRole('region', { name, exact: true });
  await rowMenu('Paint the plinth', 'Status', 'Under way');
  await expect(desk.row(column('Under way'), 'Paint the plinth')).toBeVisible();
  // Three days away.
  await at(page, '2026-11-27T08:30:00');
  await agenda('Today');
  await hand.point(desk.main.getByRole('button', { name: /^Look through/ }));
  await hand.point(dialog(page).getByRole('button', { name: 'To today' }));
  await hand.point(dialog(page).locator('button[type=submit]'));
  await expect.poll(() => desk.stored(MONDAY)).toMatch(/Water the fern \{plan 2026-11-27/);
  await hand.point(desk.row(desk.main, 'Weigh the crates').getByRole('checkbox').first());
  // Friday's review.
  await at(page, '2026-11-27T15:00:00');
  await command('Review');
  await hand.point(dialog(page).getByRole('button', { name: 'Week in review' }));
  const head = desk.main.getByRole('region', { name: 'The review' });
  await hand.point(head.getByRole('button', { name: 'Begin', exact: true }));
  const step = head.getByRole('group', { name: 'The step' });
  for (let turn = 1; turn <= 14; turn++) {
    await expect(step).toContainText(`Step ${turn} of 14`);
    if (turn === 4) {
      await expect(step).toContainText('Undated');
      await hand.point(step.getByRole('button', { name: 'Go through' }));
      const task = desk.main.getByRole('region', { name: 'Task', exact: true });
      await expect(task).not.toBeEmpty();
      const end = desk.main.getByRole('region', { name: 'What changed' });
      while (!(await end.isVisible())) {
        const [before] = await task.allTextContents();
        await hand.point(desk.main.getByRole('button', { name: /^Tomorrow/ }));
        await expect(async () => expect((await task.allTextContents())[0] ?? '').not.toBe(before)).toPass();
      }
      await page.goBack();
      await expect(step).toContainText('nothing is left there');
    }
    if (turn === 14) {
      // Lines of the page of a day are its record; what is to go from there is sent by its own menu.
      await agenda('Finished');
      await rowMenu('Order salt', 'Archive…');
      await hand.point(dialog(page).getByRole('button', { name: 'Archive it' }));
      await expect.poll(() => desk.stored('Archive/2026.md')).toContain('- [x] Order salt');
      await page.goto('/note/Reviews/Week%20in%20review%202026-11-27.md');
    }
    await hand.point(step.getByRole('button', { name: 'Done with it' }));
  }
  await expect(head).toContainText('All 14 steps are done.');
  await at(page, '2026-11-27T15:40:00');
  await hand.point(head.getByRole('button', { name: 'Finish', exact: true }));
  await expect(head).toContainText('Finished in 40m.');
}

test('a week by mouse, from an empty desk to the end of its review', async ({ desk }) => {
  await weekByPointing(desk, 'clicks');
});

test.describe('on a phone', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });
  test('the same week by touch', async ({ desk }) => {
    await weekByPointing(desk, 'touches');
  });
});
