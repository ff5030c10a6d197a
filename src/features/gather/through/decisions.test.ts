import { COMMANDS } from '../../commands/definitions';
import { readIsoDay } from '../../../core/calendar/day';
import { accountOf, decisionsOn } from './decisions';

const DECISIONS = decisionsOn(readIsoDay('2026-11-23') ?? 0, 'not-now');

test('each decision has a letter of its own', () => {
  const keys = DECISIONS.map(({ key }) => key);
  expect(new Set(keys).size).toBe(keys.length);
  expect(keys.every((key) => /^[a-z]$/.test(key))).toBe(true);
  // No command is run by a bare letter, so none is heard beside them.
  expect(COMMANDS.some(({ key }) => key !== null && keys.includes(key))).toBe(false);
});

test('the account says what became of how many, the most first, and leaves nobody out', () => {
  expect(accountOf(['done', null, 'for today', 'for today', null, null])).toEqual([
    { words: 'left as they were', count: 3 },
    { words: 'for today', count: 2 },
    { words: 'done', count: 1 },
  ]);
  expect(accountOf([])).toEqual([]);
});
