import { journalClaims } from './journal-claims';
import { Library } from '../library';
import { overviewOf } from './overview-keeper';

const SETTINGS = { today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;

it('of two notes that claim a day the one of kind journal counts, then the first by path', () => {
  const library = new Library(SETTINGS);
  library.apply([
    { path: 'Archive/2026-11-23.md', text: '' },
    { path: 'Journal/2026-11-23.md', text: '' },
    { path: 'Rounds/Monday.md', text: '---\nkind: journal\ndate: 2026-11-23\n---\n' },
    { path: 'Rounds/2026-11-23.md', text: '---\nkind: meeting\n---\n' },
  ]);
  expect(journalClaims(overviewOf(library, {}).notes, 20780).map((note) => note.path)).toEqual([
    'Rounds/Monday.md',
    'Archive/2026-11-23.md',
    'Journal/2026-11-23.md',
  ]);
});
