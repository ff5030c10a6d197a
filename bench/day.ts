import type { Page } from '@playwright/test';
import { whatWillNotFit } from '../src/core/day/what-will-not-fit';
import { ADDRESS } from './desk';
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

/** Frames from the last answer that came before something is shown; the doing and the showing are run in the page. */
const framesAfter = (page: Page, act: string, shown: string): Promise<number> =>
  page.evaluate(
    async ([acting, showing]) => {
      const answered = (window as unknown as { planned: number[] }).planned;
      answered.length = 0;
      new Function(acting)();
      const isShown = new Function(`return ${showing}`) as () => boolean;
      let after = 0;
      for (let all = 0; all < 900 && !isShown(); all++) {
        const known = answered.length;
        await new Promise((resolve) => requestAnimationFrame(resolve));
        after = answered.length > known ? 1 : after + (known > 0 ? 1 : 0);
      }
      return isShown() ? after : Infinity;
    },
    [act, shown] as const,
  );

/** A day turned to its plan with the hours beside it, and a task put into it; in frames after the answer. */
export async function dayRows(page: Page): Promise<BenchRow[]> {
  const iso = new Date(BENCH_DAY * 86_400_000).toISOString().slice(0, 10);
  await page.goto(`${ADDRESS}/day/${iso}?view=week`);
  await page.locator('[data-hours-day]').first().waitFor({ timeout: 120_000 });
  await page.waitForTimeout(1500);
  const day = '#page section[aria-label="The day"]';
  const opened = await framesAfter(
    page,
    `document.querySelector('#page nav a[href*="view=plan"]').click()`,
    `document.querySelector('${day} li[data-row]') !== null`,
  );
  await page.locator('#page section[aria-label="Could be in the day"] li[data-row]').first().waitFor();
  await page.waitForTimeout(1500);
  const count = await page.locator(`${day} li[data-row]`).count();
  const chosen = await framesAfter(
    page,
    `const mark = document.querySelector('#page section[aria-label="Could be in the day"] li[data-row] .task-mark');
     mark.focus(); mark.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true, cancelable: true }));`,
    `document.querySelectorAll('${day} li[data-row]').length > ${count}`,
  );
  await page.keyboard.press('Control+z');
  await page.getByText(/^Undone/).waitFor();
  return [
    row('a day turned to its plan with “large” stored', 'frames after the answer until its rows show', opened, { atMost: 3 }),
    row('a task put into the day', 'frames after the answer until it stands there', chosen, { atMost: 1 }),
  ];
}
