import fc from 'fast-check';
import { isoDay, readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { readNote } from '../../task/reading/read-note';
import { DAY_DEFAULTS } from '../day-settings';
import { keptDays } from './kept-days';
import { plannedDay, pushedDays, sharesOf } from './planned';
import { runs } from '../../testing/test-runs';

const MONDAY = readIsoDay('2026-11-23') ?? 0;
const PAGE = 'Journal/2026-11-23.md';
const name = (day: number | null): string | null => (day === null ? null : isoDay(day).slice(5));

function lastTask(text: string, path: string) {
  const note = readNote(path, text);
  const task = note.tasks.at(-1);
  if (!task) throw new Error('no task');
  return { task, place: { journal: note.journal, isStep: task.parent !== -1 } };
}

describe('the day for which a task is planned', () => {
  it.each([
    ['a plan of a day', 'Loans.md', '- [ ] a {plan 2026-11-25}', '11-25'],
    ['with a time', 'Loans.md', '- [ ] a {plan 2026-11-25 09:00}', '11-25'],
    ['a plan of a week', 'Loans.md', '- [ ] a {plan 2026-W48}', null],
    ['a due day is no plan', 'Loans.md', '- [ ] a {due 2026-11-23}', null],
    ['no date', 'Loans.md', '- [ ] a', null],
    ['a step with a plan', 'Loans.md', '- [ ] a\n  - [ ] b {plan 2026-11-25}', '11-25'],
    ['done', 'Loans.md', '- [x] a {plan 2026-11-25}', '11-25'],
    ['written on the page', PAGE, '- [ ] a', '11-23'],
    ['and due that day', PAGE, '- [ ] a {due 2026-11-23}', '11-23'],
    ['and due another day', PAGE, '- [ ] a {due 2026-11-24}', null],
    ['and planned another day', PAGE, '- [ ] a {plan 2026-11-24}', '11-24'],
    ['and planned for a week', PAGE, '- [ ] a {plan 2026-W48}', null],
    ['a step on the page', PAGE, '- [ ] a\n  - [ ] b', null],
    ['resting beyond the day', PAGE, '- [ ] a {start 2026-11-30}', null],
    ['resting until the day', PAGE, '- [ ] a {start 2026-11-23}', '11-23'],
    ['landed as a slip', PAGE, '## Log\n- [ ] a', null],
    ['landed as a slip with a plan', PAGE, '## Log\n- [ ] a {plan 2026-11-23}', '11-23'],
    ['under another heading', PAGE, '## Plan\n- [ ] a', '11-23'],
  ])('%s', (_, path, text, day) => {
    const { task, place } = lastTask(text, path);
    expect(name(plannedDay(task, place, DAY_DEFAULTS))).toBe(day);
  });
});

describe('the days from which a task was pushed', () => {
  it.each([
    ['planned again', 'Loans.md', '- [ ] a {plan 2026-11-25; pushed 2026-11-20, 2026-11-23}', ['11-20', '11-23']],
    ['without a plan', 'Loans.md', '- [ ] a {due 2026-11-25; pushed 2026-11-20}', []],
    ['first from its due day', 'Loans.md', '- [ ] a {due 2026-11-20; plan 2026-11-25; pushed 2026-11-20, 2026-11-23}', ['11-23']],
    ['off the page of its day', PAGE, '- [ ] a {due 2026-11-25; pushed 2026-11-23}', ['11-23']],
    ['never', 'Loans.md', '- [ ] a {plan 2026-11-25}', []],
  ])('%s', (_, path, text, days) => {
    const { task, place } = lastTask(text, path);
    expect(pushedDays(task, place.journal).map(name)).toEqual(days);
  });
});

describe('what a task adds to what was kept', () => {
  it.each([
    ['done on its day', '- [x] a {plan 2026-11-23; done 2026-11-23 17:00}', ['11-23 kept']],
    ['done before', '- [x] a {plan 2026-11-23; done 2026-11-20}', ['11-23 kept']],
    ['done a day late', '- [x] a {plan 2026-11-23; done 2026-11-24}', ['11-23 missed']],
    ['done, nobody knows when', '- [x] a {plan 2026-11-23}', ['11-23 missed']],
    ['open', '- [ ] a {plan 2026-11-23}', ['11-23 missed']],
    ['waiting', '- [:] a {plan 2026-11-23}', ['11-23 missed']],
    ['cancelled', '- [-] a {plan 2026-11-23; cancelled 2026-11-23}', []],
    ['pushed and then done', '- [x] a {plan 2026-11-24; pushed 2026-11-23; done 2026-11-24}', ['11-23 missed', '11-24 kept']],
    ['pushed and done before that day', '- [x] a {plan 2026-11-24; pushed 2026-11-23; done 2026-11-23}', ['11-23 kept', '11-24 kept']],
    ['an open occurrence', '- [ ] a {plan 2026-11-23; every day}', ['11-23 occurrence']],
    ['the record of one', '- [x] a {plan 2026-11-23; done 2026-11-23}', ['11-23 kept']],
  ])('%s', (_, text, shares) => {
    const { task, place } = lastTask(text, 'Loans.md');
    const found = sharesOf(task, place, DAY_DEFAULTS).map(
      ({ day, kept, occurrence }) => `${name(day) ?? ''} ${occurrence ? 'occurrence' : kept ? 'kept' : 'missed'}`,
    );
    expect(found.sort()).toEqual(shares);
  });

  it('routine lines count or not, as the settings say', () => {
    const { task, place } = lastTask('## Routine\n- [x] Wind the clock {done 2026-11-23}', PAGE);
    expect(sharesOf(task, place, DAY_DEFAULTS)).toHaveLength(1);
    expect(sharesOf(task, place, { ...DAY_DEFAULTS, routinesCount: false })).toHaveLength(0);
  });
});

describe('how days went', () => {
  const library = (notes: Record<string, string>, today = MONDAY): Library => {
    const made = new Library({ today, firstDayOfWeek: 1, dateStyle: 'iso', me: null, workingDay: 480 });
    made.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
    return made;
  };

  it('missed occurrences count nowhere once their day is past; an excused day has no share; archives and echoes count nowhere', () => {
    const notes = {
      [PAGE]: '---\nexcused: ill\n---\n- [ ] a\n- [x] b {done 2026-11-23}\n- [ ] [c](recado:k3f9qa)',
      'Loans.md': '- [ ] c {plan 2026-11-24; every day; ref k3f9qa}\n- [x] d {plan 2026-11-24; done 2026-11-24}',
      'Old.md': '---\nkind: archive\n---\n- [x] e {plan 2026-11-24; done 2026-11-24}',
    };
    const days = (today: number) =>
      keptDays(
        MONDAY,
        MONDAY + 1,
        { rows: library(notes).rows(), today, excuseOf: (day) => (day === MONDAY ? 'ill' : null) },
        DAY_DEFAULTS,
      );
    expect(days(MONDAY + 1).map(({ planned, kept }) => [planned, kept])).toEqual([
      [2, 1],
      [2, 1],
    ]);
    expect(days(MONDAY + 2).map(({ planned, kept }) => [planned, kept])).toEqual([
      [2, 1],
      [1, 1],
    ]);
    expect(days(MONDAY + 2).map(({ excused }) => excused)).toEqual(['ill', null]);
  });

  /** A line of a generated journal, with what this test itself knows of it. */
  const LINE = fc.record({
    plan: fc.option(fc.integer({ min: 0, max: 4 })),
    done: fc.option(fc.integer({ min: 0, max: 4 })),
    pushed: fc.option(fc.integer({ min: 0, max: 4 })),
    cancelled: fc.boolean(),
    page: fc.integer({ min: 0, max: 5 }),
  });
  const iso = (offset: number): string => isoDay(MONDAY + offset);

  it('over generated journals they are what counting by hand gives, and the row of days tells the same', () => {
    fc.assert(
      fc.property(fc.array(LINE, { maxLength: 20 }), (lines) => {
        const notes: Record<string, string> = {};
        const expected = Array.from({ length: 5 }, () => ({ planned: 0, kept: 0 }));
        for (const { plan, done, pushed, cancelled, page } of lines) {
          const clauses = [
            ...(plan === null ? [] : [`plan ${iso(plan)}`]),
            ...(pushed === null ? [] : [`pushed ${iso(pushed)}`]),
            ...(done === null || cancelled ? [] : [`done ${iso(done)}`]),
          ];
          // Page 5 is no journal page.
          const path = page === 5 ? 'Loans.md' : `Journal/${iso(page)}.md`;
          const sign = cancelled ? '-' : done === null ? ' ' : 'x';
          notes[path] = `${notes[path] ?? ''}- [${sign}] a${clauses.length === 0 ? '' : ` {${clauses.join('; ')}}`}\n`;
          if (cancelled) continue;
          const days = new Set<number>();
          if (plan !== null) days.add(plan);
          else if (page !== 5) days.add(page);
          if (pushed !== null && (plan !== null || pushed === page)) days.add(pushed);
          for (const day of days) {
            const found = expected[day];
            if (!found) continue;
            found.planned++;
            if (done !== null && done <= day) found.kept++;
          }
        }
        const read = library(notes, MONDAY + 9);
        const days = keptDays(MONDAY, MONDAY + 4, { rows: read.rows(), today: MONDAY + 9, excuseOf: () => null }, DAY_DEFAULTS);
        expect(days.map(({ planned, kept }) => ({ planned, kept }))).toEqual(expected);
        const tallies = expected.map((_, offset) => read.total.days.get(MONDAY + offset));
        expect(tallies.map((tally) => ({ planned: tally?.planned ?? 0, kept: tally?.kept ?? 0 }))).toEqual(expected);
      }),
      { numRuns: runs(300), seed: 20261127 },
    );
  });
});
