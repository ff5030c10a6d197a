import { SHIPPED_FEET } from './feet';
import { HELPER_PAGES } from './helper-pages';
import { PICTURE_PAGES } from './picture-pages';
import { PLANNED_LATER } from './shipped-names';
import { type ShippedPage, shippedPage as page } from './shipped-page';

/**
 * Each list of Today leaves out what stands in one above it, and none holds what is planned after today, whatever its due day.
 * With Ahead, Undated and Resting it leaves no hole: a test says so over generated notes.
 */
const TODAY = page('Today', 'What today asks for, weightiest first.', [
  { title: 'Late', lines: ['where late and not plan > today'] },
  {
    title: 'Today',
    lines: [
      'where open and not late and (due = today or (plan >= today and plan < tomorrow))',
      '  and not plan > today',
      'order by priority, plan, due',
    ],
  },
  { title: 'Planned earlier', lines: ['where open and plan < today and not due <= today'] },
  {
    title: 'Some time this week or month',
    lines: ['where open and plan = today and not plan < tomorrow and not due <= today'],
  },
  {
    title: 'Back in sight',
    lines: ['where open and start in last 7 days and not resting and not due <= today and without plan'],
  },
  {
    title: 'Under way',
    lines: ['where underway and not start in last 7 days and not resting and not due <= today and without plan'],
  },
  {
    title: 'Written today, without a day',
    lines: [
      'where open and journal = today and without due and without plan',
      '  and not underway and not start in last 7 days and not resting',
    ],
  },
  { title: 'Finished today', lines: ['where done = today', 'order by done desc'] },
]);

const AFTER_TODAY = ['where open and not due <= today', '  and (plan > today or (due > today and not plan <= today))'];
const WITHIN_FOUR_WEEKS = 'due <= today + 4 weeks or plan <= today + 4 weeks';

const AHEAD = page('Ahead', 'What comes after today, soonest first; what rests until then stands here too.', [
  { title: 'Due by now, planned later', lines: [PLANNED_LATER, 'order by plan, priority'] },
  {
    title: 'The next four weeks',
    lines: [...AFTER_TODAY, `  and (${WITHIN_FOUR_WEEKS})`, 'including resting', 'group by period', 'order by day, priority'],
  },
  {
    // Folded: a limit of none shows the number, and a click the rest.
    title: 'Beyond four weeks',
    lines: [...AFTER_TODAY, `  and not (${WITHIN_FOUR_WEEKS})`, 'including resting', 'group by month', 'order by day, priority', 'limit 0'],
  },
]);

const INBOX = page('Inbox', 'Caught and not yet placed: give each a day, a tag or a note, or cancel it.', [
  { title: 'Inbox', lines: ['where unsorted', 'order by made'] },
]);

const UNDATED = page('Undated', 'Open tasks without a day, note by note.', [
  { title: 'Undated', lines: ['where open and without due and without plan and not resting', 'group by note'] },
]);

const RESTING = page('Resting', 'Out of sight until their day comes.', [
  { title: 'Resting', lines: ['where resting', 'group by back', 'order by back, priority'] },
]);

const WAITING = page('Waiting', 'What others have in hand, and since when.', [
  { title: 'Waiting', lines: ['where waiting', 'group by person', 'order by since, due', 'including resting'] },
]);

const BY_NOTE = page('By note', 'Every open task under the note it stands in.', [
  {
    title: 'Open tasks by note',
    lines: ['where open', 'group by note by count', 'order by path', 'including resting', 'totals count, takes'],
  },
]);

const BY_TAG = page('By tag', 'Every open task under each of its tags.', [
  { title: 'Open tasks by tag', lines: ['where open', 'group by tag by count', 'including resting', 'totals count, takes'] },
]);

/** Each open task that another owns or asked for stands in one list alone; the last shows all again, by person. */
const PEOPLE = page('People', 'Who is who, and what is open between whom.', [
  {
    title: 'Asked of me',
    lines: ['where open and with asked and asked != me and owner = me', 'group by asked', 'order by due, priority'],
  },
  {
    title: 'Given by me',
    lines: ['where open and owner != me and owner != nobody and (without asked or asked = me)', 'group by owner', 'order by due, priority'],
  },
  {
    title: 'Among others',
    lines: ['where open and owner != me and owner != nobody and with asked and asked != me', 'group by owner', 'order by due, priority'],
  },
  { title: 'Nobody’s', lines: ['where open and owner = nobody', 'order by due, priority'] },
  { title: 'Open with each person', lines: ['where open and with person', 'group by person by count', 'order by due, priority'] },
]);

const FINISHED = page('Finished', 'What was done, and when.', [
  { title: 'Done', lines: ['where done', 'group by done desc', 'order by done desc', 'limit 200', 'totals count, takes'] },
  { title: 'Cancelled', lines: ['where cancelled', 'group by cancelled desc', 'order by cancelled desc', 'limit 100'] },
]);

const BOARD = page('Board', 'What is to do, under way, waiting and lately finished, each in its column.', [
  {
    title: 'Board',
    lines: [
      'where open or done in last 30 days or cancelled in last 30 days',
      'columns due, plan, takes, steps, note',
      'as board by status',
    ],
  },
]);

const MONTH = page('Month', 'What is due and what is planned, on the days of a month.', [
  { title: 'Month', lines: ['where open', 'order by plan, due, priority', 'including resting', 'as month'] },
]);

const PROJECTS = page('Projects', 'Every project in the column of its state.', [
  {
    title: 'Projects',
    lines: ['from notes', 'where kind = project', 'order by due, title', 'columns open, progress, due', 'as board by state'],
  },
]);

const MINE = page('Mine', 'What is one’s own: owned by oneself, or by nobody who is named, soonest first.', [
  { title: 'Mine', lines: ['where open and (owner = me or owner = nobody)', 'order by day, priority, due', 'totals count, takes'] },
]);

/** The agenda pages that ship, in the order of the rack, and behind them the feet. */
export const SHIPPED_PAGES: readonly ShippedPage[] = [
  TODAY,
  AHEAD,
  INBOX,
  UNDATED,
  RESTING,
  WAITING,
  BY_NOTE,
  BY_TAG,
  PEOPLE,
  FINISHED,
  BOARD,
  MONTH,
  PROJECTS,
  MINE,
  ...HELPER_PAGES,
  ...PICTURE_PAGES,
  ...SHIPPED_FEET,
];
