import { dayOfDate } from '../../core/calendar/day';
import { momentName, replacedBy, sizeName } from './kept-words';

test.each([
  [0, '0 B'],
  [999, '999 B'],
  [1000, '1.0 KB'],
  [9_940, '9.9 KB'],
  [25_400, '25 KB'],
  [1_250_000, '1.3 MB'],
  [2_000_000_000, '2.0 GB'],
])('a size of %d bytes reads %s', (size, words) => expect(sizeName(size)).toBe(words));

test.each([
  ['typing', null, 0, 'before more was written'],
  ['typing', null, 1, 'before it was deleted'],
  ['command', 'Carried forward', 0, 'before “Carried forward”'],
  ['import', null, 0, 'before an import'],
  ['folder', null, 0, 'before a change in the folder'],
  ['undo', null, 0, 'before Undo or Redo'],
  ['shipped', null, 0, 'before a newer version of the page'],
  ['command', null, 0, 'before an action'],
] as const)('what %s %s took the place of reads so', (by, label, gone, words) => expect(replacedBy({ by, label, gone })).toBe(words));

test('a moment is named by its day as people say it, and its time', () => {
  expect(momentName(new Date(2026, 10, 23, 9, 5).getTime(), dayOfDate(new Date(2026, 10, 23)), 'words')).toBe('today 09:05');
});
