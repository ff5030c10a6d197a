import { readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import type { AnswerView, RowView } from '../../index/live/view';

const library = new Library({ today: readIsoDay('2026-11-23') ?? 0, firstDayOfWeek: 1, dateStyle: 'words', me: 'ines', workingDay: 480 });
library.apply([
  {
    path: 'B.md',
    text: [
      '## Loans',
      '- [ ] b1 {due 2026-11-25; low; takes 30m}',
      '- [ ] b2 {due 2026-11-25 09:00; top; owner @kofi}',
      '- [ ] b3 {due 2026-11-25 08:00; asked @bea; takes 1h}',
      '## Texts #label-text',
      '- [ ] b4 {plan 2026-W49; high}',
      '- [x] b5 {done 2026-11-23 08:00}',
      '- [x] b6 {done 2026-11-22 18:00}',
    ].join('\n'),
  },
  {
    path: 'A.md',
    text: '- [ ] a1 {due 2026-11-20}\n- [ ] a2\n  - [ ] a3 {due 2026-11-20; takes 15m}\n- [ ] a4 {start 2026-12-05}\n- [ ] a5 {start 2026-12-01}\n',
  },
]);

function ask(text: string): AnswerView {
  library.subscribe('asked', text, null);
  const answer = library.answer('asked');
  if (!answer || answer.errors.length > 0) throw new Error(JSON.stringify(answer?.errors));
  return answer;
}
const rows = (answer: AnswerView): string[] => answer.groups.flatMap((group) => group.rows.map((row) => row.text));
const groups = (answer: AnswerView): string[] =>
  answer.groups.map((group) => `${group.label}: ${group.rows.map((row) => row.text).join(' ')}`);

describe('order', () => {
  it.each([
    // Common practice, no source: unmarked ranks between high and low; late stands first.
    ['open and not is step', 'a1 b2 b4 b3 a2 b1'],
    ['open and with due\norder by due', 'a1 a3 b3 b2 b1'],
    ['open and with due\norder by due desc', 'b1 b2 b3 a1 a3'],
    ['open\norder by priority, path', 'b2 b4 a1 a2 b3 b1'],
    ['open and with takes\norder by takes desc', 'b3 b1 a3'],
    ['done\norder by done desc', 'b5 b6'],
    // What is absent stands last, ascending or descending.
    ['open and path in ""\norder by plan', 'b4 a1 a2 b1 b2 b3'],
    ['open and path in ""\norder by plan desc', 'b4 a1 a2 b1 b2 b3'],
    ['open\norder by note, text desc', 'a2 a1 b4 b3 b2 b1'],
  ])('%j', (question, expected) => expect(rows(ask(question)).join(' ')).toBe(expected));
});

describe('groups', () => {
  it.each([
    ['open group by priority', ['Top: b2', 'High: b4', 'Normal: a1 b3 a2', 'Low: b1']],
    ['open and with due group by due', ['Fri 20: a1 a3', 'Wed 25: b2 b3 b1']],
    ['open and with due group by due desc', ['Wed 25: b2 b3 b1', 'Fri 20: a1 a3']],
    ['open group by week', ['Last week: a1 a3', 'This week: b2 b3 b1', 'Next week: b4', 'No date: a2']],
    ['open and with due group by month', ['Nov 2026: a1 a3 b2 b3 b1']],
    ['done group by day of done', ['Yesterday: b6', 'Today: b5']],
    ['resting group by back', ['Tue 1 Dec: a5', 'Sat 5 Dec: a4']],
    ['open group by note', ['A: a1 a2', 'B: b2 b4 b3 b1']],
    ['open and note = "B" group by heading', ['Loans: b2 b3 b1', 'Texts #label-text: b4']],
    ['open group by owner', ['@kofi: b2', 'Oneself: a1 b4 b3 a2 b1']],
    ['open and note = "B" group by tag', ['#label-text: b4', 'No tag: b2 b3 b1']],
    [
      'open and note = "B" group by heading, priority',
      ['Loans › Top: b2', 'Loans › Normal: b3', 'Loans › Low: b1', 'Texts #label-text › High: b4'],
    ],
    ['open or done group by status', ['To do: a1 b2 b4 b3 a2 b1', 'Done: b5 b6']],
  ])('%s', (question, expected) => expect(groups(ask(question))).toEqual(expected));

  it('a step whose parent stands in another group is a row of its own', () => {
    expect(groups(ask('open and note = "A" group by day'))).toEqual(['Fri 20: a1 a3', 'No date: a2']);
  });

  it('sum up what their open tasks take', () => {
    expect(ask('open group by note').groups.map((group) => group.takes)).toEqual([15, 90]);
  });
});

describe('limits', () => {
  it('count rows, and the steps inside a row come with it', () => {
    const answer = ask('open and note = "A" order by path limit 2');
    expect(rows(answer)).toEqual(['a1', 'a2']);
    expect(answer.groups[0]?.rows[1]?.steps.map((step: RowView) => step.text)).toEqual(['a3']);
    expect([answer.total, answer.more]).toEqual([3, 0]);
  });

  it('cut before grouping; per group they cut after', () => {
    expect(groups(ask('open and with due order by due group by note limit 1'))).toEqual(['A: a1']);
    const answer = ask('open group by note limit 1 per group');
    expect(groups(answer)).toEqual(['A: a1', 'B: b2']);
    expect(answer.groups.map((group) => group.more)).toEqual([1, 3]);
  });

  it('of none leave the number', () => {
    expect(ask('open limit 0')).toMatchObject({ total: 7, more: 6, groups: [] });
  });
});

describe('who', () => {
  it.each([
    ['owner = @kofi', 'b2'],
    ['owner = me and with asked', 'b3'],
    ['owner = @ines and with asked', 'b3'],
    ['owner != me', 'b2'],
    ['asked = @bea', 'b3'],
    ['asked != @kofi', 'b3'],
    ['@bea', 'b3'],
  ])('%s', (question, expected) => expect(rows(ask(question)).join(' ')).toBe(expected));
});
