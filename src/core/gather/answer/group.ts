import { type Day, civilFrom, endOfMonth, isoDay, isoWeekName, isoWeekOf, startOfMonth, startOfWeek } from '../../calendar/day';
import { type DateStyle, dayName, monthTitle } from '../../calendar/day-name';
import type { DayRange } from '../../calendar/span';
import { foldName } from '../../note/names/names';
import type { Row } from '../rows/row';
import { NOTE_KINDS, type NoteKind } from '../../note/facts/front-matter';
import { PRIORITY_NAMES } from '../../task/line/clause';
import { isOpen, STATUSES, STATUS_NAMES, type Status } from '../../task/line/status';
import { priorityRank } from '../../task/line/task';
import type { GatherContext, GroupKey } from '../language/ast';
import { dateField } from '../language/fields';

/** The value by which a task stands in a group; `order` places the group, null stands last. */
export interface GroupValue {
  key: string | null;
  label: string;
  order: number | string | null;
}

export const PERIODS = ['Late', 'Earlier', 'Today', 'Tomorrow', 'This week', 'Next week', 'This month', 'Later', 'No date'] as const;
export type Period = (typeof PERIODS)[number];

/** What the notes of a kind are called together. */
const KIND_NAMES: Record<NoteKind, string> = {
  note: 'Notes',
  journal: 'Journal pages',
  meeting: 'Meetings',
  person: 'People',
  project: 'Projects',
  goal: 'Goals',
  review: 'Reviews',
  tag: 'Tags',
  agenda: 'Agenda pages',
  template: 'Templates',
  slip: 'Slips',
  status: 'Statuses',
  archive: 'Archives',
  seal: 'Seals',
};

/** The groups in which a row stands under one key; at least one. */
export function groupValues(row: Row, key: GroupKey, context: GatherContext, style: DateStyle): GroupValue[] {
  const { task, head } = row;
  switch (key.key) {
    case 'due':
    case 'plan':
    case 'start':
    case 'lapses':
    case 'done':
    case 'made':
    case 'since':
    case 'cancelled':
    case 'journal':
    case 'date': {
      const closing = key.key === 'done' || key.key === 'cancelled';
      return [dayValue(dateField(row, key.key)?.from ?? null, closing ? 'Day not known' : `No ${key.key} date`, context, style)];
    }
    case 'back':
      return [dayValue(row.back, 'Not resting', context, style)];
    case 'day':
      return [dayValue(rangeOf(row, key)?.from ?? null, 'No date', context, style)];
    case 'week':
      return [weekValue(rangeOf(row, key)?.from ?? null, context, style)];
    case 'month':
      return [monthValue(rangeOf(row, key)?.from ?? null)];
    case 'period': {
      const period = periodOf(row, rangeOf(row, key), context);
      return [{ key: period, label: period, order: PERIODS.indexOf(period) }];
    }
    case 'status':
      if (row.what !== 'task') return [{ key: null, label: 'No task', order: null }];
      return [statusValue(task.status, key.added ? task.sign : '', context)];
    case 'priority': {
      const rank = priorityRank(task.priority);
      const [key = null, label = ''] = PRIORITY_NAMES[rank] ?? [];
      return [{ key, label, order: rank }];
    }
    case 'tag':
      return names([...task.tags, ...task.inheritedTags], '#', 'No tag');
    case 'person':
      return names([...row.people], '@', 'No person');
    case 'owner':
      return names(task.owner === null ? [] : [task.owner], '@', 'Oneself');
    case 'asked':
      return names(task.asked === null ? [] : [task.asked], '@', 'Asked by nobody');
    case 'note':
      return [{ key: head.path, label: head.title, order: head.path }];
    case 'path':
      return [{ key: head.folder, label: head.folder === '' ? 'No folder' : head.folder, order: head.folder }];
    case 'age':
      return [ageValue(row.made === null ? null : context.today - row.made)];
    case 'about':
      return titles(row.links);
    case 'meeting':
      // Those of a series are called alike, and told apart by their days.
      return head.kind === 'meeting'
        ? [
            {
              key: head.path,
              label: head.series === null || head.date === null ? head.title : `${head.title}, ${dayName(head.date, context.today, style)}`,
              order: head.path,
            },
          ]
        : [{ key: null, label: 'No meeting', order: null }];
    case 'kind':
      return [{ key: head.kind, label: KIND_NAMES[head.kind], order: NOTE_KINDS.indexOf(head.kind) }];
    case 'state':
    case 'level':
    case 'form':
    case 'series': {
      const said = row.facts?.[key.key] ?? null;
      // One series may be written in more than one way.
      const folded = said !== null && key.key === 'series' ? foldName(said) : said;
      return [{ key: folded, label: said === null ? `No ${key.key}` : capital(said), order: folded }];
    }
    case 'heading': {
      const heading = task.headings[task.headings.length - 1] ?? null;
      return [{ key: heading, label: heading ?? 'No heading', order: heading }];
    }
  }
}

/** How old a task is at most, in days, and what those are called. */
const AGES = [7, 30, 90].map((days) => ({ days, label: `Up to ${days} days` }));

/** By how many days ago a task was made. */
function ageValue(age: number | null): GroupValue {
  if (age === null) return { key: null, label: 'Age not known', order: null };
  const found = AGES.find(({ days }) => age <= days);
  return found ? { key: String(found.days), label: found.label, order: found.days } : { key: 'older', label: 'Older', order: Infinity };
}

/** An added status has a group of its own, behind the status that it stands for; its key is that status and its sign. */
function statusValue(status: Status, sign: string, { statuses }: GatherContext): GroupValue {
  const order = STATUSES.indexOf(status);
  const added = statuses?.get(sign);
  if (!added) return { key: status, label: STATUS_NAMES[status], order };
  const place = [...(statuses?.keys() ?? [])].indexOf(sign) + 1;
  return { key: `${status} ${sign}`, label: added.name, order: order + place / 1000 };
}

function names(found: readonly string[], sign: string, absent: string): GroupValue[] {
  if (found.length === 0) return [{ key: null, label: absent, order: null }];
  return [...new Set(found.map((name) => name.toLowerCase()))].map((name) => ({
    key: name,
    label: sign === '@' && name === 'nobody' ? 'Nobody' : sign + name,
    order: name,
  }));
}

function titles(found: readonly string[]): GroupValue[] {
  if (found.length === 0) return [{ key: null, label: 'About nothing', order: null }];
  return found.map((title) => ({ key: title, label: title, order: title }));
}

/** The days by which day, week, month and period go: the earlier of due and plan, or the field as said. */
function rangeOf(row: Row, key: GroupKey): DayRange | null {
  if (key.of) return dateField(row, key.of);
  const { due, plan } = row.task;
  if (due && plan) return due.from <= plan.from ? due : plan;
  return due ?? plan;
}

function dayValue(day: Day | null, absent: string, context: GatherContext, style: DateStyle): GroupValue {
  if (day === null) return { key: null, label: absent, order: null };
  return { key: isoDay(day), label: capital(dayName(day, context.today, style)), order: day };
}

function weekValue(day: Day | null, context: GatherContext, style: DateStyle): GroupValue {
  if (day === null) return { key: null, label: 'No date', order: null };
  const start = startOfWeek(day, context.firstDayOfWeek);
  const current = startOfWeek(context.today, context.firstDayOfWeek);
  const label =
    start === current
      ? 'This week'
      : start === current + 7
        ? 'Next week'
        : start === current - 7
          ? 'Last week'
          : `Week of ${dayName(start, context.today, style)}`;
  return { key: context.firstDayOfWeek === 1 ? isoWeekName(isoWeekOf(start)) : isoDay(start), label, order: start };
}

function monthValue(day: Day | null): GroupValue {
  if (day === null) return { key: null, label: 'No date', order: null };
  const { year, month } = civilFrom(day);
  return { key: isoDay(day).slice(0, 7), label: monthTitle(day), order: year * 12 + month };
}

/** The period of a task: each leaves out the ones before it. */
function periodOf(row: Row, range: DayRange | null, context: GatherContext): Period {
  const { today, firstDayOfWeek } = context;
  const open = isOpen(row.task.status);
  if (open && row.task.due !== null && row.task.due.from < today) return 'Late';
  if (!range) return 'No date';
  if (range.to < today) return 'Earlier';
  const weekEnd = startOfWeek(today, firstDayOfWeek) + 6;
  if (range.from < range.to && range.from <= today) return range.to - range.from < 7 ? 'This week' : 'This month';
  if (range.from === today) return 'Today';
  if (range.from === today + 1) return 'Tomorrow';
  if (range.from <= weekEnd) return 'This week';
  if (range.from <= weekEnd + 7) return 'Next week';
  return range.from <= endOfMonth(startOfMonth(today)) ? 'This month' : 'Later';
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
