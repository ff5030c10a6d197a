import ICAL from 'ical.js';
import { type Day, civilFrom } from '../../calendar/day';
import { readRepeat } from '../../calendar/repeat/repeat-phrase';
import { repeatRuleText } from '../../calendar/repeat/repeat-rule';
import { writtenOut } from '../../calendar/repeat/repeat';
import type { Now, Span } from '../../calendar/span';
import { remindersOf } from '../../day/reminders';
import { foldName } from '../../note/names/names';
import type { Task } from '../../task/line/task-line';
import { type Branch, tasksIn } from '../branch';
import type { CalendarEvent } from './part';
import { taskIds } from './task-ids';
import { withoutSigns } from './plain-words';
import { NOTHING_TO_SAY, type Writer } from './writer';

export interface CalendarGiven {
  title: string;
  /** The moment of writing. */
  now: Now;
  /** A local moment in UTC: the core knows no zone. */
  inUtc: (moment: Now) => Now;
}

/** RFC 5545, 3.8.1.9: 1 is the highest, 9 the lowest; 0, or none, is undefined. */
const PRIORITIES = { top: 1, high: 3, low: 9 } as const;
/** RFC 5545, 3.8.1.11, the statuses of a to-do. It has none for one that waits. */
const STATUSES = {
  todo: 'NEEDS-ACTION',
  underway: 'IN-PROCESS',
  waiting: 'NEEDS-ACTION',
  done: 'COMPLETED',
  cancelled: 'CANCELLED',
} as const;

/** Clauses that a property of RFC 5545 says whole; every other goes into one of its own, `X-RECADO-` and its name. */
const SAID: ReadonlySet<string> = new Set(['top', 'high', 'low', 'due']);

/**
 * Tasks as to-dos of iCalendar (RFC 5545), appointments and meetings as its events. Dates without a time are days, times are local
 * ones of no zone. What iCalendar has no property for stands in one that begins with `X-RECADO-`.
 */
export function icalWriter({ title, now, inUtc }: CalendarGiven): Writer {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Recado//Recado 1//EN');
  calendar.addPropertyWithValue('x-wr-calname', title);
  const END = 'END:VCALENDAR';
  const stamp = momentOf(inUtc(now), true);
  const idsOf = taskIds();
  const seen = new Set<string>();
  return {
    begin: calendar.toString().slice(0, -END.length),
    part: ({ outline: { branches }, events }) => {
      const ids = idsOf(branches);
      const written: string[] = [];
      for (const { branch, task, above } of tasksIn(branches)) {
        // Several lists, or groups of one, may hold the same task; a calendar holds it once.
        const place = `${branch.path}\n${branch.line}`;
        if (seen.has(place)) continue;
        seen.add(place);
        const id = ids.get(branch) ?? '';
        written.push(todoOf(branch, task, { stamp, inUtc, id, above: (above && ids.get(above)) ?? null }).toString());
      }
      for (const event of events) written.push(eventOf(event, stamp).toString());
      return written.map((one) => `${one}\r\n`).join('');
    },
    end: () => `${END}\r\n`,
    report: NOTHING_TO_SAY,
  };
}

interface TodoGiven {
  id: string;
  above: string | null;
  stamp: ICAL.Time;
  inUtc: (moment: Now) => Now;
}

function todoOf(branch: Branch, task: Task, { id, above, stamp, inUtc }: TodoGiven): ICAL.Component {
  const todo = new ICAL.Component('vtodo');
  const add = (name: string, value: string | number | ICAL.Time | ICAL.Recur): ICAL.Property => todo.addPropertyWithValue(name, value);
  add('uid', id);
  add('dtstamp', stamp);
  add('summary', branch.words);
  const description = branch.description.join('\n').trim();
  if (description !== '') add('description', description);
  const { due, plan, every } = task;
  if (due) add('due', timeOf(due));
  const begins = due && plan && isBefore(plan, due) && plan.from === plan.to;
  if (begins) add('dtstart', timeOf(plan));
  if (task.priority) add('priority', PRIORITIES[task.priority]);
  add('status', STATUSES[task.status]);
  if (task.status === 'waiting') add('x-recado-status', 'WAITING');
  const share = task.status === 'done' ? 100 : progressOf(branch);
  if (share !== null) add('percent-complete', share);
  if (task.done) add('completed', momentOf(inUtc({ day: task.done.from, minute: task.done.minute ?? 0 }), true));
  if (task.made) add('created', momentOf(inUtc({ day: task.made.from, minute: task.made.minute ?? 0 }), true));
  if (above !== null) add('related-to', above);
  const tags = [...new Set([...task.tags, ...task.inheritedTags])];
  if (tags.length > 0) todo.addProperty(listOf('categories', tags));
  const rule = every === null ? null : ruleOf(every, (due ?? plan)?.from ?? null);
  if (rule !== null) add('rrule', ICAL.Recur.fromString(rule));
  for (const { word, value, name } of branch.clauses)
    if (name !== null && !SAID.has(word.toLowerCase()) && !(begins && name === 'plan'))
      add(`x-recado-${name}`, value === '' ? 'TRUE' : value);
  add('x-recado-note', branch.path);
  for (const moment of remindersOf(task)) todo.addSubcomponent(alarmOf(branch.words, inUtc(moment)));
  return todo;
}

/** DTSTART is before DUE and of its kind (RFC 5545, 3.8.2.3), so that a plan without a time goes with a due day without one only. */
function isBefore(plan: Span, due: Span): boolean {
  if ((plan.minute === null) !== (due.minute === null)) return false;
  return plan.from < due.from || (plan.from === due.from && (plan.minute ?? 0) < (due.minute ?? 0));
}

/** The one rule that a phrase comes to; null where it needs several, or counts from the day it is done. */
function ruleOf(every: string, day: Day | null): string | null {
  const repeat = readRepeat(every);
  const text = repeat && day !== null ? repeatRuleText(writtenOut(repeat, day)) : null;
  return text === null || text.includes('\n') ? null : text;
}

function progressOf(branch: Branch): number | null {
  const steps = tasksIn(branch.branches).filter(({ task }) => task.status !== 'cancelled');
  if (steps.length === 0) return null;
  return Math.round((100 * steps.filter(({ task }) => task.status === 'done').length) / steps.length);
}

function alarmOf(words: string, moment: Now): ICAL.Component {
  const alarm = new ICAL.Component('valarm');
  alarm.addPropertyWithValue('action', 'DISPLAY');
  alarm.addPropertyWithValue('description', withoutSigns(words));
  // An absolute trigger is in UTC (RFC 5545, 3.8.6.3).
  const trigger = new ICAL.Property('trigger', alarm);
  trigger.resetType('date-time');
  trigger.setValue(momentOf(moment, true));
  alarm.addProperty(trigger);
  return alarm;
}

function eventOf({ id, words, day, start, end, people, note }: CalendarEvent, stamp: ICAL.Time): ICAL.Component {
  const event = new ICAL.Component('vevent');
  event.addPropertyWithValue('uid', id);
  event.addPropertyWithValue('dtstamp', stamp);
  event.addPropertyWithValue('summary', withoutSigns(words));
  event.addPropertyWithValue('dtstart', start === null ? dayOf(day) : momentOf({ day, minute: start }, false));
  if (start !== null && end !== null && end > start)
    event.addPropertyWithValue('dtend', momentOf({ day: day + Math.floor(end / MINUTES), minute: end % MINUTES }, false));
  if (people.length > 0) event.addPropertyWithValue('x-recado-people', people.map(foldName).join(', '));
  event.addPropertyWithValue('x-recado-note', note);
  return event;
}

const MINUTES = 1440;

function listOf(name: string, values: string[]): ICAL.Property {
  const property = new ICAL.Property(name);
  property.setValues(values);
  return property;
}

const timeOf = (span: Span): ICAL.Time =>
  span.minute === null ? dayOf(span.to) : momentOf({ day: span.from, minute: span.minute }, false);

function dayOf(day: Day): ICAL.Time {
  return ICAL.Time.fromData({ ...civilFrom(day), isDate: true });
}

function momentOf({ day, minute }: Now, utc: boolean): ICAL.Time {
  const time = { ...civilFrom(day), hour: Math.floor(minute / 60), minute: minute % 60, second: 0, isDate: false };
  return ICAL.Time.fromData(time, utc ? ICAL.Timezone.utcTimezone : ICAL.Timezone.localTimezone);
}
