import ICAL from 'ical.js';
import type { Now } from '../../calendar/span';
import { remindersOf } from '../../day/reminders';
import { foldName } from '../../note/names/names';
import type { Task } from '../../task/line/task-line';
import { type Branch, tasksIn } from '../branch';
import { ICAL_PRIORITIES, ICAL_STATUSES, icalAt, icalDay, icalList, icalRule, icalTime, mayBegin } from '../ical-values';
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
  const stamp = icalAt(inUtc(now), true);
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
  if (due) add('due', icalTime(due));
  const begins = due && plan && mayBegin(plan, due) && plan.from === plan.to;
  if (begins) add('dtstart', icalTime(plan));
  if (task.priority) add('priority', ICAL_PRIORITIES[task.priority]);
  add('status', ICAL_STATUSES[task.status]);
  if (task.status === 'waiting') add('x-recado-status', 'WAITING');
  const share = task.status === 'done' ? 100 : progressOf(branch);
  if (share !== null) add('percent-complete', share);
  if (task.done) add('completed', icalAt(inUtc({ day: task.done.from, minute: task.done.minute ?? 0 }), true));
  if (task.made) add('created', icalAt(inUtc({ day: task.made.from, minute: task.made.minute ?? 0 }), true));
  if (above !== null) add('related-to', above);
  const tags = [...new Set([...task.tags, ...task.inheritedTags])];
  if (tags.length > 0) todo.addProperty(icalList('categories', tags));
  const rule = every === null ? null : icalRule(every, (due ?? plan)?.from ?? null);
  if (rule !== null) add('rrule', ICAL.Recur.fromString(rule));
  for (const { word, value, name } of branch.clauses)
    if (name !== null && !SAID.has(word.toLowerCase()) && !(begins && name === 'plan'))
      add(`x-recado-${name}`, value === '' ? 'TRUE' : value);
  add('x-recado-note', branch.path);
  for (const moment of remindersOf(task)) todo.addSubcomponent(alarmOf(branch.words, inUtc(moment)));
  return todo;
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
  trigger.setValue(icalAt(moment, true));
  alarm.addProperty(trigger);
  return alarm;
}

function eventOf({ id, words, day, start, end, people, note }: CalendarEvent, stamp: ICAL.Time): ICAL.Component {
  const event = new ICAL.Component('vevent');
  event.addPropertyWithValue('uid', id);
  event.addPropertyWithValue('dtstamp', stamp);
  event.addPropertyWithValue('summary', withoutSigns(words));
  event.addPropertyWithValue('dtstart', start === null ? icalDay(day) : icalAt({ day, minute: start }, false));
  if (start !== null && end !== null && end > start)
    event.addPropertyWithValue('dtend', icalAt({ day: day + Math.floor(end / MINUTES), minute: end % MINUTES }, false));
  if (people.length > 0) event.addPropertyWithValue('x-recado-people', people.map(foldName).join(', '));
  event.addPropertyWithValue('x-recado-note', note);
  return event;
}

const MINUTES = 1440;
