import { ACTION_DEFAULTS } from '../acts/action-context';
import { repairedLine } from './repair-line';
import { readTaskLine } from '../line/task';

const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

describe('what one key mends', () => {
  it.each([
    ['words behind the braces', '- [ ] Ask {due 2026-11-27} Ilse', '- [ ] Ask Ilse {due 2026-11-27}'],
    ['two tails', '- [ ] Ask {due 2026-11-27} {high}', '- [ ] Ask {high; due 2026-11-27}'],
    ['two tails with words between', '- [ ] Ask {due 2026-11-27} Ilse {high} ', '- [ ] Ask Ilse {high; due 2026-11-27} '],
    ['a brace that is never closed', '- [ ] Ask {due 2026-11-27 ', '- [ ] Ask {due 2026-11-27}'],
    ['dates in words', '- [ ] Ask {due fri}', '- [ ] Ask {due 2026-11-27}'],
    ['a repeat with its time', '- [ ] Ask {every mon 10:00}', '- [ ] Ask {every mon; plan 2026-11-23 10:00}'],
    ['until without a repeat', '- [ ] Ask {until 2026-11-27}', '- [ ] Ask {lapses 2026-11-27}'],
    ['until beside lapses', '- [ ] Ask {lapses 2026-11-27; until 2026-11-30}', '- [ ] Ask {lapses 2026-11-27}'],
  ])('%s', (_, before, after) => {
    expect(repairedLine(before, 2, CONTEXT)).toBe(after);
    expect(readTaskLine(after, 2)?.problems).toEqual([]);
  });

  it.each(['- [ ] Ask {x} Ilse', '- [ ] Ask {due 2026-11-27; every week; until 2026-12-31}', '- [ ] Ask'])('%s stays', (line) =>
    expect(repairedLine(line, 2, CONTEXT)).toBe(line),
  );
});

describe('a tail that does not count', () => {
  it.each([
    ['- [ ] Ask {due 2026-11-27} Ilse', 'due 2026-11-27', 'Words stand behind these braces, so what is in them does not count.', null],
    [
      '- [ ] Ask {due 2026-11-27} {high}',
      'due 2026-11-27',
      'Other braces stand at the end of the line, so what is in these does not count.',
      'high',
    ],
  ])('%s is marked', (line, words, message, priority) => {
    const task = readTaskLine(line, 2);
    expect(task).toMatchObject({ due: null, priority });
    expect(task?.problems.map(({ from, to, message: said }) => [line.slice(from + 1, to - 1), said])).toEqual([[words, message]]);
  });

  it('a brace that is never closed, and a clause that stands twice, are named', () => {
    const said = (line: string): string[] | undefined => readTaskLine(line, 2)?.problems.map(({ message }) => message);
    expect(said('- [ ] Ask {due 2026-11-27')).toEqual([
      'The brace before “due 2026-11-27” is never closed, so these are words of the task.',
    ]);
    expect(said('- [ ] Ask {him')).toEqual([]);
    expect(said('- [ ] Ask {top; high}')).toEqual(['“high” does not count, because “top” stands before it.']);
    expect(said('- [ ] Ask {due 2026-11-27; due 2026-11-28}')).toEqual([
      '“due 2026-11-28” does not count, because “due 2026-11-27” stands before it.',
    ]);
  });

  it('prose in braces is not', () => expect(readTaskLine('- [ ] Ask {him} today', 2)?.problems).toEqual([]));
});
