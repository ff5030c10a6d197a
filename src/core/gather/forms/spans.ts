import { type Day, addMonths, civilFrom, startOfMonth, startOfWeek, type Weekday } from '../../calendar/day';
import { type DayRange, type Span, readSpan } from '../../calendar/span';
import { clauseOf, readTail } from '../../task/line/tail';

/** What a span must know of a row. */
export interface SpanRow {
  raw: string;
  due: Span | null;
  plan: Span | null;
  what: 'task' | 'note' | 'point';
  /** The day of the note. */
  date: Day | null;
}

/** A row on an axis of days: from its start or plan to when it is due. */
export interface SpanBar<Row> extends DayRange {
  row: Row;
  /** What its first and its last day are; `null` is the other end. */
  begins: 'start' | 'plan' | null;
  ends: 'due' | null;
}

/** The bars of one value of the key, each on a line of its own, those that begin first above. */
export interface SpanGroup<Row> {
  /** The first of its lines among all. */
  first: number;
  bars: SpanBar<Row>[];
}

/** What must be closed before something else: a line from the end of one bar to the beginning of another. */
export interface SpanNeed {
  /** The lines on which the bars lie, from 0. */
  from: number;
  to: number;
  /** The day behind the end of what is needed, and that on which what needs it begins. */
  leaves: Day;
  reaches: Day;
}

/**
 * The bar of a row: from its start, else its plan, to its due day, else the end of its plan. Null when it has no date at all. What begins
 * after it is due is drawn between the two all the same.
 *
 * @example `{plan 2026-11-23; due 2026-11-27}` lies on five days; `{due 2026-11-27}` on one
 */
export function spanOf<Row extends SpanRow>(row: Row): SpanBar<Row> | null {
  const { due, plan } = row;
  // A note is of its day; a task only stands in one that is.
  const date = row.what === 'note' ? row.date : null;
  const start = startOf(row);
  const begin = start?.from ?? plan?.from ?? date ?? due?.from;
  if (begin === undefined) return null;
  const end = due?.to ?? plan?.to ?? begin;
  return {
    row,
    from: Math.min(begin, end),
    to: Math.max(begin, end),
    begins: start ? 'start' : plan ? 'plan' : null,
    ends: due ? 'due' : null,
  };
}

/** Only a line that holds the word needs its tail read. */
const startOf = ({ raw }: SpanRow): Span | null => (/start/i.test(raw) ? readSpan(clauseOf(readTail(raw, 0), 'start')?.value ?? '') : null);

/** The bars of each group, on lines counted through all of them. */
export function spanGroups<Row extends SpanRow>(groups: readonly (readonly Row[])[]): SpanGroup<Row>[] {
  let first = 0;
  return groups.map((rows) => {
    const bars = rows.flatMap((row) => spanOf(row) ?? []).sort((a, b) => a.from - b.from || a.to - b.to);
    const group = { first, bars };
    first += bars.length;
    return group;
  });
}

/** What must be closed first among the bars that are drawn: of a task in several groups its uppermost bar counts. */
export function spanNeeds<Row extends SpanRow>(groups: readonly SpanGroup<Row>[]): SpanNeed[] {
  const byRef = new Map<string, { line: number; bar: SpanBar<Row> }>();
  const all = groups.flatMap(({ first, bars }) =>
    bars.map((bar, at) => ({ line: first + at, bar, tail: /ref|needs/i.test(bar.row.raw) ? readTail(bar.row.raw, 0) : null })),
  );
  for (const { line, bar, tail } of all) {
    const ref = clauseOf(tail, 'ref')?.value;
    if (ref !== undefined && !byRef.has(ref)) byRef.set(ref, { line, bar });
  }
  return all.flatMap(({ line, bar, tail }) =>
    (clauseOf(tail, 'needs')?.value ?? '').split(',').flatMap((ref) => {
      const needed = byRef.get(ref.trim());
      return needed && needed.bar !== bar ? [{ from: needed.line, to: line, leaves: needed.bar.to + 1, reaches: bar.from }] : [];
    }),
  );
}

/** So many days an axis shows at least and at most; between them it is squeezed and stretched by halves. */
export const SPAN_DAYS = [14, 28, 56, 112, 224, 448, 896, 1792] as const;

/**
 * The days that an axis shows at first: all bars that lie near today, and today; what lies centuries away does not squeeze the rest.
 *
 * @returns a length of {@link SPAN_DAYS}, from the beginning of a week on
 */
export function spanAxis(bars: readonly DayRange[], today: Day, firstDayOfWeek: Weekday): DayRange {
  const longest = 448;
  const near = bars.filter(({ from, to }) => to >= today - longest / 2 && from <= today + longest / 2);
  const first = Math.max(
    today - longest / 2,
    near.reduce((least, { from }) => Math.min(least, from), today),
  );
  const last = near.reduce((most, { to }) => Math.max(most, to), today);
  const from = startOfWeek(first, firstDayOfWeek);
  const days = SPAN_DAYS.find((one) => from + one > last) ?? longest;
  return { from, to: from + Math.min(days, longest) - 1 };
}

/** Where an axis bears a mark: the beginnings of days, weeks, months or years, at most about sixteen. */
export function spanTicks({ from, to }: DayRange, firstDayOfWeek: Weekday): { unit: 'day' | 'week' | 'month' | 'year'; days: Day[] } {
  const length = to - from + 1;
  const each = (first: Day, next: (day: Day) => Day): Day[] => {
    const days: Day[] = [];
    for (let day = first; day <= to; day = next(day)) if (day >= from) days.push(day);
    return days;
  };
  if (length <= 14) return { unit: 'day', days: each(from, (day) => day + 1) };
  if (length <= 112) return { unit: 'week', days: each(startOfWeek(from, firstDayOfWeek), (day) => day + 7) };
  if (length <= 448) return { unit: 'month', days: each(startOfMonth(from), (day) => addMonths(day, 1)) };
  const january = addMonths(startOfMonth(from), 1 - civilFrom(from).month);
  return { unit: 'year', days: each(january, (day) => addMonths(day, length > 900 ? 12 : 6)) };
}
