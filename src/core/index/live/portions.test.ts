import fc from 'fast-check';
import { LONG } from '../../testing/test-runs';
import { Library } from '../library';
import type { AnswerView } from './view';
import { answersAfter } from './news';

const SETTINGS = { today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;
const NOTES = 13;
const TASKS = 1000;

const lines = (note: number): string[] =>
  Array.from({ length: TASKS }, (_, at) => `- [ ] crate ${note}-${at} ${at % 3 === 0 ? '#loans' : '#build'}`);

describe('a list of many thousand rows', () => {
  // Whatever is written between two portions, the page comes to hold what was asked.
  it('is told bit by bit, and comes whole also while it is written in', () => {
    const edit = fc.record({
      note: fc.nat(NOTES - 1),
      at: fc.nat(TASKS - 1),
      how: fc.constantFrom('tick', 'away', 'new', 'other tag', 'none'),
    });
    fc.assert(
      fc.property(
        fc.array(edit, { maxLength: 6 }),
        fc.constantFrom('open group by tag', 'open', 'open order by text group by tag'),
        (edits, text) => {
          const library = new Library(SETTINGS);
          const texts = Array.from({ length: NOTES }, (_, note) => lines(note));
          library.apply(texts.map((all, note) => ({ path: `N${note}.md`, text: all.join('\n') })));
          library.subscribe('a', text, null);
          let page: Record<string, AnswerView> = {};
          const hear = (most?: number): number => {
            const news = library.news('a', most);
            const before = page['a']?.groups.reduce((sum, { rows }) => sum + rows.length, 0) ?? 0;
            if (news) page = answersAfter(page, { a: news });
            return (page['a']?.groups.reduce((sum, { rows }) => sum + rows.length, 0) ?? 0) - before;
          };
          expect(hear(200)).toBe(200);
          for (const { note, at, how } of edits) {
            const all = texts[note] ?? [];
            if (how === 'tick') all[at] = all[at]?.replace('[ ]', '[x]') ?? '';
            if (how === 'away') all.splice(at, 1);
            if (how === 'new') all.splice(at, 0, '- [ ] aaa #build');
            if (how === 'other tag') all[at] = '- [ ] zzz #loans';
            if (how !== 'none') library.apply([{ path: `N${note}.md`, text: all.join('\n') }]);
            expect(hear()).toBeLessThanOrEqual(2 * 5000 + 10);
          }
          let portions = 0;
          while (library.owes('a') && portions++ < 10) hear();
          const wanted = library.ask(text).answer.groups.map(({ key, rows }) => [key, rows.map(({ row }) => row.task.raw)]);
          expect(page['a']?.groups.map(({ key, rows }) => [key, rows.map(({ raw }) => raw)])).toEqual(wanted);
        },
      ),
      { numRuns: LONG ? 40 : 3 },
    );
  });

  it('whose groups are cut by a limit is told whole', () => {
    const library = new Library(SETTINGS);
    library.apply(Array.from({ length: NOTES }, (_, note) => ({ path: `N${note}.md`, text: lines(note).join('\n') })));
    library.subscribe('a', 'open\nlimit 6000 per group', null);
    let page: Record<string, AnswerView> = {};
    let told = 0;
    for (let most: number | undefined = 200; told === 0 || library.owes('a'); most = undefined) {
      const news = library.news('a', most);
      if (news) page = answersAfter(page, { a: news });
      expect(told++).toBeLessThan(5);
    }
    expect(page['a']?.groups[0]?.rows).toHaveLength(6000);
  });
});
