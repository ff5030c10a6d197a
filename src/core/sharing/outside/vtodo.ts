import ICAL from 'ical.js';
import type { Day } from '../../calendar/day';
import { repeatPhrase } from '../../calendar/repeat/repeat-phrase';
import { repeatOfRule } from '../../calendar/repeat/repeat-rule';
import { type Now, readSpan } from '../../calendar/span';
import {
  ICAL_PRIORITIES,
  ICAL_STATUSES,
  icalAt,
  icalList,
  icalMoment,
  icalRule,
  icalTime,
  icalWords,
  mayBegin,
  momentText,
  priorityFrom,
  statusFrom,
} from '../../formats/ical-values';
import { RULE, type SharedField, type SharedTask } from './shared-task';

/** Moments between UTC and the zone of a person; the core knows no zone. */
export interface Zone {
  fromUtc: (moment: Now) => Now;
  toUtc: (moment: Now) => Now;
}

/** What a to-do of an outside list says. */
export interface OutsideFace {
  uid: string;
  /** The `ref` of the line with which it was joined or onto which it was sent; null for none. */
  ref: string | null;
  /** When it was changed last by the clock of its service, in milliseconds since 1970; null where it does not say. */
  modified: number | null;
  task: SharedTask;
  description: string;
}

/** What is written besides what both faces share. */
export interface FaceMore {
  ref: string;
  description: string;
  /** The address of its line in the browser. */
  url: string;
}

/** What is written into a to-do. */
export interface FaceChange {
  /** Of these fields only. */
  fields: readonly SharedField[];
  task: SharedTask;
  /** Null leaves what stands there. */
  more: FaceMore | null;
}

/**
 * Reads a calendar object that is a to-do (RFC 5545, 3.6.2; RFC 4791, 4.1); of one that was changed for single days the to-do itself.
 *
 * @returns null where it is none
 */
export function readVtodo(text: string, zone: Zone): OutsideFace | null {
  const todo = todoIn(calendarOf(text));
  return todo && faceOf(todo, zone);
}

function calendarOf(text: string): ICAL.Component | null {
  try {
    const parsed = ICAL.parse(text.trim()) as unknown[];
    // One that ends too soon is read as far as it goes, and is none.
    return parsed[0] === 'vcalendar' ? new ICAL.Component(parsed) : null;
  } catch {
    return null;
  }
}

const todoIn = (calendar: ICAL.Component | null): ICAL.Component | null =>
  calendar?.getAllSubcomponents('vtodo').find((one) => !one.hasProperty('recurrence-id')) ?? null;

function faceOf(todo: ICAL.Component, zone: Zone): OutsideFace {
  const moment = (name: string): string | null => {
    const found = icalMoment(todo, name, zone.fromUtc);
    return found && momentText(found);
  };
  const due = moment('due');
  const plan = moment('dtstart') ?? (icalWords(todo, 'x-recado-plan') || null);
  const modified = todo.getFirstPropertyValue('last-modified');
  return {
    uid: icalWords(todo, 'uid'),
    ref: REF.exec(icalWords(todo, 'x-recado-ref'))?.[0] ?? null,
    modified: modified instanceof ICAL.Time ? modified.toUnixTime() * 1000 : null,
    task: {
      words: icalWords(todo, 'summary').replace(/\s+/g, ' '),
      status: statusFrom(todo),
      due,
      plan,
      priority: priorityFrom(Number(icalWords(todo, 'priority') || 0)),
      tags: tagsOf(todo),
      every: everyOf(todo, dayOf(plan ?? due)),
    },
    description: icalWords(todo, 'description'),
  };
}

const REF = /^[a-z0-9]{6}$/;

const dayOf = (moment: string | null): Day | null => (moment === null ? null : (readSpan(moment)?.to ?? null));

/** A label as a tag can be written: what no tag can hold becomes a hyphen. */
const tagOf = (label: string): string =>
  label
    .trim()
    .replace(/[^\p{L}\p{M}\p{N}_/-]+/gu, '-')
    .replace(/[-/]{2,}/g, '-')
    .replace(/^[-/]+|[-/]+$/g, '');

const labelsOf = (todo: ICAL.Component): string[] =>
  todo.getAllProperties('categories').flatMap((property) => property.getValues().map(String));

function tagsOf(todo: ICAL.Component): string[] {
  // A tag has a letter in it.
  const tags = labelsOf(todo)
    .map(tagOf)
    .filter((tag) => /\p{L}/u.test(tag));
  return [...new Set(tags)].sort();
}

/** The phrase that was written with a rule says more than the rule; it counts as long as nobody changed the rule elsewhere. */
function everyOf(todo: ICAL.Component, day: Day | null): string | null {
  const [phrase, written] = [icalWords(todo, 'x-recado-every'), icalWords(todo, 'x-recado-rule')];
  const rule = icalWords(todo, 'rrule');
  if (phrase !== '' && rule === written) return phrase;
  if (rule === '') return null;
  const repeat = repeatOfRule(rule, day);
  return repeat ? repeatPhrase(repeat) : RULE + rule;
}

/**
 * A to-do with some of its fields changed, as a calendar object; whatever else stands in it stays. One that was closed says when (RFC 5545,
 * 3.8.2.1), and each change says when it was made and counts on (3.8.7.3 and 3.8.7.4).
 *
 * @param source the object as it stands there; null for a new one
 * @param now the moment in UTC
 */
export function writtenVtodo(source: string | null, uid: string, change: FaceChange, zone: Zone, now: Now): string {
  const calendar = (source === null ? null : calendarOf(source)) ?? newCalendar(uid);
  const todo = todoIn(calendar) ?? newTodo(calendar, uid);
  const writer = new TodoWriter(todo, zone, icalAt(now, true));
  writer.write(change);
  return `${calendar.toString()}\r\n`;
}

function newCalendar(uid: string): ICAL.Component {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Recado//Recado 1//EN');
  newTodo(calendar, uid);
  return calendar;
}

function newTodo(calendar: ICAL.Component, uid: string): ICAL.Component {
  const todo = new ICAL.Component('vtodo');
  todo.addPropertyWithValue('uid', uid);
  calendar.addSubcomponent(todo);
  return todo;
}

class TodoWriter {
  constructor(
    private readonly todo: ICAL.Component,
    private readonly zone: Zone,
    private readonly now: ICAL.Time,
  ) {}

  write({ fields, task, more }: FaceChange): void {
    const present = faceOf(this.todo, this.zone).task;
    // What a date means to another depends on both.
    const next = { ...present, ...Object.fromEntries(fields.map((field) => [field, task[field]])) };
    const changes = new Set<SharedField>(fields);
    if (changes.has('words')) this.set('summary', next.words);
    if (changes.has('due') || changes.has('plan')) this.writeDays(next, changes);
    if (changes.has('priority')) this.set('priority', next.priority && ICAL_PRIORITIES[next.priority]);
    if (changes.has('tags')) this.writeLabels(next.tags);
    if (changes.has('every')) this.writeRepeat(next);
    if (changes.has('status')) this.writeStatus(next);
    if (more) {
      this.set('x-recado-ref', more.ref);
      this.set('description', more.description);
      this.set('url', more.url);
    }
    if (!this.todo.hasProperty('created')) this.set('created', this.now);
    this.set('dtstamp', this.now);
    this.set('last-modified', this.now);
    this.set('sequence', Number(icalWords(this.todo, 'sequence') || -1) + 1);
  }

  private set(name: string, value: string | number | ICAL.Time | ICAL.Recur | null): void {
    if (value === null || value === '') this.todo.removeAllProperties(name);
    else this.todo.updatePropertyWithValue(name, value);
  }

  /** DUE and DTSTART, of one kind and in their order (RFC 5545, 3.8.2.3); a plan that cannot be the DTSTART stands in a property of our own. */
  private writeDays({ due, plan }: SharedTask, changes: ReadonlySet<SharedField>): void {
    const [dueSpan, planSpan] = [due === null ? null : readSpan(due), plan === null ? null : readSpan(plan)];
    const begins = planSpan !== null && planSpan.from === planSpan.to && (dueSpan === null || mayBegin(planSpan, dueSpan));
    if (changes.has('due')) {
      // One has either an end or a length (RFC 5545, 3.6.2).
      this.todo.removeAllProperties('duration');
      this.setMoment('due', due);
    }
    if (begins) {
      this.setMoment('dtstart', plan);
      this.set('x-recado-plan', null);
    } else {
      this.set('dtstart', null);
      this.set('x-recado-plan', plan);
    }
  }

  /** A moment that stood in a zone stays one of the world; others are local ones of no zone. */
  private setMoment(name: 'due' | 'dtstart', value: string | null): void {
    const zoned = icalMoment(this.todo, name, this.zone.fromUtc)?.zoned === true;
    const span = value === null ? null : readSpan(value);
    this.todo.removeAllProperties(name);
    if (!span) return;
    const time = zoned && span.minute !== null ? icalAt(this.zone.toUtc({ day: span.from, minute: span.minute }), true) : icalTime(span);
    this.set(name, time);
  }

  /** Labels keep the words that they have there. */
  private writeLabels(tags: readonly string[]): void {
    const labels = new Map(labelsOf(this.todo).map((label) => [tagOf(label), label]));
    this.todo.removeAllProperties('categories');
    if (tags.length > 0)
      this.todo.addProperty(
        icalList(
          'categories',
          tags.map((tag) => labels.get(tag) ?? tag),
        ),
      );
  }

  private writeRepeat({ every, due, plan }: SharedTask): void {
    if (every?.startsWith(RULE)) return;
    const rule = every === null ? null : icalRule(every, dayOf(due ?? plan));
    this.set('rrule', rule === null ? null : ICAL.Recur.fromString(rule));
    this.set('x-recado-every', every);
    this.set('x-recado-rule', rule === null ? null : icalWords(this.todo, 'rrule'));
  }

  private writeStatus({ status }: SharedTask): void {
    this.set('status', ICAL_STATUSES[status]);
    this.set('x-recado-status', status === 'waiting' ? 'WAITING' : null);
    this.set('completed', status === 'done' ? this.now : null);
    this.set('percent-complete', status === 'done' ? 100 : null);
  }
}
