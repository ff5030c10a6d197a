import { readIsoDay } from '../../calendar/day';
import { Library } from '../library';
import { answersAfter } from './news';
import { OverviewKeeper } from './overview-keeper';
import { EMPTY_OVERVIEW, overviewAfter } from './overview';
import { journalClaims, journalPathOf, pageInJournal } from './journal-claims';

const MONDAY = readIsoDay('2026-11-23') ?? 0;

function libraryOf(notes: Record<string, string>) {
  const library = new Library({ today: MONDAY, firstDayOfWeek: 1, dateStyle: 'iso', me: null, workingDay: 480 });
  library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return { library, notes: overviewAfter(EMPTY_OVERVIEW, new OverviewKeeper().news(library, null, {})).notes };
}

const DIARY = '---\nkind: journal\njournal: Diary\n---\n';

describe('the page of a day', () => {
  it('of another journal claims its day in that one only', () => {
    const { library, notes } = libraryOf({
      'Diary/2026-11-23.md': `${DIARY}- [ ] water the quince`,
      'A/2026-11-23.md': '- [ ] weigh the crate',
      'B/2026-11-24.md': '---\njournal: diary\n---\n',
    });
    expect(journalClaims(notes, MONDAY).map(({ path }) => path)).toEqual(['A/2026-11-23.md']);
    expect(journalClaims(notes, MONDAY, 'DIARY').map(({ path }) => path)).toEqual(['Diary/2026-11-23.md']);
    expect(pageInJournal(notes, MONDAY + 1, 'Diary')).toBe('B/2026-11-24.md');
    expect(pageInJournal(notes, MONDAY + 2, 'Diary')).toBeNull();
    expect(journalPathOf(notes, MONDAY + 1)).toBe('Journal/2026-11-24.md');
    expect(library.days.pageOf(MONDAY)?.head.path).toBe('A/2026-11-23.md');
    // What stands on either counts as planned for the day.
    library.subscribe('day', 'where open and journal = today', null);
    const news = library.news('day');
    expect(answersAfter({}, news ? { day: news } : {})['day']?.total).toBe(2);
  });

  it('without a name, or of no day, is of the journal there is always', () => {
    const { notes } = libraryOf({ 'A.md': '---\nkind: journal\ndate: 2026-11-23\njournal:\n---\n', 'B.md': '---\njournal: Diary\n---\n' });
    expect(journalClaims(notes, MONDAY).map(({ path }) => path)).toEqual(['A.md']);
    expect(journalClaims(notes, MONDAY, 'Diary')).toEqual([]);
  });
});
