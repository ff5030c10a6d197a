import type { Day } from '../../../core/calendar/day';
import { type DateStyle, dayName } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import type { Span } from '../../../core/calendar/span';
import { timeName } from '../../../core/calendar/span';
import type { Column } from '../../../core/gather/language/ast';
import type { RowView } from '../../../core/index/live/view';
import { clauseNameOf } from '../../../core/task/line/clause';
import { type AddedStatus, STATUS_NAMES } from '../../../core/task/line/status';
import { clauseOf, readTail } from '../../../core/task/line/tail';
import type { ChipLook } from '../../../ui/marks/chip-look';
import type { MarkLook } from '../../../ui/marks/mark-shapes';

/** The mark of a row, with the status that a note adds where it bears one. */
export const markOf = ({ status, priority, late, restsUntil }: RowView, added: AddedStatus | undefined): MarkLook => ({
  status,
  priority,
  late,
  resting: restsUntil !== null,
  ...(added && { added }),
});

/** Columns that say where a row stands. */
const SOURCES: readonly Column[] = ['note', 'path', 'heading', 'journal'];

export const showsSource = (columns: readonly Column[] | null): boolean =>
  columns === null || columns.some((column) => SOURCES.includes(column));

/** The chips of a row: those that usually help, or only those that were asked for, in that order. */
export function shownChips(
  row: RowView,
  usual: readonly ChipLook[],
  columns: readonly Column[] | null,
  today: Day,
  style: DateStyle,
): ChipLook[] {
  if (columns === null) return [...usual, ...usualOf(row)];
  return columns.flatMap((column) => {
    const known = usual.filter((chip) => chip.word === column || (column === 'start' && chip.word === 'rests until'));
    if (known.length > 0) return known;
    const value =
      SOURCES.includes(column) || column === 'text' || column === 'title' || column === 'priority'
        ? ''
        : cellText(row, column, today, style);
    return value === '' ? [] : [{ word: column, value, tone: 'plain' as const, problem: null }];
  });
}

/** What helps beside the clauses of the tail: how far the steps are, and how the tasks of a note stand. */
function usualOf(row: RowView): ChipLook[] {
  const chip = (word: string, value: string): ChipLook => ({ word, value, tone: 'plain', problem: null });
  if (row.facts)
    return [chip('open', String(row.facts.open)), ...(row.facts.all > 0 ? [chip('done', `${row.facts.done} of ${row.facts.all}`)] : [])];
  return row.stepCount > 0 ? [chip('steps', `${row.stepsDone} of ${row.stepCount}`)] : [];
}

/** The note in which a row stands: its title, with the day of a meeting; of a journal page its day. */
export function noteName({ journal, noteTitle, kind, date }: RowView, today: Day, style: DateStyle): string {
  if (journal !== null) return `Journal › ${dayName(journal, today, style)}`;
  return kind === 'meeting' && date !== null ? `${noteTitle}, ${dayName(date, today, style)}` : noteTitle;
}

/** A field of a row in words; empty when it is absent. */
export function cellText(row: RowView, column: Column, today: Day, style: DateStyle): string {
  const day = (value: Day | null): string => (value === null ? '' : dayName(value, today, style));
  const span = (value: Span | null): string => {
    if (!value) return '';
    if (value.to > value.from) return `${dayName(value.from, today, style)} – ${dayName(value.to, today, style)}`;
    return value.minute === null ? day(value.from) : `${day(value.from)} ${timeName(value.minute)}`;
  };
  switch (column) {
    case 'due':
    case 'plan':
    case 'cancelled':
      return span(row[column]);
    case 'done':
      return row.facts ? String(row.facts.done) : span(row.done);
    case 'open':
      return row.facts ? String(row.facts.open) : '';
    case 'made':
      return day(row.made);
    case 'start':
    case 'back':
      return day(row.restsUntil);
    case 'journal':
      return day(row.journal);
    case 'date':
      return day(row.date);
    case 'created':
    case 'changed':
      return day(row.facts?.[column] ?? null);
    case 'day':
      return day(earlier(row.due, row.plan));
    case 'status':
      return STATUS_NAMES[row.status];
    case 'priority':
      return row.priority ?? '';
    case 'takes':
      return row.takes === null ? '' : durationName(row.takes);
    case 'pushed':
      return row.pushed === 0 ? '' : `moved on ${row.pushed === 1 ? 'once' : `${row.pushed} times`}`;
    case 'progress':
      return row.stepCount === 0 ? '' : `${Math.round((100 * row.stepsDone) / row.stepCount)}%`;
    case 'steps':
      return row.stepCount === 0 ? '' : `${row.stepsDone} of ${row.stepCount}`;
    case 'note':
      return noteName(row, today, style);
    case 'title':
      return row.noteTitle;
    case 'path':
      return row.path.includes('/') ? row.path.slice(0, row.path.lastIndexOf('/')) : '';
    case 'heading':
      return row.headings.join(' › ');
    case 'tag':
      return row.tags.map((tag) => `#${tag}`).join(' ');
    case 'person':
      return row.people.map((person) => `@${person}`).join(' ');
    case 'owner':
    case 'asked': {
      const who = row[column];
      return who === null ? '' : who === 'nobody' ? who : `@${who}`;
    }
    case 'link':
    case 'about':
      return row.links.join(', ');
    case 'every':
      return row.every ?? '';
    case 'kind':
      return row.kind;
    case 'state':
    case 'level':
    case 'form':
    case 'series':
      return row.facts?.[column] ?? '';
    default: {
      const name = clauseNameOf(column);
      return (name && clauseOf(readTail(row.raw, 0), name)?.value) ?? '';
    }
  }
}

function earlier(a: Span | null, b: Span | null): Day | null {
  if (a && b) return Math.min(a.from, b.from);
  return (a ?? b)?.from ?? null;
}
