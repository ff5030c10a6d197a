import type { Page } from '@playwright/test';
import { ADDRESS, type StoredBench } from './desk';
import { framesUntil } from './frames';
import { type BenchRow, row } from '../measure';

const MEETINGS = 300;
const LINES = 2000;
/** Every so many lines of the long one are a task or a key point. */
const MARKED = 10;
/** What a frame of a screen takes, in milliseconds. */
const FRAME = 1000 / 60;
const LAST = 'Round of the crates 299';

/** A series of 300 meetings, the last of 2,000 lines with 200 tasks and key points; and a page that leads to it. */
export function seriesOfMeetings(): StoredBench[] {
  const notes = Array.from({ length: MEETINGS }, (_, index) => {
    const day = new Date(Date.UTC(2021, 1, 8) + index * 7 * 86_400_000).toISOString().slice(0, 10);
    const front = `---\nkind: meeting\ndate: ${day}\npeople: [kofi, teo]\nform: round\nseries: Rounds of the crates\nevery: mon\n---\n`;
    const short = `- [ ] crate ${index} is left open {owner @kofi}\n- crate ${index} was weighed {key}\n- [x] crate ${index} is sealed {done ${day}}\n`;
    return { path: `Rounds/Round of the crates ${index}.md`, text: front + (index < MEETINGS - 1 ? short : longText()) };
  });
  const gather = `\`\`\`gather\nfrom meetings\nwhere title = "${LAST}"\nas table\n\`\`\`\n`;
  return [...notes, { path: 'Agenda/Last round.md', text: `---\nkind: agenda\n---\n${gather}` }];
}

function longText(): string {
  return Array.from({ length: LINES }, (_, index) => {
    if (index % MARKED !== 0) return `- words about crate ${index}`;
    return index % (2 * MARKED) === 0 ? `- [ ] see to crate ${index} @kofi {due 2026-12-01}` : `- crate ${index} fits {key}`;
  }).join('\n');
}

/** What a long meeting of a long series costs with “large” stored. */
export async function meetingRows(page: Page): Promise<BenchRow[]> {
  await page.goto(`${ADDRESS}/note/Rounds/${encodeURIComponent(LAST)}.md`);
  const counts = page.locator('#page section[aria-label="The meeting"] [aria-label="What it leads to"] button');
  await counts.first().waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  // Only a line of the outline can be marked.
  await page.locator('.cm-line', { hasText: 'words about crate 2' }).first().click();
  await page.waitForTimeout(500);
  const marking = await markingALine(page);
  await page.goto(`${ADDRESS}/note/Agenda/Last%20round.md`);
  await page.locator('#page a.row-focus').first().waitFor({ timeout: 60_000 });
  await page.waitForTimeout(3000);
  const opened = await framesUntil(page, {
    click: '#page a.row-focus',
    words: LAST,
    heading: null,
    there: '#page section[aria-label="The meeting"] [aria-label="What it leads to"] button',
    gone: '[aria-busy=true]',
  });
  return [
    row('opening a meeting of 2,000 lines in a series of 300', 'frames after the answer until its lists are counted', opened.after, {
      atMost: 3,
    }),
    row('the same from the click', 'frames, the answer included', opened.all, null),
    row('marking its line as a key point', 'times a frame', marking / FRAME, { atMost: 1 }),
  ];
}

/** From the key until the mark is laid out, in milliseconds: the least of some. */
async function markingALine(page: Page): Promise<number> {
  return page.evaluate(async () => {
    const content = document.querySelector<HTMLElement>('.cm-content');
    content?.focus();
    const before = content?.textContent;
    let best = Infinity;
    for (let round = 0; round < 12; round++) {
      const began = performance.now();
      content?.dispatchEvent(new KeyboardEvent('keydown', { key: 'F1', ctrlKey: true, shiftKey: true, bubbles: true, cancelable: true }));
      await Promise.resolve();
      void content?.offsetHeight;
      if (round === 0 && content?.textContent === before) throw new Error('the line is not marked');
      best = Math.min(best, performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 120));
    }
    return best;
  });
}
