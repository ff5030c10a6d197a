import { withGatherClause } from '../saying/edit-clause';
import { NO_NARROWING, narrowed, otherWay, typedCondition } from './narrow';
import { parseGather } from '../language/parse';

describe('narrowing a gather for a while', () => {
  it.each([
    [{}, 'open\nlimit 3', 'open\nlimit 3'],
    [{ only: '#loans' }, 'open and late', 'where open and late and #loans'],
    [{ only: 'path in "Exhibitions"' }, 'open or late', 'where (open or late) and path in "Exhibitions"'],
    [{ typed: 'crate height' }, 'open', 'where open and text has "crate height"'],
    [{ typed: 'due < today' }, 'open', 'where open and due < today'],
    [{ typed: 'late' }, 'open', 'where open and text has "late"'],
    [{ chosen: ['#loans', '#build', 'late'] }, 'open', 'where open and (#loans or #build) and late'],
    [{ chosen: ['#loans', 'not #build', 'not @kofi'] }, 'open', 'where open and #loans and not #build and not @kofi'],
    [
      { chosen: ['[[Barometers]]', '[[Intake]]', 'priority >= high'] },
      'open',
      'where open and ([[Barometers]] or [[Intake]]) and priority >= high',
    ],
    [{ sides: ['#house', 'path in "Private"'] }, 'open', 'where open and (#house or path in "Private")'],
    [{ resting: true }, 'open', 'where open\nincluding resting'],
    [{ typed: 'x' }, 'open and', 'open and'],
    [{ only: '#loans' }, 'from notes\nwhere open > 0', 'from notes\nwhere open > 0 and #loans'],
    [{ only: 'late' }, 'from notes', 'from notes'],
    [{ only: '@kofi' }, '', 'where @kofi'],
  ])('%o of %j', (change, text, wanted) => expect(narrowed(text, { ...NO_NARROWING, ...change })).toBe(wanted));

  it.each([
    ['#loans', 'not #loans'],
    ['due = today or plan = today', 'not (due = today or plan = today)'],
    ['"this and that"', 'not ("this and that")'],
  ])('%s the other way is %s, and back', (wanted, leftOut) => {
    expect([otherWay(wanted), otherWay(leftOut)]).toEqual([leftOut, wanted]);
    expect(parseGather(`where ${leftOut}`).errors).toEqual([]);
  });

  it('always gives a gather that can be read', () => {
    for (const typed of ['"', '(', '#', 'a"b', '\\', 'open and (', '[[', '--']) {
      const condition = typedCondition(typed);
      expect([typed, parseGather(`where ${condition ?? 'open'}`).errors]).toEqual([typed, []]);
    }
  });
});

describe('another clause in a gather', () => {
  it.each([
    ['open', 'order', 'order by due', 'open\norder by due'],
    ['', 'order', 'order by due', 'order by due'],
    ['open\norder by due, priority\nlimit 3', 'order', 'order by plan desc', 'open\norder by plan desc\nlimit 3'],
    ['open order by due limit 3', 'order', 'order by plan', 'open order by plan limit 3'],
    ['open\norder by due\nlimit 3', 'order', null, 'open\nlimit 3'],
    ['open order by due limit 3', 'order', null, 'open limit 3'],
    ['title a\ncolumns due, steps, note\n-- why\nwhere open', 'columns', 'columns due', 'title a\ncolumns due\n-- why\nwhere open'],
    ['open\ncolumns due\nsteps apart', 'columns', 'columns tag', 'open\ncolumns tag\nsteps apart'],
    ['open\nas board by status (todo, none)\ngroup by note', 'as', 'as table', 'open\nas table\ngroup by note'],
    ['open\nincluding resting', 'including', null, 'open'],
    ['open and due < today group by week', 'group', 'group by note', 'open and due < today group by note'],
  ] as const)('%j with %s %j', (text, word, clause, wanted) => {
    expect(withGatherClause(text, word, clause)).toBe(wanted);
    expect(parseGather(wanted).errors).toEqual([]);
  });
});
