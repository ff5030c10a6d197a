import { readFileSync } from 'node:fs';
import type { Locator } from '@playwright/test';
import { type Desk, expect } from '../desk';
import { store } from '../store-notes';
import { wordsOf } from './act';
import { ACTS, NOTES } from './acts';
import { Hand, type With } from './hand';

/** How much an act takes: what is pressed, and seconds where a model says them. */
export type Cost = [presses: number, seconds?: number];

/** The columns of the table in docs/weight.md. */
const COLUMNS = { keys: [1, 2], clicks: [3, 4], touches: [5] } as const;

/** What docs/weight.md says of each act. */
export function said(by: With): Record<string, Cost> {
  const rows = readFileSync('docs/weight.md', 'utf8')
    .split('\n')
    .map((line): string[] =>
      line
        .split('|')
        .slice(1)
        .map((cell) => cell.trim()),
    );
  const named = rows.filter(([name]) => ACTS.some((act) => act.name === name));
  const costs: Record<string, Cost> = {};
  for (const cells of named) costs[cells[0] ?? ''] = COLUMNS[by].map((at) => Number(cells[at])) as Cost;
  return costs;
}

/** Goes to an address as a link of the page does, without loading everything anew. */
async function go({ page }: Desk, address: string): Promise<void> {
  // What the act before left open, as a sheet over a narrow page.
  if (await page.getByRole('dialog').isVisible()) await page.keyboard.press('Escape');
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, address);
}

/** The words of the line that the cursor stands in; run in the page. */
function lineOfCursor(): string {
  const at = getSelection()?.anchorNode;
  return (at instanceof Element ? at : at?.parentElement)?.closest('.cm-line')?.textContent ?? '';
}

/** Goes to an address until it is there: what the act before began may end by going elsewhere. */
async function arrive(desk: Desk, address: string, sign: Locator): Promise<void> {
  await expect(async () => {
    await go(desk, address);
    await expect(sign).toBeVisible({ timeout: 5000 });
  }).toPass({ timeout: 30_000 });
}

/**
 * Puts the cursor to the line of an act, or the focus on its row.
 *
 * @param list the page with the rows
 */
export async function begin(desk: Desk, name: string, from: 'line' | 'row' | 'page', list = '/note/Agenda/Today.md'): Promise<void> {
  const words = wordsOf(name);
  if (from === 'page') {
    await arrive(desk, '/note/Salt%20on%20the%20Glass.md', desk.text);
  } else if (from === 'row') {
    const mark = desk.row(desk.main, words).getByRole('checkbox').first();
    await arrive(desk, name.includes('finished') ? '/note/Agenda/Finished.md' : list, mark);
    await mark.focus();
  } else {
    const line = (await desk.stored('Lines.md'))?.split('\n').findIndex((one) => one.includes(words)) ?? 0;
    await arrive(desk, `/note/Lines.md?line=${line + 1}`, desk.text.getByText(words).first());
    await desk.text.focus();
    await expect.poll(() => desk.page.evaluate(lineOfCursor)).toContain(words);
    await desk.page.keyboard.press('End');
  }
}

/** Does each act once; gives what it took. */
export async function doAll(desk: Desk, by: With): Promise<Record<string, Cost>> {
  await desk.open('empty');
  await store(desk.page, NOTES);
  await desk.page.reload();
  await desk.page.getByText(/lines indexed/).waitFor({ state: 'attached' });
  const costs: Record<string, Cost> = {};
  for (const act of ACTS) {
    await begin(desk, act.name, act.from);
    const hand = new Hand(desk.page, by);
    await (by === 'keys' ? act.keys : by === 'touches' ? (act.touches ?? act.points) : act.points)(hand, desk);
    await act.shows(desk);
    costs[act.name] = by === 'touches' ? [hand.count] : [hand.count, Number(hand.seconds.toFixed(1))];
  }
  return costs;
}

/** Fails where an act takes more than three presses, or others than docs/weight.md says. */
export function expectLight(costs: Record<string, Cost>, by: With): void {
  for (const [name, [presses]] of Object.entries(costs)) expect(presses, name).toBeLessThanOrEqual(3);
  if (process.env['ACTS_TOLD']) console.log(JSON.stringify({ by, costs }));
  expect(costs).toEqual(said(by));
}
