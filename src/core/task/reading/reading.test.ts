import { splitLines } from '../../note/blocks/lines';
import { readFrontMatter } from '../../note/facts/front-matter';
import { addedStatusOf, statusTable } from '../line/added-status';
import { echoRefOf, echoWords } from '../line/echo';
import { progressOf } from './progress';
import { readNote } from './read-note';
import { restsUntil } from './resting';
import { readTaskLine } from '../line/task';
import { isoDay } from '../../calendar/day';

describe('statuses that notes add', () => {
  const status = (text: string) => addedStatusOf(readFrontMatter(splitLines(text)), 'Title');

  it('are read from the front matter', () => {
    expect(status('---\nkind: status\nsign: "!"\nname: Asked again\nmeans: Waiting\ncolour: "#0C6A73"\n---\n')).toEqual({
      sign: '!',
      name: 'Asked again',
      means: 'waiting',
      colour: '#0C6A73',
      icon: null,
    });
    expect(status('---\nkind: status\nsign: "/"\nmeans: under way\n---\n')).toMatchObject({ name: 'Title', means: 'underway' });
  });

  it.each(['sign: a', 'sign: "!!"', 'sign: x', 'sign: "-"', 'name: None', 'sign: "!"\nmeans: later'])('but not with %s', (fields) =>
    expect(status(`---\nkind: status\n${fields}\n---\n`)).toBeNull(),
  );

  it('count as what they mean, and are no problem', () => {
    const added = status('---\nkind: status\nsign: "!"\nmeans: waiting\n---\n');
    const statuses = statusTable(added ? [added] : []);
    expect(readTaskLine('- [!] a', 2, { workingDay: 480, statuses })).toMatchObject({ status: 'waiting', problems: [] });
    expect(readTaskLine('- [!] a', 2)).toMatchObject({ status: 'todo', problems: [{ from: 2, to: 5 }] });
  });
});

it('key points are found on any list item', () => {
  const text =
    '# Talk\n- [ ] a {key; due 2026-11-27}\n- the lens is on loan {key}\n- plain {x}\n- [x] b {high}\n1. third {odd; key}\n\nwords {key}\n';
  const found = readNote('A.md', text).keyPoints.map(({ line, said, task }) => ({ line, text: said.text, headings: said.headings, task }));
  expect(found).toEqual([
    { line: 1, text: 'a', headings: ['Talk'], task: 0 },
    { line: 2, text: 'the lens is on loan', headings: ['Talk'], task: -1 },
    { line: 5, text: 'third', headings: ['Talk'], task: -1 },
  ]);
});

describe('echoes', () => {
  it.each([
    ['[Sign the rider](recado:k3f9qa)', 'k3f9qa'],
    ['[a \\[b\\]](recado:k3f9qa)', 'k3f9qa'],
    ['see [a](recado:k3f9qa)', null],
    ['[a](recado:k3f9q)', null],
    ['[a](https://sea.example)', null],
  ])('%s', (text, ref) => expect(echoRefOf(text)).toBe(ref));
  it('hold any words', () => expect(echoRefOf(echoWords('a [b] \\ c](d)', 'k3f9qa'))).toBe('k3f9qa'));
});

// Common practice, no source: a cancelled step counts in no progress.
it('progress counts direct and all steps, without cancelled ones', () => {
  const { tasks } = readNote('A.md', '- [ ] a\n  - [x] b\n    - [x] c\n    - [ ] d\n  - [-] e\n  - plain\n    - [ ] f\n');
  expect(progressOf(tasks)[0]).toEqual({ direct: 2, directDone: 1, all: 4, allDone: 2 });
  expect(progressOf(tasks)[4]).toEqual({ direct: 0, directDone: 0, all: 0, allDone: 0 });
});

// Common practice, no source: a repeating task rests until its day.
it('a task rests until its start, a repeat until its day, a step at least as long as what it stands under', () => {
  const text =
    '- [ ] a {start 2026-12-01}\n  - [ ] b {start 2026-11-25}\n  - [ ] c {start 2026-12-05}\n- [ ] d {plan 2026-11-30; due 2026-12-02; every day}\n- [ ] e\n';
  const { tasks } = readNote('A.md', text);
  const days = (lead: number | null) => restsUntil(tasks, lead).map((day) => day && isoDay(day));
  expect(days(0)).toEqual(['2026-12-01', '2026-12-01', '2026-12-05', '2026-11-30', null]);
  expect(days(3)[3]).toBe('2026-11-27');
  expect(days(null)[3]).toBeNull();
});
