import { Library } from '../library';
import { eventsFrom } from './events';
import { listed } from './listed';

const TODAY = 20780; // 2026-11-23
const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'iso', me: null, workingDay: 480 });
library.apply([
  { path: 'Loans.md', text: '- [ ] Weigh the crate {high}\n  - [ ] Find the scales {high}\n- [x] Packed\n- [ ] Sign\n' },
  {
    path: 'Agenda/Mine.md',
    text: '---\nkind: agenda\n---\n```gather\ntitle Loans\nwhere open\ngroup by priority\n```\n\n```gather\nwhere\n```\n',
  },
  { path: 'Journal/2026-11-23.md', text: '- 11:00-11:45 Rounds\n- [ ] Answer\n' },
  { path: 'Meetings/Lenders.md', text: '---\nkind: meeting\ndate: 2026-11-20\nstart: 10:00\nend: 10:30\npeople: [kofi]\n---\n' },
]);

test('what a page gathers is told list by list, group by group, steps in their rows; what cannot be read holds nothing', () => {
  const [loans, broken] = listed(library, null, 'agenda/mine.md');
  expect(loans?.title).toBe('Loans');
  expect(loans?.groups.map(({ label, rows }) => [label, rows.map(({ path, line, steps }) => [path, line, steps.length])])).toEqual([
    ['High', [['Loans.md', 0, 1]]],
    [
      expect.any(String),
      [
        ['Journal/2026-11-23.md', 1, 0],
        ['Loans.md', 3, 0],
      ],
    ],
  ]);
  expect(broken).toEqual({ title: null, groups: [] });
});

test('what is not grouped has no label, notes are rows too, and a page that is gone holds nothing', () => {
  expect(listed(library, ['from notes\nwhere kind = meeting'], null)).toEqual([
    { title: null, groups: [{ label: null, rows: [expect.objectContaining({ what: 'note', noteTitle: 'Lenders' })] }] },
  ]);
  expect(listed(library, null, 'None.md')).toEqual([]);
});

test('what happens is told from a day on: appointments, and meetings with who is there', () => {
  const words = (from: number) =>
    eventsFrom(library, from).map(({ words: said, day, start, end, people }) => [said, day, start, end, ...people]);
  expect(words(TODAY - 3)).toEqual([
    ['Lenders', TODAY - 3, 600, 630, 'kofi'],
    ['Rounds', TODAY, 660, 705],
  ]);
  expect(words(TODAY + 1)).toEqual([]);
});
