import type { Page } from '@playwright/test';
import { whatWillNotFit } from '../src/core/day/plan/what-will-not-fit';
import { ADDRESS } from './in-browser/desk';
import { BENCH_DAY } from './library';
import { type BenchRow, measure, row } from './measure';

/** What will not fit, over 2,000 tasks that are due on 60 days. */
export function fitRow(): BenchRow {
  const loads = Array.from({ length: 2000 }, (_, index) => {
    const due = BENCH_DAY + ((index * 7919) % 60);
    return { due, from: index % 5 === 0 ? due - 2 : BENCH_DAY, minutes: 5 + ((index * 31) % 90), priority: null };
  });
  const ours = measure({ ours: () => void whatWillNotFit(loads, (day) => (day - BENCH_DAY + 1) * 360) }).ours;
  return row('what will not fit, over 2,000 tasks and 60 days', 'times 20 milliseconds', ours / 20, { atMost: 1 });
}

/** Notes when the worker answers with the plan of a day: `window.planned` holds the moments, in milliseconds. */
export const HEAR_PLANS = `{
  window.planned = [];
  const add = Worker.prototype.addEventListener;
  Worker.prototype.addEventListener = function (type, listener, options) {
    const heard = (event) => {
      if (event.data?.value?.strays) window.planned.push(performance.now());
      return listener.call(this, event);
    };
    return add.call(this, type, type === 'message' ? heard : listener, options);
  };
}`;

/** Something that is clicked, or pressed on by a key, and the rows of which there are more then. */
interface Wanted {
  at: string;
  key: string | null;
  rows: string;
  moreThan: number;
}

/** Frames from the last answer that came before something is shown; infinite where it never is. */
const framesAfter = (page: Page, wanted: Wanted): Promise<number> =>
  page.evaluate(async ({ at, key, rows, moreThan }) => {
    const answered = (window as unknown as { planned: number[] }).planned;
    answered.length = 0;
    const one = document.querySelector<HTMLElement>(at);
    if (key === null) one?.click();
    else {
      one?.focus();
      one?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    }
    const isShown = (): boolean => document.querySelectorAll(rows).length > moreThan;
    let after = 0;
    for (let all = 0; all < 900 && !isShown(); all++) {
      const known = answered.length;
      await new Promise((resolve) => requestAnimationFrame(resolve));
      after = answered.length > known ? 1 : after + (known > 0 ? 1 : 0);
    }
    return isShown() ? after : Infinity;
  }, wanted);

/** A day turned to its plan with the hours beside it, and a task put into it; in frames after the answer. */
export async function dayRows(page: Page): Promise<BenchRow[]> {
  const iso = new Date(BENCH_DAY * 86_400_000).toISOString().slice(0, 10);
  await page.goto(`${ADDRESS}/day/${iso}?view=week`);
  await page.locator('[data-hours-day]').first().waitFor({ timeout: 120_000 });
  await page.waitForTimeout(1500);
  const rows = '#page section[aria-label="The day"] li[data-row]';
  const could = '#page section[aria-label="Could be in the day"] li[data-row]';
  const opened = await framesAfter(page, { at: '#page nav a[href*="view=plan"]', key: null, rows, moreThan: 0 });
  await page.locator(could).first().waitFor();
  await page.waitForTimeout(1500);
  const moreThan = await page.locator(rows).count();
  const chosen = await framesAfter(page, { at: `${could} .task-mark`, key: 'ArrowLeft', rows, moreThan });
  await page.keyboard.press('Control+z');
  await page.getByText(/^Undone/).waitFor();
  return [
    row('a day turned to its plan with “large” stored', 'frames after the answer until its rows show', opened, { atMost: 3 }),
    row('a task put into the day', 'frames after the answer until it stands there', chosen, { atMost: 1 }),
  ];
}
