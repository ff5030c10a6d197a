import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { act } from '../../task/acts/act';
import { ACTION_DEFAULTS, type ActionContext } from '../../task/acts/action-context';
import { statusTable } from '../../task/line/added-status';
import { applyChanges } from '../../task/writing/edit';
import type { GatherContext } from '../language/ast';
import { demandsOf, lineFor } from './demands';
import { dropInto } from './drop';
import { parseGather } from '../language/parse';
import { runs } from '../../testing/test-runs';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const SETTINGS = { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;
const LORRY = { sign: '>', name: 'On the lorry', means: 'underway', colour: null, icon: null } as const;
const CONTEXT: GatherContext = {
  today: TODAY,
  firstDayOfWeek: 1,
  me: null,
  thisNote: null,
  raiseTag: 'talk',
  statuses: statusTable([LORRY]),
};
const DAY_PAGE = { path: 'Journal/2026-11-23.md', journal: TODAY, handle: null, tag: null };

describe('what a task written into a gather gets', () => {
  it.each<[string, Partial<ReturnType<typeof demandsOf>>]>([
    ['open and #loans and due = today', { names: ['#loans'], clauses: ['due 2026-11-23'], choices: [] }],
    ['@kofi and waiting and priority = high', { names: ['@kofi'], status: 'waiting', clauses: ['high'] }],
    ['plan in 2026-W49 and owner = @kofi', { clauses: ['plan 2026-W49', 'owner @kofi'], choices: [] }],
    ['plan = tomorrow and asked = @bea and takes = 30m', { clauses: ['plan 2026-11-24', 'asked @bea', 'takes 30m'] }],
    ['[[Salt on the Glass]] and not #not-now', { names: ['[[Salt on the Glass]]'], choices: [] }],
    ['under [[Salt on the Glass#Loans]]', { place: 'Salt on the Glass#Loans' }],
    ['#loans or #build', { names: [], choices: ['#loans or #build'] }],
    ['due in next 14 days and priority >= high', { clauses: [], choices: ['due in next 14 days', 'priority >= high'] }],
    ['late', { choices: ['late'] }],
    ['open and owner = me and priority = normal and without due', { clauses: [], names: [], choices: [] }],
    ['closed', { choices: ['closed'] }],
    ['to raise and @kofi', { names: ['#talk', '@kofi'], choices: [] }],
    ['status = "On the lorry"', { status: 'underway', sign: '>', choices: [] }],
    ['status != "On the lorry"', { status: 'todo', choices: [] }],
    ['#loans\ninto [[Intake#Crates]]', { names: ['#loans'], place: 'Intake#Crates' }],
  ])('%s', (text, wanted) => expect(demandsOf(parseGather(text).gather, CONTEXT)).toMatchObject(wanted));

  it('this day is the page of the day, or a due day elsewhere', () => {
    const at = { ...CONTEXT, thisNote: DAY_PAGE };
    expect(demandsOf(parseGather('this day').gather, at)).toMatchObject({ place: DAY_PAGE.path, clauses: [] });
    expect(demandsOf(parseGather('this day\ninto [[Intake]]').gather, at)).toMatchObject({ place: 'Intake', clauses: ['due 2026-11-23'] });
    expect(demandsOf(parseGather('this day').gather, CONTEXT).choices).toEqual(['this day']);
  });

  it.each([
    ['Ring the lender', '- [ ] Ring the lender #loans {due 2026-11-23}'],
    ['Ring the lender #Loans', '- [ ] Ring the lender #Loans {due 2026-11-23}'],
    ['Ring about #loansheet', '- [ ] Ring about #loansheet #loans {due 2026-11-23}'],
    ['Ring the lender {high; due 2026-12-01}', '- [ ] Ring the lender #loans {high; due 2026-12-01}'],
    ['  two\nlines ', '- [ ] two lines #loans {due 2026-11-23}'],
  ])('%j becomes %s', (words, line) => {
    const demands = demandsOf(parseGather('open and #loans and due = today').gather, CONTEXT);
    expect(lineFor(words, demands)).toBe(line);
  });

  it('stands in the gather as soon as it leaves no choice', () => {
    const leaf = fc.constantFrom(
      'open',
      'todo',
      'waiting',
      'underway',
      '#loans',
      'own #build',
      '@kofi',
      '[[Kofi]]',
      'due = today',
      'due in 2026-12-01..2026-12-01',
      'plan = 2026-W49',
      'priority = top',
      'owner = @noor',
      'asked = @bea',
      'without takes',
      'not #not-now',
      'takes = 45m',
    );
    fc.assert(
      fc.property(fc.uniqueArray(leaf, { minLength: 1, maxLength: 4 }), (parts) => {
        const where = parts.join(' and ');
        const demands = demandsOf(parseGather(where).gather, CONTEXT);
        expect(demands.choices).toEqual([]);
        const library = new Library(SETTINGS);
        library.apply([{ path: 'A.md', text: lineFor('Crates', demands) }]);
        const contradictory =
          parts.filter((part) => /^(?:todo|waiting|underway)$/.test(part)).length > 1 ||
          parts.filter((part) => part.startsWith('due')).length > 1 ||
          parts.filter((part) => part.includes('takes')).length > 1;
        if (!contradictory) expect([where, library.ask(where).answer.total]).toEqual([where, 1]);
      }),
      { numRuns: runs(200), seed: 20261123 },
    );
  });
});

describe('putting a task into another group', () => {
  const context: ActionContext = { now: { day: TODAY, minute: null }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
  const put = (line: string, group: string, from: string | null, to: string | null): string => {
    const key = parseGather(`open\ngroup by ${group}`).gather.groupBy[0];
    if (!key) throw new Error('the key can be read');
    const drop = dropInto(key, from, to);
    if ('refused' in drop) return drop.refused;
    return drop.intentions.reduce((text, intention) => {
      const outcome = act(text, { line: 0, expected: text }, intention as Parameters<typeof act>[2], context);
      return 'refused' in outcome ? outcome.refused : applyChanges(text, outcome.changes);
    }, line);
  };
  it.each([
    ['- [ ] a', 'status', 'todo', 'waiting', '- [:] a {since 2026-11-23}'],
    ['- [ ] a {high}', 'priority', 'high', 'normal', '- [ ] a'],
    ['- [ ] a', 'priority', 'normal', 'top', '- [ ] a {top}'],
    ['- [ ] a #loans b', 'tag', 'loans', 'build', '- [ ] a b #build'],
    ['- [ ] a #loans', 'tag', 'loans', null, '- [ ] a'],
    ['- [ ] a', 'owner', null, 'kofi', '- [ ] a {owner @kofi}'],
    ['- [ ] a {owner @kofi}', 'owner', 'kofi', null, '- [ ] a'],
    ['- [ ] a {due 2026-11-25}', 'due', '2026-11-25', '2026-11-24', '- [ ] a {due 2026-11-24}'],
    ['- [ ] a {due 2026-11-25}', 'due', '2026-11-25', null, '- [ ] a'],
    ['- [ ] a', 'week', null, '2026-W49', '- [ ] a {plan 2026-W49}'],
    ['- [ ] a', 'week of due', null, '2026-12-05', '- [ ] a {due 2026-12-05}'],
    ['- [ ] a {due 2026-11-25; plan 2026-11-24}', 'week of due', '2026-W48', null, '- [ ] a {plan 2026-11-24}'],
    ['- [ ] a {due 2026-11-25; plan 2026-11-24}', 'week', '2026-W48', null, '- [ ] a'],
    ['- [ ] a', 'period', 'No date', 'Tomorrow', '- [ ] a {plan 2026-11-24}'],
    ['- [ ] a {due 2026-11-25; plan 2026-11-24}', 'period', 'Tomorrow', 'No date', '- [ ] a'],
    ['- [ ] a', 'period', 'No date', 'Late', '“Late” names no day to move to.'],
    ['- [x] a {done 2026-11-20}', 'done', '2026-11-20', '2026-11-21', 'When a task was done is not changed by moving it.'],
  ])('%s by %s from %s to %s', (line, group, from, to, wanted) => expect(put(line, group, from, to)).toBe(wanted));

  it('moves between notes and headings', () => {
    const key = (by: string) => ({ key: by as 'note', of: null, descending: false, byCount: false });
    expect(dropInto(key('note'), 'A.md', 'B.md')).toEqual({ intentions: [{ do: 'move', to: 'B.md' }] });
    expect(dropInto(key('heading'), null, 'Loans')).toEqual({ intentions: [{ do: 'move', to: '#Loans' }] });
    expect(dropInto(key('note'), 'A.md', 'A.md')).toEqual({ intentions: [] });
  });
});
