import { civilFrom, dayFrom, isoDay, isoWeekName, isoWeekOf } from '../../calendar/day';
import { type Span, readMoment, readSpan, timeName } from '../../calendar/span';
import type { ClauseName } from '../line/clause';
import { clauseOf, readTail } from '../line/tail';
import { withClause } from '../writing/write-tail';

/** A day, week or month as it is stored: `2026-11-27 15:00`, `2026-W48`, `2026-12`. */
export function spanText(span: Span): string {
  if (span.to - span.from === 6) return isoWeekName(isoWeekOf(span.from));
  if (span.to > span.from) return isoDay(span.from).slice(0, 7);
  return span.minute === null ? isoDay(span.from) : `${isoDay(span.from)} ${timeName(span.minute)}`;
}

/** The same span so many days on; a week or month becomes the one that its first day comes to stand in. */
export function shifted(span: Span, days: number): Span {
  const from = span.from + days;
  if (span.to - span.from === 6) {
    const monday = from - ((((from + 3) % 7) + 7) % 7);
    return { ...span, from: monday, to: monday + 6 };
  }
  if (span.to > span.from) {
    const { year, month } = civilFrom(from);
    const start = dayFrom({ year, month, day: 1 });
    const next = month === 12 ? dayFrom({ year: year + 1, month: 1, day: 1 }) : dayFrom({ year, month: month + 1, day: 1 });
    return { ...span, from: start, to: next - 1 };
  }
  return { ...span, from, to: from };
}

/** Moves the dates of a line's clauses by days, each keeping its time; what is relative or no date stays. */
export function withDatesShifted(line: string, wordsFrom: number, names: readonly ClauseName[], days: number): string {
  let result = line;
  for (const name of names) {
    const value = clauseOf(readTail(result, wordsFrom), name)?.value;
    if (value === undefined) continue;
    const next = name === 'remind' ? shiftedReminders(value, days) : shiftedValue(value, days);
    if (next !== null && next !== value) result = withClause(result, wordsFrom, name, `${name} ${next}`);
  }
  return result;
}

function shiftedValue(value: string, days: number): string | null {
  const span = readSpan(value);
  return span && spanText(shifted(span, days));
}

function shiftedReminders(value: string, days: number): string {
  return value
    .split(',')
    .map((one) => {
      const moment = readMoment(one.trim());
      return moment ? spanText(shifted(moment, days)) : one.trim();
    })
    .join(', ');
}
