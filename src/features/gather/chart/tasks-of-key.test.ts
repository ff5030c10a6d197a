import { tasksOfKey } from './tasks-of-key';

test.each([
  ['open\nas bars of count by tag', 'tag', 'loans', 'where open and #loans'],
  ['open\nas bars of count by tag', 'tag', null, 'where open and without tag'],
  ['as bars of takes by week', 'week', '2026-W48', 'where due in 2026-W48 or plan in 2026-W48'],
  ['open or done\nas bars of takes by month', 'month', null, 'where (open or done) and (without due and without plan)'],
  ['open and', 'tag', 'loans', null],
  ['as bars of count by meeting', 'meeting', 'A.md', null],
] as const)('%j by %s, %s: %s', (text, by, key, wanted) => {
  const found = tasksOfKey(text, by, { key, label: `#${key ?? ''}` });
  expect(found).toBe(wanted);
});
