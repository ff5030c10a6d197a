import type { Page } from '@playwright/test';
import { ADDRESS, longestWhileScrolling } from './desk';
import { framesUntil, opening } from './frames';
import { type BenchRow, row } from '../measure';

/** What boards and sheets of days cost with “large” stored. */
export async function formRows(page: Page): Promise<BenchRow[]> {
  await page.goto(`${ADDRESS}/note/Agenda/Today.md`);
  await page.locator('#page li[data-row]').first().waitFor({ timeout: 120_000 });
  const more = page.getByRole('button', { name: 'More pages' });
  if ((await more.getAttribute('aria-expanded')) !== 'true') await more.click();
  await page.waitForTimeout(1500);
  // Once before, so that what draws them is there.
  for (const title of ['Board', 'Month', 'Today']) await opening(page, title);
  // What the page before still gets told is no answer of this one.
  await page.waitForTimeout(4000);
  const board = await opening(page, 'Board');
  await page.waitForTimeout(4000);
  const scrolled = await longestWhileScrolling(page, 30, 700);
  const moved = await moving(page);
  await opening(page, 'Today');
  await page.waitForTimeout(4000);
  const month = await opening(page, 'Month');
  return [
    row('opening the board of all tasks with “large” stored', 'frames after the answer until its cards show', board.after, { atMost: 3 }),
    row('scrolling it', 'times 50 milliseconds is the longest hold-up', scrolled / 50, { atMost: 1 }),
    row('a card into another column', 'frames after the answer until it stands there', moved, { atMost: 1 }),
    row('opening the month with “large” stored', 'frames after the answer until its days show', month.after, { atMost: 3 }),
  ];
}

/** Moves the first card of the first column to the next one, as its tick in the menu would; frames after the answer. */
async function moving(page: Page): Promise<number> {
  const words = await page.evaluate(() => {
    const card = document.querySelector<HTMLElement>('[data-column=todo] [data-row]');
    return card?.dataset['raw']?.replace(/^.*?\[ \] /, '').slice(0, 18) ?? '';
  });
  const mark = `[data-column=todo] [data-raw*="${words.replaceAll('"', '\\"')}"]`;
  if ((await page.locator(mark).count()) === 0) throw new Error('there is no card to move');
  return (await framesUntil(page, { click: `${mark} [role="checkbox"]`, words: '', heading: 'Board', there: '[data-column]', gone: mark }))
    .after;
}
