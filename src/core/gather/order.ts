import type { Row } from '../index/row';
import { STATUSES } from '../task/status';
import { dayOf, priorityRank } from '../task/task';
import { DATE_FIELDS, type DateField, type OrderKey } from './ast';
import { dateField } from './fields';
import { isLate } from './state';

export type Compare = (a: Row, b: Row) => number;

/** The place in the notes: path, then line. It settles every order, so that each is total. */
export function byPlace(a: Row, b: Row): number {
  if (a.head === b.head) return a.index - b.index;
  return a.head.path < b.head.path ? -1 : a.head.path > b.head.path ? 1 : a.index - b.index;
}

/** The order of a gather; without keys late first, then priority, due, plan, place. */
export function compareBy(keys: readonly OrderKey[] | null, today: number): Compare {
  const compares = keys ? keys.map(compareKey) : defaultCompares(today);
  return (a, b) => {
    for (const compare of compares) {
      const result = compare(a, b);
      if (result !== 0) return result;
    }
    return byPlace(a, b);
  };
}

function defaultCompares(today: number): Compare[] {
  const keys: OrderKey[] = (['priority', 'due', 'plan'] as const).map((key) => ({ key, descending: false }));
  return [(a, b) => Number(isLate(b, today)) - Number(isLate(a, today)), ...keys.map(compareKey)];
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

const isDateField = (key: string): key is DateField => (DATE_FIELDS as readonly string[]).includes(key);

function valueOf(row: Row, key: OrderKey['key']): number | string | null {
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

const MINUTES = 1440;

/** Minutes since 1970, so that a time orders within its day and days without time stand last. */
function dateValue(row: Row, field: DateField): number | null {
  const range = dateField(row, field);
  if (!range) return null;
  const minute = 'minute' in range ? (range.minute as number | null) : null;
  return range.from * MINUTES + (minute ?? MINUTES - 1);
}
