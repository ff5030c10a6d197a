import { isoDay, readIsoDay } from '../../calendar/day';
import type { GatherContext } from '../language/ast';
import { resolveDate, resolveRange } from './dates';
import { compareRanges } from './evaluate';
import { tokensOf } from '../language/lexer';
import { parseDate, parseRange } from '../language/parse-date';
import { TokenReader } from '../language/token-reader';

const day = (iso: string): number => readIsoDay(iso) ?? NaN;
/** A Monday. */
const context = (firstDayOfWeek: 1 | 6 | 7 = 1): GatherContext => ({
  today: day('2026-11-23'),
  firstDayOfWeek,
  me: null,
  thisNote: { path: 'Journal/2026-11-20.md', journal: day('2026-11-20'), handle: null, tag: null },
});
const reader = (words: string): TokenReader => new TokenReader(tokensOf(words));
const words = (range: { from: number; to: number } | null): string | null =>
  range && (range.from === range.to ? isoDay(range.from) : `${isoDay(range.from)}..${isoDay(range.to)}`);

describe('a date', () => {
  it.each([
    ['today', '2026-11-23'],
    ['tomorrow', '2026-11-24'],
    ['yesterday', '2026-11-22'],
    ['mon', '2026-11-23'],
    ['sunday', '2026-11-29'],
    ['2026-12-01', '2026-12-01'],
    ['2026-W48', '2026-11-23..2026-11-29'],
    ['2026-12', '2026-12-01..2026-12-31'],
    ['today + 2 weeks', '2026-12-07'],
    ['today - 3 days', '2026-11-20'],
    ['today + 1 month', '2026-12-23'],
    ['2026-10-31 + 1 month', '2026-11-30'],
    ['2028-02-29 + 1 year', '2029-02-28'],
    ['today + 1 week - 1 day', '2026-11-29'],
    ['start of month', '2026-11-01'],
    ['end of month', '2026-11-30'],
    ['end of week', '2026-11-29'],
    ['start of year', '2026-01-01'],
    ['this day', '2026-11-20'],
    ['this day + 1 day', '2026-11-21'],
  ])('%s is %s', (written, expected) => expect(words(resolveDate(parseDate(reader(written)), context()))).toBe(expected));

  it('of this day is none outside a journal page', () => {
    expect(resolveDate(parseDate(reader('this day')), { ...context(), thisNote: null })).toBeNull();
  });
});

describe('a range', () => {
  it.each([
    ['this week', '2026-11-23..2026-11-29'],
    ['next week', '2026-11-30..2026-12-06'],
    ['last week', '2026-11-16..2026-11-22'],
    ['this month', '2026-11-01..2026-11-30'],
    ['next month', '2026-12-01..2026-12-31'],
    ['last year', '2025-01-01..2025-12-31'],
    // Today is the first of the next and the last of the last n days.
    ['next 14 days', '2026-11-23..2026-12-06'],
    ['last 7 days', '2026-11-17..2026-11-23'],
    ['next 1 day', '2026-11-23'],
    ['next 2 weeks', '2026-11-23..2026-12-06'],
    ['2026-11-01..2026-11-30', '2026-11-01..2026-11-30'],
    ['today..end of week', '2026-11-23..2026-11-29'],
    ['2026-11', '2026-11-01..2026-11-30'],
    ['today', '2026-11-23'],
  ])('in %s is %s', (written, expected) => expect(words(resolveRange(parseRange(reader(written)), context()))).toBe(expected));

  it.each([
    [1, '2026-11-23..2026-11-29'],
    [7, '2026-11-22..2026-11-28'],
    [6, '2026-11-21..2026-11-27'],
  ] as const)('this week begins as the settings say: %i', (first, expected) =>
    expect(words(resolveRange(parseRange(reader('this week')), context(first)))).toBe(expected),
  );

  it('an ISO week begins on Monday whatever the settings say', () => {
    expect(words(resolveRange(parseRange(reader('2026-W48')), context(7)))).toBe('2026-11-23..2026-11-29');
  });
});

describe('comparing days with days', () => {
  const week = { from: 10, to: 16 };
  const at = (value: number) => ({ from: value, to: value });
  it.each([
    ['=', 10, true],
    ['=', 16, true],
    ['=', 17, false],
    ['!=', 17, true],
    ['!=', 12, false],
    ['<', 17, true],
    ['<', 16, false],
    ['<=', 10, true],
    ['<=', 9, false],
    ['>', 9, true],
    ['>', 10, false],
    ['>=', 16, true],
    ['>=', 17, false],
  ] as const)('a plan of a week %s a day: %i → %s', (sign, value, expected) => expect(compareRanges(week, sign, at(value))).toBe(expected));
  it.each(['=', '!=', '<', '<=', '>', '>='] as const)('an absent field %s anything is false', (sign) =>
    expect(compareRanges(null, sign, at(1))).toBe(false),
  );
});
