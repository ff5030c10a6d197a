import type { Row } from '../rows/row';
import { STATUSES } from '../../task/line/status';
import type { Span } from '../../calendar/span';
import { dayOf, priorityRank } from '../../task/line/task';
import { DATE_FIELDS, type DateField, type OrderKey } from '../language/ast';
import { dateField } from '../language/fields';
import { isLate } from './state';

const MINUTES = 1440;

export type Compare = (a: Row, b: Row) => number;

/** The place in the notes: path, then line. It settles every order, so that each is total. */
export function byPlace(a: Row, b: Row): number {
  if (a.head === b.head) return a.index - b.index;
  return a.head.path < b.head.path ? -1 : a.head.path > b.head.path ? 1 : a.index - b.index;
}

/** The order of a gather; without keys late first, then priority, due, plan, place. */
export function compareBy(keys: readonly OrderKey[] | null, today: number): Compare {
  if (!keys) return compareByDefault(today);
  const compares = keys.map(compareKey);
  return (a, b) => {
    for (const compare of compares) {
      const result = compare(a, b);
      if (result !== 0) return result;
    }
    return byPlace(a, b);
  };
}

/** The order without keys, in one piece: it is what most lists of many tasks stand in. */
function compareByDefault(today: number): Compare {
  return (a, b) => {
    const late = Number(isLate(b, today)) - Number(isLate(a, today));
    if (late !== 0) return late;
    const rank = priorityRank(a.task.priority) - priorityRank(b.task.priority);
    if (rank !== 0) return rank;
    return compareDates(a.task.due, b.task.due) || compareDates(a.task.plan, b.task.plan) || byPlace(a, b);
  };
}

function compareDates(a: Span | null, b: Span | null): number {
  if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1;
  return a.from - b.from || (a.minute ?? MINUTES) - (b.minute ?? MINUTES);
}

function compareKey({ key, descending }: OrderKey): Compare {
  const direction = descending ? -1 : 1;
  return (a, b) => {
    const left = valueOf(a, key);
    const right = valueOf(b, key);
    // What is absent stands last, ascending or descending.
    if (left === null || right === null) return left === right ? 0 : left === null ? 1 : -1;
    return left < right ? -direction : left > right ? direction : 0;
  };
}

const isDateField = (key: string): key is DateField => key === 'date' || (DATE_FIELDS as readonly string[]).includes(key);

function valueOf(row: Row, key: OrderKey['key']): number | string | null {
  // Of a note these are how many of its tasks are open and done.
  if (row.facts && (key === 'open' || key === 'done')) return row.facts[key];
  if (isDateField(key)) return dateValue(row, key);
  switch (key) {
    case 'day':
      return dayOf(row.task);
    case 'back':
      return row.back;
    case 'status':
      return STATUSES.indexOf(row.task.status);
    case 'priority':
      return priorityRank(row.task.priority);
    case 'takes':
      return row.task.takes;
    case 'pushed':
      return row.task.pushed.length;
    case 'progress':
      return row.steps === 0 ? null : row.stepsDone / row.steps;
    case 'title':
      return row.head.title.toLowerCase();
    case 'kind':
      return row.head.kind;
    case 'state':
    case 'level':
    case 'form':
    case 'series':
      return row.facts?.[key] ?? null;
    case 'open':
      return null;
    case 'note':
      return row.head.title.toLowerCase();
    case 'path':
      return row.head.path;
    case 'text':
      return row.task.text.toLowerCase();
    case 'owner':
      return row.task.owner;
    case 'asked':
      return row.task.asked;
  }
}

/** Minutes since 1970, so that a time orders within its day and days without time stand last. */
function dateValue(row: Row, field: DateField): number | null {
  const range = dateField(row, field);
  if (!range) return null;
  const minute = 'minute' in range ? (range.minute as number | null) : null;
  return range.from * MINUTES + (minute ?? MINUTES - 1);
}
