import { tasksOfKey } from './tasks-of-key';

test.each([
  ['open\nas bars of count by tag', 'tag', 'loans', 'where open and #loans'],
  ['open\nas bars of count by tag', 'tag', null, 'where open and without tag'],
  ['as bars of takes by week', 'week', '2026-W48', 'where due in 2026-W48 or plan in 2026-W48'],
  ['open or done\nas bars of takes by month', 'month', null, 'where (open or done) and (without due and without plan)'],
  ['open and', 'tag', 'loans', null],
  ['as bars of count by meeting', 'meeting', 'Meetings/Round.md', 'where note = "Round"'],
  ['as bars of count by meeting', 'meeting', null, 'where not kind = meeting'],
  ['open\nas bars of count by age', 'age', '30', 'where open and (age > 7 days and age <= 30 days)'],
  ['as bars of count by heading', 'heading', 'Loans', 'where heading = "Loans"'],
  ['as bars of count by heading', 'heading', null, null],
  ['as bars of count by done', 'done', '2026-11-23', 'where done = 2026-11-23'],
  ['as bars of count by done', 'done', null, 'where without done'],
  ['as bars of count by about', 'about', 'Salt on the Glass', 'where [[Salt on the Glass]]'],
] as const)('%j by %s, %s: %s', (text, by, key, wanted) => {
  const found = tasksOfKey(text, by, { key, label: `#${key ?? ''}` });
  expect(found).toBe(wanted);
});
