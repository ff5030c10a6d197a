import fc from 'fast-check';
import { act, actOnMany } from './act';
import { CONTEXT, NOW, TODAY, inverseChanges, status, whole } from './act-fixtures';
import { applyChanges, differenceOf, LINE_GONE, LINE_TWICE } from '../writing/edit';
import type { Intention } from './intention';
import { NO_TASK } from '../reading/open-note';
import { readNote } from '../reading/read-note';
import { NO_DATE } from './status-actions';
import { readTaskLine } from '../line/task';
import { runs } from '../../testing/test-runs';

function after(line: string, intention: Intention): string {
  const outcome = act(line, { line: 0, expected: line }, intention, CONTEXT);
  return 'refused' in outcome ? outcome.refused : applyChanges(line, outcome.changes);
}

describe('actions', () => {
  it.each([
    ['- [ ] a', status('done'), `- [x] a {done ${TODAY} 09:14}`],
    ['- [x] a {done 2026-11-01}', status('todo'), '- [ ] a'],
    ['- [ ] a {due 2026-11-27; made 2026-11-20}', status('done'), `- [x] a {due 2026-11-27; made 2026-11-20; done ${TODAY} 09:14}`],
    ['- [ ] a', status('waiting'), `- [:] a {since ${TODAY} 09:14}`],
    ['- [:] a {since 2026-11-01; high}', status('todo'), '- [ ] a {high}'],
    ['- [x] a {done 2026-11-01}', status('cancelled'), `- [-] a {cancelled ${TODAY} 09:14}`],
    ['  3) [ ] a  ', status('done'), `  3) [x] a {done ${TODAY} 09:14}  `],
    ['- [ ] a {every mon}', status('done'), NO_DATE],
    ['- [?] a', status('todo'), '- [ ] a'],
    ['- a', status('done'), NO_TASK],
    [
      '- [ ] a {done 2026-11-01;  odd  }',
      { do: 'set', clause: 'due 2026-11-27' } as const,
      '- [ ] a {due 2026-11-27; done 2026-11-01;  odd  }',
    ],
    [
      '- [ ] a {plan 2026-W48;due 2026-11-01 ; x}',
      { do: 'set', clause: 'due 2026-11-27' } as const,
      '- [ ] a {plan 2026-W48;due 2026-11-27 ; x}',
    ],
    ['- [ ] a {due 2026-11-01}', { do: 'unset', clause: 'due' } as const, '- [ ] a'],
    ['- [ ] a {due 2026-11-01; top}', { do: 'unset', clause: 'due' } as const, '- [ ] a {top}'],
    ['- [ ] a {due 2026-11-01; top}', { do: 'priority', priority: 'low' } as const, '- [ ] a {due 2026-11-01; low}'],
    ['- [ ] a {top}', { do: 'priority', priority: null } as const, '- [ ] a'],
  ])('%s, %j → %s', (line, intention, expected) => expect(after(line, intention)).toBe(expected));

  it('refuse a date that does not exist, and write nothing', () => {
    expect(after('- [ ] a', { do: 'set', clause: 'due 2026-02-30' })).toContain('nothing was changed');
    expect(after('- [ ] a', { do: 'set', clause: 'due soon' })).toContain('nothing was changed');
  });

  it('find the line where it went, and never edit another', () => {
    const ref = { line: 0, expected: '- [ ] a' };
    const moved = act('words\n\n- [ ] a\n', ref, status('done'), CONTEXT);
    expect('changes' in moved && applyChanges('words\n\n- [ ] a\n', moved.changes)).toContain('\n- [x] a {done');
    expect(act('- [ ] b\n', ref, status('done'), CONTEXT)).toEqual({ refused: LINE_GONE });
    expect(act('- [ ] b\n- [ ] a\n- [ ] a\n', ref, status('done'), CONTEXT)).toEqual({ refused: LINE_TWICE });
  });

  const LINE = fc.constantFrom(
    '- [ ] a {due 2026-11-27}',
    '- [x] b',
    '* [:] c @ilse {high; odd}',
    'words',
    '',
    '\t1) [_] d {x}',
    '> - [ ] e',
    '```',
    '# h',
    '- [ ] \ud83c\udf0a {top;}  ',
  );
  const TEXT = fc
    .tuple(fc.boolean(), fc.array(fc.tuple(LINE, fc.constantFrom('\n', '\r\n', '\r', '\n')), { minLength: 1, maxLength: 10 }))
    .map(([mark, lines]) => (mark ? '\ufeff' : '') + lines.map(([line, ending]) => line + ending).join(''));
  const INTENTION = fc.constantFrom<Intention>(
    status('done'),
    status('todo'),
    status('waiting'),
    status('cancelled'),
    status('underway'),
    { do: 'set', clause: 'due 2026-12-01' },
    { do: 'unset', clause: 'due' },
    { do: 'priority', priority: 'top' },
    { do: 'priority', priority: null },
  );

  it('touch their line alone, and say what was meant', () => {
    fc.assert(
      fc.property(TEXT, fc.nat(12), INTENTION, (text, pick, intention) => {
        const { tasks } = readNote('A.md', text);
        const task = tasks[pick % Math.max(1, tasks.length)];
        if (!task) return;
        const outcome = act(text, { line: task.line, expected: task.raw }, intention, CONTEXT);
        if ('refused' in outcome) throw new Error(outcome.refused);
        expect(applyChanges(applyChanges(text, outcome.changes), inverseChanges(text, outcome.changes))).toBe(text);
        const next = applyChanges(text, outcome.changes);
        const lines = next.split(/\r\n|\r|\n/);
        const before = text.split(/\r\n|\r|\n/);
        expect(lines.length).toBe(before.length);
        lines.forEach((line, index) => index === task.line || expect(line).toBe(before[index]));
        expect(next.match(/\r\n|\r|\n/g)).toEqual(text.match(/\r\n|\r|\n/g));
        const read = readNote('A.md', next).tasks.find((one) => one.line === task.line);
        if (intention.do === 'status') expect(read?.status).toBe(intention.status);
        if (intention.do === 'priority') expect(read?.priority).toBe(intention.priority);
        if (intention.do === 'set') expect(read?.due?.from).toBe(readTaskLine('- [ ] a {due 2026-12-01}', 2)?.due?.from);
        if (intention.do === 'unset') expect(read?.due).toBeNull();
      }),
      { numRuns: runs(1000), seed: 20261123 },
    );
  });

  it('the difference of two texts turns one into the other', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (before, next) => {
        const change = differenceOf(before, next);
        expect(applyChanges(before, change ? [change] : [])).toBe(next);
      }),
    );
  });
});

describe('one task line', () => {
  const set = (clause: string): Intention => ({ do: 'set', clause });
  it.each<[string, Intention, string]>([
    // Words become ISO dates; a day it is moved away from is remembered.
    ['- [ ] a', set('due fri'), '- [ ] a {due 2026-11-27}'],
    ['- [ ] a', set('due next week'), '- [ ] a {due 2026-12-06}'],
    ['- [ ] a', set('plan next week'), '- [ ] a {plan 2026-W49}'],
    ['- [ ] a', set('plan tomorrow 15:00'), '- [ ] a {plan 2026-11-24 15:00}'],
    ['- [ ] a', set('start 2 days before'), '- [ ] a {start 2 days before}'],
    ['- [ ] a', set('owner kofi'), '- [ ] a {owner @kofi}'],
    ['- [ ] a {owner @kofi}', set('owner me'), '- [ ] a'],
    ['- [ ] a', set('takes 2 hours'), '- [ ] a {takes 2h}'],
    ['- [ ] a', set('every other week on fri'), '- [ ] a {every other week on fri}'],
    ['- [ ] a', set('remind tomorrow 9am'), '- [ ] a {remind 2026-11-24 09:00}'],
    ['- [ ] a', set('remind in one hour'), '- [ ] a {remind 2026-11-23 10:14}'],
    ['- [ ] a', set('remind 30 min before'), '- [ ] a {remind 30m before}'],
    ['- [ ] a', set('top'), '- [ ] a {top}'],
    ['- [ ] a {top}', set('priority high'), '- [ ] a {high}'],
    ['- [ ] a {top}', set('priority normal'), '- [ ] a'],
    ['- [ ] a {due 2026-12-04}', set('due fri'), '- [ ] a {due 2026-11-27}'],
    ['- [ ] a {due 2026-11-20; pushed 2026-11-10}', set('due fri'), '- [ ] a {due 2026-11-27; pushed 2026-11-10, 2026-11-20}'],
    // The pattern of a repeat is written out when its date first changes.
    ['- [ ] a {due 2026-10-31; every month}', set('due 2026-11-01'), '- [ ] a {due 2026-11-01; every month on 31; pushed 2026-10-31}'],
    ['- [ ] a {plan 2026-11-23; every 2 weeks}', { do: 'unset', clause: 'plan' }, '- [ ] a {every 2 weeks on mon from 2026-11-23}'],
    // Priority.
    ['- [ ] a', { do: 'raise' }, '- [ ] a {high}'],
    ['- [ ] a {high}', { do: 'raise' }, '- [ ] a {top}'],
    ['- [ ] a {top}', { do: 'raise' }, '- [ ] a {top}'],
    ['- [ ] a', { do: 'lower' }, '- [ ] a {low}'],
    ['- [ ] a {low}', { do: 'raise' }, '- [ ] a'],
    // Another day.
    [
      '- [ ] a {plan 2026-11-20 09:30; due 2026-12-01}',
      { do: 'push', to: 'fri' },
      '- [ ] a {plan 2026-11-27 09:30; due 2026-12-01; pushed 2026-11-20}',
    ],
    [
      '- [ ] a {due 2026-11-20 15:00}',
      { do: 'push', to: 'tomorrow' },
      '- [ ] a {due 2026-11-20 15:00; plan 2026-11-24; pushed 2026-11-20}',
    ],
    ['- [ ] a {due 2026-11-20}', { do: 'push', to: '3 days' }, '- [ ] a {due 2026-11-20; plan 2026-11-26; pushed 2026-11-20}'],
    ['- [ ] a {plan 2026-12-01}', { do: 'push', to: 'a week' }, '- [ ] a {plan 2026-12-08; pushed 2026-12-01}'],
    ['- [ ] a {plan 2026-W48}', { do: 'push', to: 'next week' }, '- [ ] a {plan 2026-W49}'],
    ['- [ ] a', { do: 'push', to: 'next month' }, '- [ ] a {plan 2026-12}'],
    ['- [ ] a {plan 2026-11-23}', { do: 'push', to: 'by fri' }, '- [ ] a {plan 2026-11-23; due 2026-11-27}'],
    ['- [ ] a {due 2026-12-01}', { do: 'push', to: 'today' }, '- [ ] a {due 2026-12-01; plan 2026-11-23}'],
    ['- [ ] a {due 2026-11-20}', { do: 'push', to: 'by fri' }, '- [ ] a {due 2026-11-27; pushed 2026-11-20}'],
    ['- [ ] a', { do: 'push', to: 'soon' }, '“soon” names no day to move to, so nothing was changed.'],
    ['- [ ] a', { do: 'rest', until: '3 days' }, '- [ ] a {start 2026-11-26}'],
    ['- [ ] a', { do: 'rest', until: 'next week' }, '- [ ] a {start 2026-11-30}'],
    ['- [ ] a', { do: 'rest', until: 'today' }, 'A task can only rest until a day after today; nothing was changed.'],
    // Names and words.
    ['- [ ] a {top}', { do: 'tag', name: 'loans' }, '- [ ] a #loans {top}'],
    ['- [ ] a #Loans', { do: 'tag', name: '#loans' }, '- [ ] a #Loans'],
    ['- [ ]', { do: 'tag', name: '@ilse' }, '- [ ] @ilse'],
    ['- [ ] a', { do: 'tag', name: '12' }, '“12” can be no tag, person or link, so nothing was changed.'],
    ['- [ ] a {top}', { do: 'tag', name: '[[Crate list]]' }, '- [ ] a [[Crate list]] {top}'],
    ['- [ ] a [[crate list|it]]', { do: 'tag', name: '[[Crate list]]' }, '- [ ] a [[crate list|it]]'],
    ['- [ ] a [[Crate list]]', { do: 'tag', name: '[[Crate list#Keys]]' }, '- [ ] a [[Crate list]] [[Crate list#Keys]]'],
    ['- [ ] a', { do: 'tag', name: '[[a|b]]' }, '“[[a|b]]” can be no tag, person or link, so nothing was changed.'],
    ['- [ ] a [[Crate list|it]] b', { do: 'untag', name: '[[crate list]]' }, '- [ ] a b'],
    ['- [ ] a [[Crates]]', { do: 'untag', name: '[[Racks]]' }, '[[Racks]] is not written on this line itself, so nothing was changed.'],
    ['- [ ] ask #loans @ilse #b', { do: 'untag', name: 'loans' }, '- [ ] ask @ilse #b'],
    ['- [ ] #loans ask', { do: 'untag', name: 'loans' }, '- [ ] ask'],
    ['- [ ] a `#loans`', { do: 'untag', name: 'loans' }, '#loans is not written on this line itself, so nothing was changed.'],
    ['* [_]  old words  {high}', { do: 'reword', text: 'new\nwords' }, '* [_]  new words  {high}'],
    ['- [ ]', { do: 'reword', text: 'words' }, '- [ ] words'],
    ['- [ ] a', { do: 'reword', text: ' ' }, 'A task needs words, so nothing was changed.'],
    // Plain lines, bullets and tasks.
    ['plain words', { do: 'convert' }, '- [ ] plain words'],
    ['- bullet', { do: 'convert' }, '- [ ] bullet'],
    ['1)', { do: 'convert' }, '1) [ ] '],
    ['> quoted', { do: 'convert' }, '> - [ ] quoted'],
    ['- [x] a {done 2026-11-01}', { do: 'convert' }, '- a {done 2026-11-01}'],
    ['# heading', { do: 'convert' }, 'Only a line of text or a list item can become a task; nothing was changed.'],
    ['    code', { do: 'convert' }, 'Only a line of text or a list item can become a task; nothing was changed.'],
    ['- [ ] a', { do: 'ref' }, '- [ ] a {ref k3f9qa}'],
    ['- [ ] a {ref p2x7ab}', { do: 'ref' }, '- [ ] a {ref p2x7ab}'],
    ['- [ ] a', { do: 'cycle' }, `- [_] a {since ${TODAY} 09:14}`],
    // Finished from Under way it keeps since when: that is what it took.
    ['- [_] a {since 2026-11-01}', { do: 'cycle' }, `- [x] a {since 2026-11-01; done ${TODAY} 09:14}`],
    ['- [:] a {since 2026-11-01}', status('done'), `- [x] a {done ${TODAY} 09:14}`],
    ['- [_] a {since 2026-11-01}', status('cancelled'), `- [-] a {cancelled ${TODAY} 09:14}`],
    ['- [x] a {since 2026-11-01; done 2026-11-02}', status('todo'), '- [ ] a'],
    ['- [x] a {done 2026-11-01}', { do: 'cycle' }, '- [ ] a'],
    ['- [ ] a {due 2026-11-20; every day}', { do: 'end' }, `- [-] a {due 2026-11-20; every day; cancelled ${TODAY} 09:14}`],
  ])('%s, %j → %s', (line, intention, expected) => expect(after(line, intention)).toBe(expected));

  it('stamps bear the day alone when the minute is not known', () => {
    const outcome = act('- [ ] a', { line: 0, expected: '- [ ] a' }, status('done'), { ...CONTEXT, now: { day: NOW.day, minute: null } });
    expect('changes' in outcome && applyChanges('- [ ] a', outcome.changes)).toBe(`- [x] a {done ${TODAY}}`);
  });
});

describe('lists', () => {
  const LIST = [
    '- [x] a',
    '  - [ ] open step',
    '- [x] b',
    '  - [x] c',
    '',
    '- [ ] d',
    '- [-] e',
    '- [ ] f',
    '',
    'words',
    '',
    '- [x] g',
  ].join('\n');

  it('sink what is finished to the end of its list', () => {
    expect(whole(LIST, 'd', { do: 'sink' }).split('\n')).toEqual([
      '- [x] a',
      '  - [ ] open step',
      '',
      '- [ ] d',
      '- [ ] f',
      '- [x] b',
      '  - [x] c',
      '- [-] e',
      '',
      'words',
      '',
      '- [x] g',
    ]);
  });

  it('sweep what is finished under a heading at the foot, which is made once', () => {
    const swept = whole(LIST, 'd', { do: 'sweep' });
    expect(swept.split('\n')).toEqual([
      '- [x] a',
      '  - [ ] open step',
      '',
      '- [ ] d',
      '- [ ] f',
      '',
      'words',
      '',
      '',
      '## Finished',
      '',
      '- [x] b',
      '  - [x] c',
      '- [-] e',
      '- [x] g',
    ]);
    const again = swept.replace('- [ ] d', '- [x] d');
    expect(whole(again, 'd', { do: 'sweep' }).split('\n').slice(-7)).toEqual([
      '## Finished',
      '',
      '- [x] b',
      '  - [x] c',
      '- [-] e',
      '- [x] g',
      '- [x] d',
    ]);
    expect(whole('- [ ] d', 'd', { do: 'sweep' })).toContain('nothing was changed');
  });

  it('start a finished list again, with its dates or without', () => {
    const text = '- [x] a {due 2026-11-20; done 2026-11-20}\n  - [-] b {cancelled 2026-11-20}\n- [_] c {since 2026-11-20; top}\n\ntext\n';
    expect(whole(text, '[_]', { do: 'reset' })).toBe('- [ ] a {due 2026-11-20}\n  - [ ] b\n- [ ] c {top}\n\ntext\n');
    expect(whole(text, 'a', { do: 'reset', dates: 'clear' })).toBe('- [ ] a\n  - [ ] b\n- [_] c {since 2026-11-20; top}\n\ntext\n');
  });

  it('duplicate an item with what is under it, without refs', () => {
    const text = '> 1. [ ] a {ref k3f9qa; top}\n>    - [ ] b {ref p2x7ab}\n> 2. c\n';
    expect(whole(text, 'a {', { do: 'duplicate' })).toBe(
      '> 1. [ ] a {ref k3f9qa; top}\n>    - [ ] b {ref p2x7ab}\n> 1. [ ] a {top}\n>    - [ ] b\n> 2. c\n',
    );
    expect(whole('- [ ] a', 'a', { do: 'duplicate' })).toBe('- [ ] a\n- [ ] a');
  });

  it('set one clause on many lines, whole or not at all', () => {
    const text = '- [ ] a\r\nplain\r\n- [ ] b {high}\r\n';
    const refs = [
      { line: 0, expected: '- [ ] a' },
      { line: 2, expected: '- [ ] b {high}' },
    ];
    const outcome = actOnMany(text, refs, { do: 'set', clause: 'due fri' }, CONTEXT);
    expect('changes' in outcome && applyChanges(text, outcome.changes)).toBe(
      '- [ ] a {due 2026-11-27}\r\nplain\r\n- [ ] b {high; due 2026-11-27}\r\n',
    );
    const lines = ['one', 'two', '', '- three'].map((expected, line) => ({ line, expected }));
    const converted = actOnMany(
      'one\ntwo\n\n- three',
      lines.filter((ref) => ref.expected !== ''),
      { do: 'convert' },
      CONTEXT,
    );
    expect('changes' in converted && applyChanges('one\ntwo\n\n- three', converted.changes)).toBe('- [ ] one\n- [ ] two\n\n- [ ] three');
    expect(actOnMany(text, [...refs, { line: 1, expected: 'plain' }], { do: 'raise' }, CONTEXT)).toEqual({ refused: NO_TASK });
  });
});
