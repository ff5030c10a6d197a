import { type ShippedPage, shippedPage as page } from './shipped-page';

/** A project or goal that says no state is active. */
const ACTIVE = '  and not (state = later or state = done or state = cancelled)';

const GOALS = page('Goals', 'What all of it is for, by level: what serves each goal, what is next, and what moved.', [
  {
    title: 'Projects that serve no goal',
    lines: ['from notes', 'where kind = project and without link', ACTIVE, 'order by title', 'columns open, progress, due'],
  },
]);

const WITHOUT_NEXT_STEP = page(
  'Without a next step',
  'Projects and goals of which nothing can be begun: no open task that neither waits, rests nor is blocked.',
  [
    {
      title: 'Projects without a next step',
      lines: ['from notes', 'where kind = project and without next step', ACTIVE, 'order by due, title', 'columns open, due'],
    },
    {
      title: 'Goals without a next step',
      lines: ['from notes', 'where kind = goal and without next step', ACTIVE, 'order by due, title', 'columns open, due, level'],
    },
  ],
);

const STANDS_STILL = page('Stands still', 'What nobody touched for long, what waits for long, and what was moved on again and again.', [
  {
    title: 'Untouched for 30 days',
    lines: ['where open and untouched > 30 days and not waiting and not resting and now', 'group by note'],
  },
  { title: 'Waiting for two weeks', lines: ['where waiting and since <= today - 14 days', 'order by since', 'including resting'] },
  { title: 'Moved three times or more', lines: ['where open and pushed >= 3', 'order by plan, due'] },
]);

const NOT_NOW = page('Not now', 'Open, but off the table: take it up, or cancel it.', [
  { title: 'Not now', lines: ['where open and not now', 'group by note', 'including resting'] },
]);

/** The lines of the journal are its record of the days, and stay. */
const STILL_IN_PLACE = page(
  'Finished and still in place',
  'What was finished a month ago and stands where it stood: it can go to the archive.',
  [
    {
      title: 'Finished 30 days ago',
      lines: [
        'where closed and not done > today - 30 days and not cancelled > today - 30 days',
        '  and not kind = journal and not kind = review',
        'group by note',
        'order by path',
      ],
    },
    {
      title: 'Projects that are finished',
      lines: ['from notes', 'where kind = project and (state = done or state = cancelled)', 'order by title', 'columns open, done'],
    },
  ],
);

const QUESTIONS = page('Questions', 'Open questions, oldest first.', [
  { title: 'Open questions', lines: ['where open and is question', 'group by about', 'order by made', 'including resting'] },
]);

const LAPSED = page('Lapsed', 'Their time has passed: cancel them, or give them a new day.', [
  { title: 'Lapsed', lines: ['where open and lapses < today', 'order by lapses', 'including resting'] },
]);

/** Pages that steps of a review open; in the rack they lie folded. */
export const HELPER_PAGES: readonly ShippedPage[] = [GOALS, WITHOUT_NEXT_STEP, STANDS_STILL, NOT_NOW, STILL_IN_PLACE, QUESTIONS, LAPSED];
