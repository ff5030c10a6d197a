import type { Browser, Page } from '@playwright/test';
import { ADDRESS, type StoredBench, WATCH, longTasks, openWith } from './desk';
import { type BenchRow, row } from '../measure';

const NOTES = 2000;
/** Finished items in all of them together. */
const FINISHED = 5000;

/** 2,000 notes with 5,000 finished items under 300 headings, and the page that gathers them. */
function archivable(): StoredBench[] {
  const notes = Array.from({ length: NOTES }, (_, index) => {
    const more = index % 2 === 0 ? '' : `- [x] counted ${index} {done 2026-10-04}\n`;
    return {
      path: `Store/${index % 40}/Shelf ${index}.md`,
      text:
        `# Shelf ${index % 300}\n\n- [ ] open ${index}\n- [x] weighed ${index} {done 2026-10-01}\n  - [x] both scales {done 2026-10-01}\n` +
        `## Labels\n\n- [x] printed ${index} {done 2026-10-03}\n  words under it\n${more}\n${'What stands on the shelf, a line or so.\n'.repeat(12)}`,
    };
  });
  return [...notes, { path: 'Agenda/To the archive.md', text: '---\nkind: agenda\n---\n```gather\nwhere not open\nlimit 20\n```\n' }];
}

/** The longest task of the main thread, in milliseconds, while it is said what goes where, while it goes, and while all is taken back. */
async function archiving(page: Page): Promise<{ saying: number; going: number; undoing: number }> {
  await page.goto(`${ADDRESS}/note/Agenda/To%20the%20archive.md`);
  await page.locator('#page li[data-row]').first().waitFor({ timeout: 120_000 });
  await page.waitForTimeout(1500);
  await page.getByRole('button', { name: 'How this list is shown' }).first().click();
  const choice = page.getByRole('menuitem', { name: 'Archive what is finished here…' });
  await choice.waitFor();
  const longest = async (): Promise<number> => Math.max(0, ...(await longTasks(page)));
  await longest();
  await choice.click();
  const dialog = page.getByRole('dialog', { name: 'Archive' });
  await dialog.getByText(`${FINISHED} finished items from ${NOTES} notes`).waitFor({ timeout: 120_000 });
  const saying = await longest();
  await dialog.getByRole('button', { name: 'Archive them' }).click();
  await page.getByText(new RegExp(`${FINISHED} lines in`)).waitFor({ timeout: 120_000 });
  const going = await longest();
  await page.keyboard.press('Control+z');
  await page.getByText(/^Undone/).waitFor({ timeout: 120_000 });
  return { saying, going, undoing: await longest() };
}

/** What it costs to archive very much. */
export async function archivingRows(browser: Browser): Promise<BenchRow[]> {
  const page = await openWith(browser, archivable());
  await page.addInitScript(WATCH);
  const longest = await archiving(page);
  await page.close();
  if (process.env['RECADO_BENCH_TIMES']) console.error(longest);
  const times = 'times 50 milliseconds is the longest hold-up';
  return [
    row('saying what of 5,000 finished items of 2,000 notes goes where', times, longest.saying / 50, { atMost: 1 }),
    row('archiving them', times, longest.going / 50, { atMost: 1 }),
    row('taking that back', times, longest.undoing / 50, { atMost: 1 }),
  ];
}
