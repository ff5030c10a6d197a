import { type RefTask, isBlocked, refProblems, refTask } from './ref-problems';
import { readNote } from './read-note';

function table(text: string) {
  const { tasks } = readNote('A.md', text);
  const refs = new Map<string, RefTask[]>();
  for (const task of tasks) if (task.ref !== null) refs.set(task.ref, [...(refs.get(task.ref) ?? []), refTask('A.md', task, tasks)]);
  return { tasks, refs };
}

const TEXT = [
  '- [ ] one {ref aaaaa1; needs bbbbb2}',
  '- [ ] two {ref bbbbb2; needs ccccc3}',
  '- [ ] three {ref ccccc3; needs aaaaa1}',
  '- [ ] four {needs zzzzz9}',
  '- [ ] five {ref ddddd4}',
  '- [-] six {ref ddddd4}',
  '- [ ] seven {needs eeeee5, ddddd4}',
  '- [-] eight {ref eeeee5}',
  '- [ ] [nine](recado:zzzzz9)',
  '- [ ] ten {needs fffff6}',
  '- [x] eleven {ref fffff6}',
].join('\n');

describe('what only the whole library can tell of a task', () => {
  const { tasks, refs } = table(TEXT);
  it.each([
    [0, ['It needs “two”, which in the end needs this task.']],
    [3, ['There is no task with the ref zzzzz9.']],
    [4, ['Another task has this ref too (A.md, line 6); nothing follows it.']],
    [6, ['“eight” was cancelled and no longer blocks this task.', 'Several tasks have the ref ddddd4, so it blocks nothing.']],
    [8, ['The task that this line stands for is gone; its words are kept.']],
    [9, []],
  ])('line %i', (line, messages) => {
    const task = tasks[line];
    const problems = task ? refProblems('A.md', task, refs) : [];
    expect(problems.map((problem) => problem.message)).toEqual(messages);
    for (const { from, to } of problems) expect(to).toBeGreaterThan(from);
  });

  it('an open need blocks; a closed, cancelled, missing or doubled one does not', () => {
    expect(tasks.map((task) => isBlocked(task.needs, refs))).toEqual([
      true,
      true,
      true,
      false,
      false,
      false,
      false,
      false,
      false,
      false,
      false,
    ]);
  });
});

// Common practice, no source: who waits for a reading that is taken each week waits for one of them, not for the last.
it.each([
  ['a repeat that was never done blocks', '- [ ] read {due 2026-11-27; every week; ref aaaaa1}', true],
  ['its record lets go', '- [ ] read {due 2026-11-27; every week; ref aaaaa1}\n- [x] read {due 2026-11-20; done 2026-11-20}', false],
  [
    'one that was skipped does not',
    '- [ ] read {due 2026-11-27; every week; ref aaaaa1}\n- [-] read {due 2026-11-20; cancelled 2026-11-20}',
    true,
  ],
  ['so does its count', '- [ ] read {due 2026-11-27; every week; times 3; ref aaaaa1}', false],
])('%s', (_, text, blocked) => expect(isBlocked(['aaaaa1'], table(text).refs)).toBe(blocked));
