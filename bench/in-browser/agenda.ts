import type { Browser, Page } from '@playwright/test';
import { HEAR_PLANS, dayRows } from '../day';
import { formRows } from './forms';
import { HEAR_GOALS, goalNotes, goalRows } from './goals';
import { HEAR, framesUntil, opening } from './frames';
import { ADDRESS, type StoredBench, WATCH, longTasks, longestWhileScrolling, openWith } from './desk';
import { meetingRows, seriesOfMeetings } from './meetings';
import { makeLibrary } from '../library';
import { type BenchRow, row } from '../measure';

const BULK_NOTES = 500;
const FEW = 5;

/** 500 notes with two tasks each, and the agenda page that gathers them: the first few, and all. */
function bulkNotes(): StoredBench[] {
  const notes = Array.from({ length: BULK_NOTES }, (_, index) => ({
    path: `Crates/Crate ${index}.md`,
    text: `Crate ${index}\n\n- [ ] weigh crate ${index} #crate-round {due 2026-11-23}\n- [ ] label crate ${index} #crate-round {due 2026-11-24}\n`,
  }));
  const gather = (limit: string): string => `\`\`\`gather\nopen and #crate-round\norder by path${limit}\n\`\`\`\n`;
  return [...notes, { path: 'Agenda/Crate round.md', text: `---\nkind: agenda\n---\n${gather(`\nlimit ${FEW}`)}\n${gather('')}` }];
}

/** The longest task of the main thread while a list of more than 10,000 rows is scrolled, in milliseconds. */
async function scrolling(page: Page): Promise<number> {
  await page.goto(`${ADDRESS}/note/Agenda/Undated.md`);
  await page.getByText(/lines indexed/).waitFor({ timeout: 120_000 });
  await page.locator('#page li[data-row]').first().waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  return longestWhileScrolling(page, 40, 900);
}

/** What stands under the page of a person, folded and opened again; frames after its answer until all of it shows. */
async function footing(page: Page): Promise<number> {
  await page.goto(`${ADDRESS}/person/kofi`);
  const rows = page.locator('#page li[data-row]');
  await rows.first().waitFor({ timeout: 120_000 });
  await page.waitForTimeout(1500);
  await page.getByRole('button', { name: 'From every note' }).click();
  await rows.first().waitFor({ state: 'detached' });
  const heading = (await page.locator('h1').textContent()) ?? '';
  return (
    await framesUntil(page, {
      click: '#page button',
      words: 'From every note',
      heading,
      there: '#page li[data-row]',
      gone: '[aria-busy=true]',
    })
  ).after;
}

/** Ticks a task that two lists show: frames after the answer until it is struck in the one and gone from the other. */
async function acting(page: Page): Promise<number> {
  await page.goto(`${ADDRESS}/note/Agenda/Crate%20round.md`);
  await page.locator('#page li[data-row]').nth(FEW).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(1500);
  const { after } = await framesUntil(page, {
    click: '#page li[data-row] [role="checkbox"]',
    words: '',
    heading: 'Crate round',
    there: '#page [aria-label^="Done: weigh crate 0 "]',
    gone: '#page [aria-label^="To do: weigh crate 0 "]',
  });
  await page.keyboard.press('Control+z');
  await page.getByText(/^Undone/).waitFor();
  return after;
}

/** Pushes 1,000 tasks in 500 notes and takes it back; gives the longest task of the main thread, in milliseconds. */
async function bulk(page: Page): Promise<number> {
  await page.goto(`${ADDRESS}/note/Agenda/Crate%20round.md`);
  const first = page.locator('#page li[data-row]').nth(FEW);
  await first.waitFor({ timeout: 120_000 });
  await page.waitForTimeout(1500);
  await first.getByRole('checkbox').focus();
  await page.keyboard.press('Control+a');
  await page.getByText(`${2 * BULK_NOTES} tasks in ${BULK_NOTES} notes`).waitFor();
  await longTasks(page);
  await page.keyboard.press('Control+ArrowRight');
  await page.getByText(/1000 lines in 500 notes/).waitFor({ timeout: 60_000 });
  const pushing = await longTasks(page);
  await page.keyboard.press('Control+z');
  await page.getByText(/^Undone/).waitFor({ timeout: 60_000 });
  const undoing = await longTasks(page);
  if (process.env['RECADO_BENCH_TIMES']) console.error({ pushing, undoing });
  return Math.max(0, ...pushing, ...undoing);
}

/** A slip, from its key until its field takes letters; then the longest hold-up while words are typed into it. In milliseconds. */
async function slipping(page: Page): Promise<{ opens: number; typing: number }> {
  const times: number[] = [];
  for (let round = 0; round < 5; round++) {
    times.push(
      await page.evaluate(async () => {
        const began = performance.now();
        window.dispatchEvent(new KeyboardEvent('keydown', { key: 'F10', bubbles: true, cancelable: true }));
        while (!(document.activeElement instanceof HTMLTextAreaElement)) await new Promise((resolve) => requestAnimationFrame(resolve));
        return performance.now() - began;
      }),
    );
    if (round < 4) {
      await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
    }
  }
  await longTasks(page);
  await page.keyboard.type('ring @lars about the crate height tomorrow 15:00 high 20m every mon #phone', { delay: 12 });
  const typing = await longTasks(page);
  await page.keyboard.press('Escape');
  return { opens: times.sort((a, b) => a - b)[2] ?? 0, typing: Math.max(0, ...typing) };
}

/** What agenda pages cost with “large” stored. */
export async function agendaRows(browser: Browser): Promise<BenchRow[]> {
  const page = await openWith(browser, [...makeLibrary(10_000), ...bulkNotes(), ...seriesOfMeetings(), ...goalNotes()]);
  await page.addInitScript(WATCH);
  await page.addInitScript(HEAR);
  await page.addInitScript(HEAR_PLANS);
  await page.addInitScript(HEAR_GOALS);
  const scrolled = await scrolling(page);
  const today = await opening(page, 'Today');
  await page.getByRole('heading', { level: 1, name: 'Today' }).waitFor();
  await page.waitForTimeout(1500);
  const ahead = await opening(page, 'Ahead');
  const foot = await footing(page);
  const acted = await acting(page);
  const pushed = await bulk(page);
  const slip = await slipping(page);
  const days = await dayRows(page);
  const forms = await formRows(page);
  const meetings = await meetingRows(page);
  const goals = await goalRows(page);
  await page.close();
  if (process.env['RECADO_BENCH_TIMES']) console.error({ scrolled, today, ahead, acted, pushed, slip });
  return [
    ...days,
    ...forms,
    ...meetings,
    ...goals,
    row('scrolling a list of more than 10,000 rows', 'times 50 milliseconds is the longest hold-up', scrolled / 50, { atMost: 1 }),
    row('opening Today with “large” stored', 'frames after the answer until its rows show', today.after, { atMost: 3 }),
    row('the same from the click', 'frames, the answer included', today.all, null),
    row('opening Ahead with “large” stored', 'frames after the answer until its rows show', ahead.after, { atMost: 3 }),
    row('what stands under the page of a person with “large” stored', 'frames after the answer until its rows show', foot, { atMost: 3 }),
    row('an action, in every list that shows the task', 'frames after the answer', acted, { atMost: 1 }),
    row('a slip, from its key until its field takes letters', 'times 50 milliseconds', slip.opens / 50, { atMost: 1 }),
    row('typing into it', 'times 50 milliseconds is the longest hold-up', slip.typing / 50, { atMost: 1 }),
    row('pushing 1,000 tasks in 500 notes, and Undo', 'times 50 milliseconds is the longest hold-up', pushed / 50, null),
  ];
}
