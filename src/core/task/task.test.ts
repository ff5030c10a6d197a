import fc from 'fast-check';
import { isoDay } from '../calendar/day';
import { act, NO_TASK, REPEATS, type Intention } from './actions';
import { applyChanges, differenceOf, LINE_GONE, LINE_TWICE } from './edit';
import { readNote } from './read-note';
import { readTaskLine } from './task';

const NOW = { day: 20780, minute: 9 * 60 + 14 };
const TODAY = isoDay(NOW.day);

describe('a task line', () => {
  it('reads everything that stands on it', () => {
    const line =
      '- [_] Ask @ilse for the report #loans, see [[Tide clock#State|its state]] {due 2026-11-27 15:00; plan 2026-W48; takes 1h30m; top; owner @kofi; asked @bea; every week on fri; made 2026-11-20; odd thing}';
    const task = readTaskLine(line, 2);
    expect(task).toMatchObject({
      status: 'underway',
      text: 'Ask @ilse for the report #loans, see [[Tide clock#State|its state]]',
      takes: 90,
      priority: 'top',
      owner: 'kofi',
      asked: 'bea',
      every: 'week on fri',
      tags: ['loans'],
      people: ['ilse'],
    });
    expect(task?.due).toMatchObject({ minute: 900 });
    expect(task?.links[0]).toMatchObject({ target: 'Tide clock', heading: 'State', words: 'its state' });
    expect(task?.problems.map((problem) => line.slice(problem.from, problem.to))).toEqual(['odd thing']);
  });

  it.each([
    ['[ ]', 'todo'],
    ['[_]', 'underway'],
    ['[:]', 'waiting'],
    ['[x]', 'done'],
    ['[X]', 'done'],
    ['[-]', 'cancelled'],
    ['[?]', 'todo'],
    ['[☂]', 'todo'],
  ])('%s is %s', (box, status) => expect(readTaskLine(`- ${box} words`, 2)?.status).toBe(status));

  it.each(['- [a] letter', '- [1] digit', '- [ ]no space', '- [  ] two', '- []', '- [x', '- words [ ]', '- [é] accent'])(
    '%s has no box',
    (line) => expect(readTaskLine(line, 2)).toBeNull(),
  );

  it.each([
    ['{x}', '{x}'],
    ['{2026-11-27}', '{2026-11-27}'],
    ['{due fri}', '{due fri}'],
    ['{{day}}', '{{day}}'],
    ['words{top}', 'words{top}'],
    ['{top} and more', '{top} and more'],
    ['{set of braces}', '{set of braces}'],
  ])('%s is prose', (words, text) => {
    const task = readTaskLine(`- [ ] ${words}`, 2);
    expect([task?.tail, task?.text]).toEqual([null, text]);
  });

  it.each([
    ['{due 2026-02-30}', 'There is no such day as 2026-02-30.'],
    ['{due 2026-11-27; due 2026-11-28}', 'A second due does not count; the first one does.'],
    ['{top; low}', 'A second low does not count; the first one does.'],
    ['{top; due fri}', '“fri” cannot be read for due; it counts as absent.'],
    ['{due 2026-11-20; start 2026-11-27}', 'It is due before its start day.'],
    ['{every mon}', 'A repeat needs a due or plan date to count from.'],
    ['{top; colour blue}', '“colour” is no clause that Recado knows; it is kept as it stands.'],
  ])('%s is marked', (tail, message) =>
    expect(readTaskLine(`- [ ] a ${tail}`, 2)?.problems.map((problem) => problem.message)).toContain(message),
  );

  it('a repeat that was closed by hand stays as typed, and is marked', () => {
    const task = readTaskLine('- [x] Read the log {plan 2026-11-23; every weekday}', 2);
    expect(task?.status).toBe('done');
    expect(task?.problems[0]?.message).toContain('its box is closed');
  });

  it('a start may be said before the due day', () => {
    expect(readTaskLine('- [ ] a {due 2026-11-27; start 2 days before}', 2)?.start).toBe(
      readTaskLine('- [ ] a {due 2026-11-25}', 2)?.due?.from,
    );
  });

  it.each([
    ['a #loans b', ['#loans']],
    ['#a/b and (#c) *#d* "#e" ,#f', ['#a/b', '#c', '#d', '#e', '#f']],
    ['#123 #1a #été #_x', ['#1a', '#été', '#_x']],
    ['a#b a/#c \\#d `#e` [[#f]] <#g>', []],
    ['https://sea.example/#top www.sea.example/(#x', []],
    ['[words #in](https://sea.example/#out)', ['#in']],
    ['@ilse, @a.b-c: write to desk@sea.example', ['@ilse', '@a.b-c']],
    ['#a-b- #c--d @e.', ['#a-b', '#c', '@e']],
  ])('%s names %j', (words, names) => {
    const task = readTaskLine(`- [ ] ${words}`, 2);
    expect([...(task?.tags.map((tag) => `#${tag}`) ?? []), ...(task?.people.map((person) => `@${person}`) ?? [])].sort()).toEqual(
      [...names].sort(),
    );
  });
});

describe('a note', () => {
  it('hands tags, people and links down from front matter, headings and items', () => {
    const note = readNote(
      'A.md',
      [
        '---',
        'tags: [exhibition]',
        'people: [bea]',
        'about: "[[Cabinet of Gales]]"',
        '---',
        '# Loans #loans',
        '- With @kofi',
        '  - [ ] deep #own',
        '# Other',
        '- [ ] plain',
      ].join('\n'),
    );
    expect(note.tasks[0]).toMatchObject({
      inheritedTags: ['exhibition', 'loans'],
      inheritedPeople: ['kofi'],
      inheritedLinks: ['Cabinet of Gales'],
      headings: ['Loans #loans'],
    });
    expect(note.tasks[1]).toMatchObject({ inheritedTags: ['exhibition'], inheritedPeople: [], headings: ['Other'] });
  });

  it('finds tasks in quotes, in numbered and nested lists, and none in code, comments and templates', () => {
    const text = [
      '> - [ ] quoted',
      '',
      '1. [ ] numbered',
      '   * [ ] nested',
      '',
      '<!--',
      '- [ ] comment',
      '-->',
      '',
      '```',
      '- [ ] code',
      '```',
      '',
      '    - [ ] indented code',
      '',
      '- - [ ] inner',
    ].join('\n');
    expect(readNote('A.md', text).tasks.map((task) => task.text)).toEqual(['quoted', 'numbered', 'nested', 'inner']);
    expect(readNote('A.md', `---\nkind: template\n---\n- [ ] a`).tasks).toEqual([]);
  });

  it('reads 100,000 nested bullets and a line of a million characters in bounded time', () => {
    expect(readNote('A.md', '- '.repeat(100_000) + '[ ] deep').structure.items.length).toBeLessThanOrEqual(100);
    expect(readNote('A.md', `- [ ] ${'{#@[`'.repeat(200_000)}`).tasks).toHaveLength(1);
    expect(readNote('A.md', `- [ ] a {${'due 2026-11-27;'.repeat(10_000)}}`).tasks[0]?.due).not.toBeNull();
  });
});

const status = (name: 'todo' | 'underway' | 'waiting' | 'done' | 'cancelled'): Intention => ({ do: 'status', status: name });

function after(line: string, intention: Intention): string {
  const outcome = act(line, { line: 0, expected: line }, intention, NOW);
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
    ['- [ ] a {every mon; due 2026-11-23}', status('done'), REPEATS],
    ['- [?] a', status('todo'), '- [ ] a'],
    ['- a', status('done'), NO_TASK],
    [
      '- [ ] a {done 2026-11-01;  odd  }',
      { do: 'set', clause: 'due', value: '2026-11-27' } as const,
      '- [ ] a {due 2026-11-27; done 2026-11-01;  odd  }',
    ],
    [
      '- [ ] a {plan 2026-W48;due 2026-11-01 ; x}',
      { do: 'set', clause: 'due', value: '2026-11-27' } as const,
      '- [ ] a {plan 2026-W48;due 2026-11-27 ; x}',
    ],
    ['- [ ] a {due 2026-11-01}', { do: 'unset', clause: 'due' } as const, '- [ ] a'],
    ['- [ ] a {due 2026-11-01; top}', { do: 'unset', clause: 'due' } as const, '- [ ] a {top}'],
    ['- [ ] a {due 2026-11-01; top}', { do: 'priority', priority: 'low' } as const, '- [ ] a {due 2026-11-01; low}'],
    ['- [ ] a {top}', { do: 'priority', priority: null } as const, '- [ ] a'],
  ])('%s, %j → %s', (line, intention, expected) => expect(after(line, intention)).toBe(expected));

  it('refuse a date that does not exist, and write nothing', () => {
    expect(after('- [ ] a', { do: 'set', clause: 'due', value: '2026-02-30' })).toContain('nothing was changed');
    expect(after('- [ ] a', { do: 'set', clause: 'due', value: 'fri' })).toContain('nothing was changed');
  });

  it('find the line where it went, and never edit another', () => {
    const ref = { line: 0, expected: '- [ ] a' };
    const moved = act('words\n\n- [ ] a\n', ref, status('done'), NOW);
    expect('changes' in moved && applyChanges('words\n\n- [ ] a\n', moved.changes)).toContain('\n- [x] a {done');
    expect(act('- [ ] b\n', ref, status('done'), NOW)).toEqual({ refused: LINE_GONE });
    expect(act('- [ ] b\n- [ ] a\n- [ ] a\n', ref, status('done'), NOW)).toEqual({ refused: LINE_TWICE });
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
    { do: 'set', clause: 'due', value: '2026-12-01' },
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
        const outcome = act(text, { line: task.line, expected: task.raw }, intention, NOW);
        if ('refused' in outcome) throw new Error(outcome.refused);
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
      { numRuns: 1000, seed: 20261123 },
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
