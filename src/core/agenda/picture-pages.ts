import { type ShippedPage, shippedPage as page } from './shipped-page';

const COMES_AGAIN = page(
  'What comes again',
  'Repeats and their record: filled is what was kept, half what was done later, an outline what was not done.',
  [{ title: 'By the day they come', lines: ['where open and repeats', 'order by day', 'including resting', 'columns every, due, plan'] }],
);

const RECORD = page('Record of days', 'What of each day’s plan was done by its end.', [
  {
    title: 'Moved on twice or more',
    lines: ['where open and pushed >= 2', 'order by pushed desc, plan', 'columns pushed, plan, due, note', 'including resting'],
  },
]);

const PICTURE = page('Picture of the work', 'How it went, and what lies ahead. Every drawing is a gather: change it as you like.', [
  { title: 'Finished by week', lines: ['where done in last 84 days', 'as bars of done by week of done'] },
  { title: 'Finished by tag', lines: ['where done in last 84 days and with tag', 'as bars of done by tag'] },
  { title: 'Came in by week', lines: ['where made in last 84 days', 'including resting', 'as bars of count by week of made'] },
  {
    title: 'Open at the end of each week',
    lines: ['where made in last 84 days or open or done in last 84 days', 'as curve of open by week'],
  },
  {
    title: 'Load ahead',
    lines: ['where open and (plan in next 28 days or due in next 28 days)', 'including resting', 'as bars of takes by week'],
  },
  {
    title: 'Projects',
    lines: [
      'from notes',
      'where kind = project and not (state = done or state = cancelled)',
      'order by due, title',
      'columns progress, open, done, due, next step',
      'as table',
    ],
  },
]);

/** Pages that show how it went. */
export const PICTURE_PAGES: readonly ShippedPage[] = [COMES_AGAIN, RECORD, PICTURE];
