import type { Page } from '@playwright/test';
import type { StoredBench } from './desk';
import { framesUntil, opening } from './frames';
import { type BenchRow, row } from '../measure';

const GOALS = 60;

/** Notices when the worker answers with the goals: `window.goalsAnswered` holds the moments, in milliseconds. */
export const HEAR_GOALS = `{
  window.goalsAnswered = [];
  const add = Worker.prototype.addEventListener;
  Worker.prototype.addEventListener = function (type, listener, options) {
    const heard = (event) => {
      if (event.data?.value?.[0]?.serving) window.goalsAnswered.push(performance.now());
      return listener.call(this, event);
    };
    return add.call(this, type, type === 'message' ? heard : listener, options);
  };
}`;

/** As many goals, each with a project that serves it. */
export const goalNotes = (): StoredBench[] =>
  Array.from({ length: GOALS }, (_, index) => [
    {
      path: `Goals/Goal ${index}.md`,
      text: `---\nkind: goal\nlevel: ${index % 2 === 0 ? 'year' : 'season'}\n---\n- [ ] first of goal ${index}\n`,
    },
    {
      path: `Projects/Serving ${index}.md`,
      text: `---\nkind: project\nabout: "[[Goal ${index}]]"\ndue: 2027-01-15\n---\n- [ ] step ${index}\n- [x] before ${index} {done 2026-11-12}\n`,
    },
  ]).flat();

/** What the pages of goals and projects cost. */
export async function goalRows(page: Page): Promise<BenchRow[]> {
  // The rarer pages are folded.
  await page.getByRole('region', { name: 'Agenda' }).getByText('More pages').click();
  const goals = await framesUntil(page, {
    click: 'a',
    words: 'Goals',
    heading: 'Goals',
    there: `#page [aria-label="What serves Goal ${GOALS - 1}"]`,
    gone: '[aria-busy=true]',
    heard: 'goalsAnswered',
  });
  await page.waitForTimeout(1500);
  const projects = await opening(page, 'Projects');
  if (process.env['RECADO_BENCH_TIMES']) console.error({ goals, projects });
  return [
    row('opening Goals with “large” stored', 'frames after the answer until all show', goals.after, { atMost: 3 }),
    row('opening Projects with “large” stored', 'frames after the answer until its rows show', projects.after, { atMost: 3 }),
  ];
}
