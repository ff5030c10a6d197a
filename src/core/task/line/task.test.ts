import { readNote } from '../reading/read-note';
import { readTaskLine } from './task';

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
    expect([task?.tailFrom, task?.text]).toEqual([`- [ ] ${words}`.length, text]);
  });

  it.each([
    ['{due 2026-02-30}', 'There is no such day as 2026-02-30.'],
    ['{due 2026-11-27; due 2026-11-28}', '“due 2026-11-28” does not count, because “due 2026-11-27” stands before it.'],
    ['{top; low}', '“low” does not count, because “top” stands before it.'],
    ['{top; due fri}', '“fri” cannot be read for due; it counts as absent.'],
    ['{due 2026-11-20; start 2026-11-27}', 'It is due before its start day.'],
    ['{high; every day x0}', 'A repeat that comes 0 more times is none; it counts as absent.'],
    ['{due 2026-11-27; every mon until 2026-02-30}', 'There is no such day as 2026-02-30.'],
    ['{due 2026-11-27; lapses 2026-11-20}', 'It lapses before it is due.'],
    ['{due 2026-11-27; until 2026-12-20}', 'Without a repeat “until” says nothing; the last day on which a task applies is “lapses”.'],
    ['{lapses 2026-02-30}', 'There is no such day as 2026-02-30.'],
    ['{due fri}', '“fri” cannot be read for due, so these braces are words of the task.'],
    ['{remind 25:00}', 'There is no such day as 25:00.'],
    ['{every mon}', 'A repeat needs a due or plan date to count from.'],
    ['{top; colour blue}', '“colour” is no clause that Recado knows; it is kept as it stands.'],
  ])('%s is marked', (tail, message) =>
    expect(readTaskLine(`- [ ] a ${tail}`, 2)?.problems.map((problem) => problem.message)).toContain(message),
  );

  it.each(['{high; high}}', '{due 2026-11-27}}', '{every day; due 2026-11-27} }'])('%s is words, and says nothing', (tail) => {
    const { due, priority, every, text } = readTaskLine(`- [ ] a ${tail}`, 2) ?? {};
    expect({ due, priority, every, text }).toEqual({ due: null, priority: null, every: null, text: `a ${tail}` });
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
});
