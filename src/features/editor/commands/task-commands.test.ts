import { COMMANDS } from '../../commands/definitions';
import fc from 'fast-check';
import { readIsoDay } from '../../../core/calendar/day';
import { ACTION_DEFAULTS, type ActionContext } from '../../../core/task/acts/action-context';
import { noteNow } from '../reading/note-field';
import { runTextCommand } from './run-command';
import type { TextHost } from './text-host';
import {
  actOnSelected,
  convertLines,
  offeredWords,
  openTail,
  repairLine,
  selectedLines,
  selectedTasks,
  takeOffered,
} from './task-commands';
import { markedText, testView } from '../test-view';

const CONTEXT: ActionContext = {
  now: { day: readIsoDay('2026-11-23') ?? 0, minute: 9 * 60 + 20 },
  settings: ACTION_DEFAULTS,
  makeRef: () => 'k3f9qa',
};
const nobody = (): void => undefined;

describe('the selected lines', () => {
  it('a selection that ends at the start of a line leaves that line out', () => {
    expect(selectedLines(testView('a\n|b\nc\n|d'))).toEqual([1, 2]);
    expect(selectedLines(testView('a\nb|b'))).toEqual([1]);
  });

  it('its tasks are those that begin on them', () => {
    expect(selectedTasks(testView('- [ ] a\n- [ ] |b\nplain\n- [ ] c|\n- [ ] d')).map((task) => task.text)).toEqual(['b', 'c']);
  });
});

describe('making tasks of lines', () => {
  it.each([
    ['Ring |@lars', '- [ ] Ring @lars'],
    ['- Ring |@lars', '- [ ] Ring @lars'],
    ['- [x] Ring |@lars {done 2026-11-20}', '- Ring @lars {done 2026-11-20}'],
    ['|one\n\n- two\n- [ ] three|', '- [ ] one\n\n- [ ] two\n- [ ] three'],
    ['- [ ] o|ne\n- [ ] two|', '- one\n- two'],
  ])('%j becomes %j', (before, wanted) => {
    const view = testView(before);
    convertLines(view, CONTEXT);
    expect(view.state.doc.toString()).toBe(wanted);
  });

  it('an empty line begins one, with the cursor behind its box', () => {
    const view = testView('a\n  |');
    convertLines(view, CONTEXT);
    expect(markedText(view)).toBe('a\n  - [ ] |');
  });

  it('twice leaves the lines as items with the same words', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('Ring the lender', 'weigh it #loans', 'ask @bea'), { minLength: 1, maxLength: 5 }), (words) => {
        const text = words.map((one) => `- ${one}`).join('\n');
        const view = testView(`|${text}|`);
        convertLines(view, CONTEXT);
        expect(noteNow(view.state).tasks.map((task) => task.text)).toEqual(words);
        convertLines(view, CONTEXT);
        expect(view.state.doc.toString()).toBe(text);
      }),
    );
  });
});

describe('acting on selected tasks', () => {
  it('raises the priority of all of them in one change', () => {
    const view = testView('- [ ] |a\n- [ ] b {due 2026-11-27}\n- [ ] c {low}|');
    expect(actOnSelected(view, { do: 'raise' }, CONTEXT, nobody)).toBe(true);
    expect(view.state.doc.toString()).toBe('- [ ] a {high}\n- [ ] b {due 2026-11-27; high}\n- [ ] c');
  });

  it('does nothing on a plain line', () => {
    expect(actOnSelected(testView('pl|ain'), { do: 'raise' }, CONTEXT, nobody)).toBe(false);
  });
});

describe('the tail', () => {
  it.each([
    ['- [ ] Pack| the lens', '- [ ] Pack the lens {|}'],
    ['- [ ] Pack |', '- [ ] Pack {|}'],
    ['- [ ] |', '- [ ] {|}'],
    ['- [ ] Pa|ck {high}', '- [ ] Pack {high; |}'],
  ])('%j opens as %j', (before, wanted) => {
    const view = testView(before);
    expect(openTail(view)).toBe(true);
    expect(markedText(view)).toBe(wanted);
  });

  it('opens on tasks alone', () => {
    expect(openTail(testView('- it|em'))).toBe(false);
  });

  it.each([
    ['- [ ] Ring @lars tomorrow| 15:00', '- [ ] Ring @lars| {plan 2026-11-24 15:00}'],
    ['- [ ] Ring  @lars by fri| {high}', '- [ ] Ring  @lars| {high; due 2026-11-27}'],
    // Before the names that end the line, and a repeat with its first day and its time.
    ['- [ ] Ring fri 9:00 @lars [[Tide clock]] #phone|', '- [ ] Ring @lars [[Tide clock]] #phone| {plan 2026-11-27 09:00}'],
    ['- [ ] Read the log every mon, fri 10:00| #log', '- [ ] Read the log #log| {every mon, fri; plan 2026-11-23 10:00}'],
    ['- [ ] Read the log every day at 18:00, by fri|', '- [ ] Read the log| {every day; due 2026-11-27 18:00}'],
    ['- [ ] tomorrow ring  @lars high 20m|', '- [ ] ring  @lars| {plan 2026-11-24; high; takes 20m}'],
    ['- [ ] waiting for @lars about the crate by fri|', '- [:] @lars about the crate| {due 2026-11-27}'],
    ['- [ ] Waiting for @lars and a crate|', '- [:] @lars and a crate|'],
    ['- [ ] fri: ring @lars, tomorrow|', '- [ ] ring @lars,| {plan 2026-11-27; due 2026-11-24}'],
  ])('takes what ends %j: %j', (before, wanted) => {
    const view = testView(before);
    expect(takeOffered(view, CONTEXT)).toBe(true);
    expect(markedText(view)).toBe(wanted);
  });

  it.each([
    '- [ ] Ring @lars',
    '- [ ] tomorrow',
    '- [ ] tomorrow @ilse',
    '- [ ] waiting for @ilse',
    '- [_] waiting for @ilse at last',
    '- Ring tomorrow',
  ])('offers none for %j', (line) => {
    const view = testView(`${line}|`);
    const [task] = noteNow(view.state).tasks;
    expect(task ? offeredWords(line, task, CONTEXT) : null).toBeNull();
    expect(takeOffered(view, CONTEXT)).toBe(false);
  });

  it('repairs words that are no date yet, then makes a page for who has none, and nothing else', () => {
    const view = testView('- [ ] Ring @isle {due next fri; colour blue}|');
    const made: string[] = [];
    const repair = (known: string[]): boolean => repairLine(view, CONTEXT, new Set(known), (person) => made.push(person));
    expect(repair([])).toBe(true);
    expect(view.state.doc.toString()).toBe('- [ ] Ring @isle {due 2026-12-04; colour blue}');
    expect(made).toEqual([]);
    expect(repair(['ilse'])).toBe(true);
    expect(made).toEqual(['isle']);
    expect(repair(['ilse', 'isle'])).toBe(false);
    expect(view.state.doc.toString()).toBe('- [ ] Ring @isle {due 2026-12-04; colour blue}');
  });
});

const calls: string[] = [];
const host: TextHost = {
  context: () => CONTEXT,
  tick: (lines) => calls.push(`tick ${lines.join()}`),
  raise: (line) => calls.push(`raise ${line}`),
  remark: (tasks, status) => calls.push(`${status} ${tasks.map((task) => task.line).join()}`),
  details: (line) => calls.push(`details ${line}`),
  dates: (tasks, what) => calls.push(`${what} ${tasks.map((task) => task.line).join()}`),
  names: (tasks) => calls.push(`names ${tasks.map((task) => task.line).join()}`),
  onto: (tasks) => calls.push(`onto ${tasks.map((task) => task.line).join()}`),
  closeUp: (line) => calls.push(`close-up ${line}`),
  wider: () => calls.push('wider'),
  insertMenu: () => calls.push('insert'),
  card: () => false,
  makeNote: (title) => calls.push(`note ${title}`),
  makePerson: (handle) => calls.push(`page ${handle}`),
  told: (reason) => calls.push(reason),
  lend: (line) => calls.push(`lend ${line}`),
  takeOut: (line) => calls.push(`take out ${line}`),
  makeMeeting: (line) => calls.push(`meeting ${line}`),
  raiseTag: () => 'raise',
  notNowTag: () => 'not-now',
  undo: () => calls.push('undo') > 0,
  redo: () => false,
};

describe('a whole line that is selected', () => {
  it.each([
    ['text-delete', '- [ ] b\n- [ ] c'],
    ['text-raise', '- [ ] a {high}\n- [ ] b\n- [ ] c'],
    ['text-down', '- [ ] b\n- [ ] a\n- [ ] c'],
    ['text-task', '- a\n- [ ] b\n- [ ] c'],
    ['text-duplicate', '- [ ] a\n- [ ] a\n- [ ] b\n- [ ] c'],
  ] as const)('is what %s means, not the one below it', (id, after) => {
    const view = testView('|- [ ] a\n|- [ ] b\n- [ ] c');
    expect(runTextCommand(view, id, host)).toBe(true);
    expect(view.state.doc.toString()).toBe(after);
  });

  it('that is duplicated leaves its ref to the first', () => {
    const view = testView('- [ ] a| {ref k3f9qa; high}\n  - [ ] step {ref p2x7ab}');
    runTextCommand(view, 'text-duplicate', host);
    expect(view.state.doc.toString()).toBe('- [ ] a {ref k3f9qa; high}\n  - [ ] step {ref p2x7ab}\n- [ ] a {high}\n  - [ ] step');
  });
});

describe('the commands of texts', () => {
  beforeEach(() => void calls.splice(0));

  it('ask about the tasks that the selection touches', () => {
    const view = testView('plain\n- [ ] |a\n- [ ] b|');
    for (const id of ['text-tick', 'text-details', 'text-names', 'text-tail', 'text-close-up', 'text-wider', 'text-insert'] as const)
      expect(runTextCommand(view, id, host)).toBe(true);
    expect(calls).toEqual(['tick 1,2', 'details 1', 'names 1,2', 'due 1,2', 'close-up 2', 'wider', 'insert']);
  });

  it('let the key go where there is nothing to do', () => {
    const view = testView('pl|ain');
    for (const id of ['text-details', 'text-names', 'text-take', 'text-done-remark', 'text-fold'] as const)
      expect(runTextCommand(view, id, host)).toBe(false);
    expect(calls).toEqual([]);
  });

  it.each([
    ['text-tick', '- [ ] |plain', '- [ ] |'],
    ['text-raise', '- [ ] |plain {high}', '- [ ] | {high}'],
    ['text-lower', '- [ ] |plain {low}', '- [ ] | {low}'],
    ['text-cycle', '- [_] |plain {since 2026-11-23 09:20}', '- [_] | {since 2026-11-23 09:20}'],
    ['text-tail', '- [ ] plain {|}', '- [ ] {|}'],
  ] as const)('%s makes a task of a plain line, and begins one on an empty line', (id, made, begun) => {
    for (const [text, wanted] of [
      ['|plain', made],
      ['|', begun],
    ] as const) {
      const view = testView(text);
      expect(runTextCommand(view, id, host)).toBe(true);
      expect(markedText(view)).toBe(wanted);
    }
    expect(calls).toEqual([]);
  });

  // Those that act on any letters, and those that only look.
  const ANYWHERE = /bold|italic|strike|text-code|insert|find|fold|close-up|wider/;
  const PLACES = ['```\n- [ ] a| {due fri}\n```', '---\ntags: [a|]\n---\nx', '<!-- - [ ] a| -->', '    - [ ] a|'];
  it.each(COMMANDS.flatMap((one) => (one.scope === 'text' && !ANYWHERE.test(one.id) ? [one.id] : [])))(
    '%s changes nothing where there are no tasks',
    (id) => {
      for (const text of PLACES) {
        const view = testView(text);
        const before = markedText(view);
        runTextCommand(view, id, host);
        expect(markedText(view)).toBe(before);
      }
    },
  );

  it('move all items of a selection together, in one step, and keep them selected', () => {
    const view = testView('- [ ] a\n- [ ] |b\n  - b1\n- [ ] c|\n- [ ] d');
    runTextCommand(view, 'text-in', host);
    expect(markedText(view)).toBe('- [ ] a\n|  - [ ] b\n    - b1\n  - [ ] c|\n- [ ] d');
    runTextCommand(view, 'text-out', host);
    expect(markedText(view)).toBe('- [ ] a\n|- [ ] b\n  - b1\n- [ ] c|\n- [ ] d');
    runTextCommand(view, 'text-down', host);
    expect(markedText(view)).toBe('- [ ] a\n- [ ] d\n|- [ ] b\n  - b1\n- [ ] c|');
    runTextCommand(view, 'text-up', host);
    expect(markedText(view)).toBe('- [ ] a\n|- [ ] b\n  - b1\n- [ ] c|\n- [ ] d');
    runTextCommand(view, 'text-delete', host);
    expect(markedText(view)).toBe('- [ ] a\n- [ ] d|');
  });

  it('move, duplicate and delete an item with what is under it', () => {
    const view = testView('- [ ] a\n  - a1\n- [ ] |b');
    runTextCommand(view, 'text-up', host);
    expect(markedText(view)).toBe('- [ ] |b\n- [ ] a\n  - a1');
    runTextCommand(view, 'text-down', host);
    expect(markedText(view)).toBe('- [ ] a\n  - a1\n- [ ] |b');
    runTextCommand(view, 'text-up', host);
    runTextCommand(view, 'text-duplicate', host);
    expect(view.state.doc.toString()).toBe('- [ ] b\n- [ ] b\n- [ ] a\n  - a1');
    runTextCommand(view, 'text-delete', host);
    expect(markedText(view)).toBe('- [ ] b\n- [ ] |a\n  - a1');
    runTextCommand(view, 'text-delete', host);
    expect(view.state.doc.toString()).toBe('- [ ] b');
  });
});
