import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { columnsOf, groupView, rowView } from '../../index/live/view';
import type { RowView } from '../../index/live/view';
import { ACTION_DEFAULTS } from '../../task/acts/action-context';
import { act } from '../../task/acts/act';
import { statusTable } from '../../task/line/added-status';
import { applyChanges } from '../../task/writing/edit';
import type { BoardColumn } from '../forms/board';
import type { GroupKeyName } from '../language/ast';
import { parseGather } from '../language/parse';
import { columnGather } from './column-gather';
import { dropOnColumn, dropWords } from './drop-on-column';
import { proposalFor, writtenTask } from './written-task';
import { runs } from '../../testing/test-runs';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const SETTINGS = { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;
const LORRY = { sign: '>', name: 'On the lorry', means: 'underway', colour: null, icon: null } as const;
const NOTE = { path: 'Statuses/On the lorry.md', text: '---\nkind: status\nsign: ">"\nname: On the lorry\nmeans: underway\n---\n' };
const CONTEXT = {
  now: { day: TODAY, minute: 560 },
  settings: { ...ACTION_DEFAULTS, statuses: statusTable([LORRY]) },
  makeRef: () => 'k3f9qa',
};
const KEYS: GroupKeyName[] = ['status', 'tag', 'person', 'owner', 'asked', 'priority', 'due', 'plan', 'day', 'week', 'month', 'period'];

const libraryOf = (lines: readonly string[]): Library => {
  const library = new Library({ ...SETTINGS, statuses: statusTable([LORRY]) });
  library.apply([NOTE, { path: 'A.md', text: lines.join('\n') }]);
  return library;
};

function board(lines: readonly string[], form: string): BoardColumn<RowView>[] {
  const gather = `as board by ${form}\nincluding resting\nsteps apart`;
  const { answer } = libraryOf(lines).ask(gather);
  const groups = answer.groups.map((group) => groupView(0, group, (entry) => rowView(entry, TODAY)));
  return columnsOf({ form: parseGather(gather).gather.form, groups }) ?? [];
}

/** The line that a task becomes; the reason where it cannot be. */
function dropped(
  line: string,
  by: GroupKeyName,
  from: BoardColumn<RowView>,
  to: BoardColumn<RowView>,
  bears: readonly string[] = [],
): string | null {
  const drop = dropOnColumn(by, from, to, [LORRY], bears);
  if ('refused' in drop) return null;
  return drop.intentions.reduce<string | null>((text, intention) => {
    if (text === null) return null;
    const outcome = act(text, { line: 0, expected: text }, intention as Parameters<typeof act>[2], CONTEXT);
    return 'refused' in outcome ? null : applyChanges(text, outcome.changes);
  }, line);
}

const line = fc
  .tuple(
    fc.constantFrom(' ', '_', ':', 'x', '-', '>'),
    fc.subarray(['#loans', '#build']),
    fc.subarray(['@kofi', '@bea']),
    fc.subarray(['due 2026-11-25', 'plan 2026-11-23', 'high', 'owner @kofi', 'asked @bea', 'start 2026-12-01']),
    fc.nat({ max: 99 }),
  )
  .map(([sign, tags, people, clauses, number]) => {
    const words = [`task ${number}`, ...tags, ...people].join(' ');
    return `- [${sign}] ${words}${clauses.length === 0 ? '' : ` {${clauses.join('; ')}}`}`;
  });

describe('a drop into a column', () => {
  test.each(KEYS)('by %s: the card stands in that column then, and in no less of the others than it must', (by) => {
    fc.assert(
      fc.property(fc.uniqueArray(line, { minLength: 2, maxLength: 7 }), fc.nat(), fc.nat(), fc.nat(), (lines, a, b, c) => {
        const columns = board(lines, by);
        const from = columns[a % columns.length];
        const to = columns[b % columns.length];
        const card = from?.cards[c % Math.max(1, from.cards.length)];
        if (!from || !to || !card || from === to) return;
        // Who owns a task or asked for it is with it, whatever its words say.
        if (by === 'person' && to.group === null && /owner|asked/.test(card.raw)) return;
        const after = dropped(card.raw, by, from, to, by === 'tag' ? card.tags : by === 'person' ? card.people : []);
        if (after === null) return;
        const next = board([...lines.filter((one) => one !== card.raw), after], by);
        const there = next.find((one) => one.finished === to.finished && one.group === to.group);
        expect({ into: to.label, stands: there?.all.some(({ raw }) => raw === after) }).toEqual({ into: to.label, stands: true });
        // It left the one it came from, unless that is where it is for another reason.
        if (by === 'status' || by === 'priority' || from.finished)
          expect(next.find((one) => one.group === from.group)?.all.some(({ raw }) => raw === after) ?? false).toBe(false);
      }),
      { numRuns: runs(150) },
    );
  });

  test('into an added status before any task bears it; among the finished it is ticked; out of it, it is open again', () => {
    const [todo, , lorry, end] = board(['- [ ] a #loans'], 'status (todo, waiting, "On the lorry")');
    if (!todo || !lorry || !end) throw new Error('the columns are there');
    expect(dropped('- [ ] a', 'status', todo, lorry)).toBe('- [>] a {since 2026-11-23 09:20}');
    expect(dropped('- [ ] a', 'status', todo, end)).toBe('- [x] a {done 2026-11-23 09:20}');
    const tags = board(['- [x] a #loans', '- [ ] b #build'], 'tag');
    const [build, finished] = [tags[0], tags.at(-1)];
    if (!build || !finished) throw new Error('the columns are there');
    expect(dropped('- [x] a #loans {done 2026-11-20}', 'tag', finished, build)).toBe('- [ ] a #loans #build');
  });

  test('a tag that is called as the column of what is finished is another column', () => {
    const columns = board(['- [ ] a #finished', '- [x] b #finished'], 'tag');
    expect(columns.map(({ key, cards, finished }) => [key, finished, cards.map(({ text }) => text)])).toEqual([
      ['finished', false, ['a #finished']],
      ['finished', true, ['b #finished']],
    ]);
    const [tag, end] = columns;
    if (!tag || !end) throw new Error('the columns are there');
    expect(tag.group).not.toBe(end.group);
    expect(dropped('- [ ] a #finished', 'tag', tag, end, ['finished'])).toBe('- [x] a #finished {done 2026-11-23 09:20}');
    expect(dropped('- [x] b #finished {done 2026-11-20}', 'tag', end, tag, ['finished'])).toBe('- [ ] b #finished');
  });

  test.each([
    ['status', 'todo', 'To do', 'a drop here opens it again'],
    ['tag', 'loans', '#loans', 'a drop here gives it #loans'],
    ['owner', null, 'Oneself', 'a drop here makes it one’s own'],
    ['period', 'Late', 'Late', 'nothing can be dropped here'],
    ['made', '2026-11-20', 'Fri 20', 'nothing can be dropped here'],
  ] as const)('by %s on %s it says: %s', (by, group, label, words) => expect(dropWords(by, { group, label, finished: false })).toBe(words));
});

describe('a card that is written into a column', () => {
  const context = { today: TODAY, firstDayOfWeek: 1, me: null, thisNote: null, statuses: statusTable([LORRY]) } as const;
  test.each([
    ['status', 'waiting'],
    ['status', 'On the lorry'],
    ['tag', '#loans'],
    ['person', '@kofi'],
    ['owner', '@kofi'],
    ['asked', '@bea'],
    ['priority', 'High'],
    ['due', 'Wed 25'],
    ['period', 'Today'],
    ['period', 'This week'],
    ['week', 'W48'],
  ] as const)('by %s, into %s: it stands there', (by, label) => {
    const lines = [
      '- [>] one #loans @kofi {plan 2026-11-23; high; owner @kofi}',
      '- [:] two {due 2026-11-25; asked @bea}',
      '- [ ] three {plan 2026-11-26}',
    ];
    const column = board(lines, by).find((one) => `${one.label} ${one.group ?? ''}`.toLowerCase().includes(label.toLowerCase()));
    if (!column) throw new Error(`there is a column ${label}`);
    const gather = columnGather(parseGather('open').gather, by, column);
    if (!gather) throw new Error('it can be written into');
    const written = writtenTask('Ring the lender', gather, context, CONTEXT, proposalFor(gather, context, CONTEXT));
    expect(written.stands).toBe(true);
    const after = board([...lines, written.line], by).find((one) => one.group === column.group);
    expect(after?.cards.map(({ raw }) => raw)).toContain(written.line);
  });
});
