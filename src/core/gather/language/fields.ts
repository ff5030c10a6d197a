import type { DayRange } from '../../calendar/span';
import type { Row } from '../rows/row';
import type { DateField, PresenceField } from './ast';

const single = (day: number | null): DayRange | null => (day === null ? null : { from: day, to: day });

/** The days of a date field; null when it is absent. */
export function dateField(row: Row, field: DateField): DayRange | null {
  switch (field) {
    case 'due':
    case 'plan':
    case 'done':
    case 'cancelled':
    case 'since':
      return row.task[field];
    case 'start':
    case 'lapses':
      return single(row.task[field]);
    case 'made':
      return single(row.made);
    case 'journal':
      return single(row.head.journal);
    case 'date':
      return single(row.head.date ?? row.head.journal);
    case 'created':
    case 'changed':
      return single(row.facts?.[field] ?? null);
  }
}

/** Whether a field is written on the task; that is what `with` and `without` look at. */
export function isPresent(row: Row, field: Exclude<PresenceField, 'next step'>): boolean {
  const { task } = row;
  switch (field) {
    case 'due':
    case 'plan':
    case 'start':
    case 'lapses':
    case 'made':
    case 'done':
    case 'cancelled':
    case 'since':
    case 'joined':
    case 'sent':
      return task[field] !== null;
    case 'journal':
      return row.head.journal !== null;
    case 'date':
      return dateField(row, field) !== null;
    case 'any date':
      return task.due !== null || task.plan !== null || task.start !== null;
    case 'repeat':
      return task.every !== null;
    case 'takes':
    case 'priority':
    case 'owner':
    case 'asked':
    case 'remind':
      return task[field] !== null;
    case 'tag':
      return row.tags.length > 0;
    case 'own tag':
      return row.ownTags.length > 0;
    case 'person':
      return row.people.length > 0;
    case 'link':
      return row.links.length > 0;
    case 'need':
      return task.needs.length > 0;
    case 'steps':
      return row.steps > 0;
  }
}
