import fc from 'fast-check';
import { isoDay, readIsoDay } from '../../../calendar/day';
import { figuresOf } from '../../days/figures-of';
import { Library, type LibrarySettings } from '../../library';
import { daysRecord, repeatsRecord } from './record';
import { runs } from '../../../testing/test-runs';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const SETTINGS: LibrarySettings = { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 };
const RANGE = { from: TODAY - 20, to: TODAY };

function libraryOf(notes: Record<string, string>): Library {
  const library = new Library(SETTINGS);
  library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return library;
}

const DAY = fc.integer({ min: -15, max: 4 }).map((days) => isoDay(TODAY + days));
const TASK = fc
  .tuple(fc.constantFrom(' ', 'x', '-', ':'), fc.option(DAY), fc.option(DAY), fc.option(DAY), fc.constantFrom('', ' #loans', ' #phone'))
  .map(([sign, plan, pushed, done, tag]) => {
    const clauses = [
      ...(plan === null ? [] : [`plan ${plan}`]),
      ...(pushed === null ? [] : [`pushed ${pushed}`]),
      ...(done === null || sign !== 'x' ? [] : [`done ${done}`]),
    ];
    return `- [${sign}] crate${tag}${clauses.length === 0 ? '' : ` {${clauses.join('; ')}}`}`;
  });

describe('the record of days', () => {
  it('says the same of each day as the row of days does', () => {
    fc.assert(
      fc.property(fc.array(TASK, { maxLength: 12 }), fc.array(TASK, { maxLength: 6 }), fc.boolean(), (tasks, written, excused) => {
        const library = libraryOf({
          'A.md': `${tasks.join('\n')}\n`,
          'Journal/2026-11-20.md': `---\nkind: journal\n${excused ? 'excused: ill\n' : ''}---\n${written.join('\n')}\n`,
        });
        const record = daysRecord(library, RANGE, []);
        for (let day = RANGE.from; day < TODAY; day++) {
          const figures = figuresOf(library, day);
          const counts = figures && figures.excused === null ? { planned: figures.planned, kept: figures.kept } : { planned: 0, kept: 0 };
          const told = record.days.find((one) => one.day === day) ?? { planned: 0, kept: 0 };
          expect([isoDay(day), told.planned, told.kept]).toEqual([isoDay(day), counts.planned, counts.kept]);
        }
        expect(record.days.every(({ day }) => day < TODAY)).toBe(true);
      }),
      { numRuns: runs(200), seed: 20261128 },
    );
  });

  it('by tag and side, and what was said against what was taken', () => {
    const library = libraryOf({
      'A.md': [
        '- [x] a #loans {plan 2026-11-20; takes 30m; since 2026-11-20 09:00; done 2026-11-20 10:15}',
        '- [ ] b #loans/out {plan 2026-11-19}',
        '- [x] c {plan 2026-11-19; done 2026-11-21 08:00; takes 1h}',
      ].join('\n'),
    });
    const record = daysRecord(library, RANGE, [
      { name: 'Loans', condition: '#loans' },
      { name: 'Broken', condition: 'due <' },
    ]);
    expect(record).toMatchObject({
      tags: [
        { name: 'loans', planned: 2, kept: 1 },
        { name: 'loans/out', planned: 1, kept: 0 },
      ],
      sides: [
        { name: 'Loans', planned: 2, kept: 1 },
        { name: 'Broken', planned: 0, kept: 0 },
      ],
      taken: { count: 1, said: 30, took: 75 },
    });
  });
});

test('what comes again is told note by note, with what is only counted', () => {
  const library = libraryOf({
    'Rounds.md':
      '- [ ] Read the log {due 2026-11-23; every day}\n- [x] Read the log {due 2026-11-21; done 2026-11-21}\n- [ ] Filter {due 2026-12-01; every month; times 4}\n',
    'None.md': '- [ ] a\n',
  });
  expect(repeatsRecord(library, RANGE).map(({ text, planned, kept, times }) => [text, planned, kept, times])).toEqual([
    ['Read the log', 2, 1, null],
    ['Filter', 0, 0, 4],
  ]);
});
