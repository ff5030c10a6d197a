import fc from 'fast-check';
import { isoDay, readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { type RowView, rowView } from '../../index/live/view';
import { SPAN_DAYS, spanAxis, spanGroups, spanNeeds, spanOf, spanTicks } from './spans';

const day = (iso: string): number => readIsoDay(iso) ?? 0;
const TODAY = day('2026-11-23');

/** The rows of some lines, as a list would show them. */
function rowsOf(...lines: string[]): RowView[] {
  const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
  library.apply([{ path: 'A.md', text: lines.join('\n') }]);
  return library.ask('including resting').answer.groups.flatMap(({ rows }) => rows.map((row) => rowView(row, TODAY)));
}

describe('the bar of a task', () => {
  it.each([
    ['plan 2026-11-24; due 2026-11-27', '2026-11-24', '2026-11-27', 'plan', 'due'],
    ['start 2026-11-25; plan 2026-11-24; due 2026-11-27', '2026-11-25', '2026-11-27', 'start', 'due'],
    ['due 2026-11-27', '2026-11-27', '2026-11-27', null, 'due'],
    ['plan 2026-W49', '2026-11-30', '2026-12-06', 'plan', null],
    ['plan 2026-W49; due 2026-12-02', '2026-11-30', '2026-12-02', 'plan', 'due'],
    // It begins after it is due.
    ['start 2026-12-10; due 2026-12-01', '2026-12-01', '2026-12-10', 'start', 'due'],
  ])('%s', (tail, from, to, begins, ends) => {
    const [row] = rowsOf(`- [ ] Crate {${tail}}`);
    expect(row && spanOf(row)).toMatchObject({ from: day(from), to: day(to), begins, ends });
  });

  it('does not begin on the day of the page on which its line stands', () => {
    const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
    library.apply([{ path: 'Journal/2026-11-20.md', text: '- [ ] Crate {due 2026-11-27}' }]);
    const [row] = library.ask('open').answer.groups.flatMap(({ rows }) => rows.map((one) => rowView(one, TODAY)));
    expect(row && spanOf(row)).toMatchObject({ from: day('2026-11-27'), to: day('2026-11-27') });
  });

  it('is none without a date', () => expect(rowsOf('- [ ] Crate').map(spanOf)).toEqual([null]));
});

describe('bars in groups', () => {
  it('lie on lines of their own, counted through all groups, those that begin first above', () => {
    const rows = rowsOf('- [ ] b {due 2026-11-28}', '- [ ] a {due 2026-11-24}', '- [ ] no date', '- [ ] c {due 2026-11-30}');
    const named = (words: string): RowView[] => rows.filter(({ text }) => words.includes(text));
    const groups = spanGroups([named('ab no date'), named('c')]);
    expect(groups.map(({ first, bars }) => [first, bars.map(({ row }) => row.text)])).toEqual([
      [0, ['a', 'b']],
      [2, ['c']],
    ]);
  });

  it('what must be closed first leads from the end of its bar to the beginning of the other', () => {
    const rows = rowsOf(
      '- [ ] Build the plinth {due 2026-11-25; ref k3f9qa}',
      '- [ ] Place the lens {plan 2026-11-27; due 2026-11-28; needs k3f9qa, zzzzzz}',
    );
    expect(spanNeeds(spanGroups([rows]))).toEqual([{ from: 0, to: 1, leaves: day('2026-11-26'), reaches: day('2026-11-27') }]);
  });
});

describe('the axis', () => {
  it('holds today and every bar near it, from the beginning of a week', () => {
    const near = fc.tuple(fc.integer({ min: -200, max: 200 }), fc.integer({ min: 0, max: 60 }));
    fc.assert(
      fc.property(fc.array(near, { maxLength: 12 }), (spans) => {
        const bars = spans.map(([from, days]) => ({ from: TODAY + from, to: TODAY + Math.min(200, from + days) }));
        const axis = spanAxis(bars, TODAY, 1);
        expect((axis.from + 3) % 7).toBe(0);
        expect(SPAN_DAYS).toContain(axis.to - axis.from + 1);
        for (const { from, to } of [...bars, { from: TODAY, to: TODAY }]) expect([axis.from <= from, to <= axis.to]).toEqual([true, true]);
      }),
    );
  });

  it('is not squeezed by what lies centuries away', () => {
    const axis = spanAxis(
      [
        { from: day('1700-01-01'), to: day('1700-01-02') },
        { from: day('2999-01-01'), to: day('2999-01-01') },
      ],
      TODAY,
      1,
    );
    expect(axis.to - axis.from + 1).toBe(14);
  });

  it.each([
    [14, 'day', 14],
    [56, 'week', 8],
    [224, 'month', 7],
    [1792, 'year', 5],
  ])('of %i days is marked by each %s', (days, unit, least) => {
    const ticks = spanTicks({ from: TODAY, to: TODAY + days - 1 }, 1);
    expect(ticks.unit).toBe(unit);
    expect(ticks.days.length).toBeGreaterThanOrEqual(Math.min(least, 4));
    expect(ticks.days.length).toBeLessThanOrEqual(17);
    if (unit === 'month') expect(ticks.days.map(isoDay)).toContain('2026-12-01');
  });
});
