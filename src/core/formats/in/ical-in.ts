import ICAL from 'ical.js';
import type { Day } from '../../calendar/day';
import { repeatPhrase } from '../../calendar/repeat/repeat-phrase';
import { repeatOfRule } from '../../calendar/repeat/repeat-rule';
import { type Now, timeName } from '../../calendar/span';
import { endName } from '../../day/appointments';
import { CLAUSE_NAMES, hasClauseForm } from '../../task/line/clause';
import { signOf } from '../../task/line/status';
import { type Draft, draftLine, draftsText } from '../draft';
import { type IcalMoment, icalMoment, icalWords, momentText, priorityFrom, statusFrom } from '../ical-values';

/** What happens at a time, as a calendar tells it. */
export interface ReadEvent {
  day: Day;
  /** Minutes after midnight; null for the whole day. */
  start: number | null;
  /** Minutes after midnight of its day, more than 1440 on the next one; null when it says no end. */
  end: number | null;
  words: string;
  description: readonly string[];
}

/** What a calendar came to. */
export interface ReadCalendar {
  /** What it calls itself. */
  title: string | null;
  /** Its to-dos, as the list of a note. */
  text: string;
  tasks: number;
  events: ReadEvent[];
  /** What was kept as words, or is not as it was, in plain words. */
  report: string[];
}

/**
 * Reads iCalendar (RFC 5545): to-dos as tasks with their steps, events as what happens at a time.
 *
 * @param fromUtc a moment of UTC in the zone of the person: times of other zones are stored as local ones
 * @returns null when it is none
 */
export function readIcal(text: string, fromUtc: (moment: Now) => Now): ReadCalendar | null {
  if (!/^BEGIN:VCALENDAR/im.test(text)) return null;
  let roots: ICAL.Component[];
  try {
    const parsed = ICAL.parse(text.trim()) as unknown[];
    roots = (typeof parsed[0] === 'string' ? [parsed] : parsed).map((one) => new ICAL.Component(one as unknown[]));
  } catch {
    return null;
  }
  const reader = new CalendarReader(fromUtc);
  for (const root of roots) reader.take(root);
  return reader.result();
}

class CalendarReader {
  private title: string | null = null;
  private readonly top: Draft[] = [];
  private readonly events: ReadEvent[] = [];
  private readonly report: string[] = [];
  private readonly todos: { draft: Draft; above: string | null }[] = [];
  private readonly byId = new Map<string, { draft: Draft; tags: readonly string[] }>();
  private hasZones = false;

  constructor(private readonly fromUtc: (moment: Now) => Now) {}

  take(calendar: ICAL.Component): void {
    this.title ??= icalWords(calendar, 'x-wr-calname') || null;
    for (const todo of calendar.getAllSubcomponents('vtodo')) this.takeTodo(todo);
    for (const event of calendar.getAllSubcomponents('vevent')) this.takeEvent(event);
  }

  result(): ReadCalendar {
    for (const { draft, above } of this.todos) {
      const parent = above === null ? undefined : this.byId.get(above)?.draft;
      (parent && parent !== draft && !isUnder(parent, draft) ? parent.drafts : this.top).push(draft);
    }
    if (this.hasZones) this.report.push('Times of other zones are stored as times of this one.');
    return { title: this.title, text: draftsText(this.top), tasks: this.todos.length, events: this.events, report: this.report };
  }

  private takeTodo(todo: ICAL.Component): void {
    const summary = icalWords(todo, 'summary');
    const description = linesOf(icalWords(todo, 'description'));
    const clauses: { word: string; value: string }[] = [];
    const add = (word: string, value: string | null): void => {
      if (value !== null) clauses.push({ word, value });
    };
    const ours = (name: string): string | null => icalWords(todo, `x-recado-${name}`) || null;
    const due = this.momentOf(todo, 'due');
    const start = this.momentOf(todo, 'dtstart');
    add('due', due && momentText(due));
    add('plan', ours('plan') ?? (start && momentText(start)));
    const priority = priorityFrom(Number(icalWords(todo, 'priority') || 0));
    if (priority !== null) add(priority, '');
    add('every', ours('every') ?? this.repeatOf(todo, (start ?? due)?.day ?? null, summary, description));
    for (const name of OURS) add(name, hasClauseForm(name, '') ? ours(name) && '' : ours(name));
    const status = statusFrom(todo);
    const finished = this.momentOf(todo, 'completed');
    if (ours('done') === null && status === 'done') add('done', finished && momentText(finished));
    add('remind', ours('remind') ?? this.remindersOf(todo));
    const tags = todo
      .getAllProperties('categories')
      .flatMap((property) => property.getValues().map((tag) => String(tag).trim().replace(/\s+/g, '-')));
    const above = icalWords(todo, 'related-to') || null;
    const around = (above === null ? undefined : this.byId.get(above)?.tags) ?? [];
    const missing = tags.filter((tag) => tag !== '' && !summary.toLowerCase().includes(`#${tag.toLowerCase()}`) && !around.includes(tag));
    const draft: Draft = {
      line: draftLine({ sign: signOf(status), words: [summary, ...missing.map((tag) => `#${tag}`)].join(' '), clauses }),
      description,
      drafts: [],
    };
    const id = icalWords(todo, 'uid');
    if (id !== '' && this.byId.has(id)) this.report.push(`Two to-dos have one identity, “${id}”; both came in.`);
    else if (id !== '') this.byId.set(id, { draft, tags });
    this.todos.push({ draft, above });
  }

  private takeEvent(event: ICAL.Component): void {
    const start = this.momentOf(event, 'dtstart');
    const summary = icalWords(event, 'summary').replace(/\s+/g, ' ');
    if (!start) {
      this.report.push(`“${summary}” says no beginning, and was left out.`);
      return;
    }
    const end = this.momentOf(event, 'dtend');
    const description = linesOf(icalWords(event, 'description'));
    const rule = event.getFirstPropertyValue('rrule');
    if (rule) {
      description.push(`repeats: ${String(rule)}`);
      this.report.push(`“${summary}” comes again; its first day came in, and its rule stands under it.`);
    }
    const length = end && end.minute !== null ? (end.day - start.day) * 1440 + end.minute : null;
    const until = start.minute === null || length === null || length <= start.minute || length > start.minute + 1440 ? null : length;
    this.events.push({ day: start.day, start: start.minute, end: until, words: summary, description });
  }

  /** The phrase of a rule; null where there is none, or no phrase says it, so that it stands under the task as words. */
  private repeatOf(todo: ICAL.Component, day: Day | null, summary: string, description: string[]): string | null {
    const rule = todo.getFirstPropertyValue('rrule');
    if (!rule) return null;
    const text = String(rule);
    const repeat = todo.getAllProperties('rrule').length === 1 ? repeatOfRule(text, day) : null;
    if (repeat) return repeatPhrase(repeat);
    description.push(`repeats: ${text}`);
    this.report.push(`How “${summary}” comes again cannot be said here; its rule stands under it.`);
    return null;
  }

  private momentOf(component: ICAL.Component, name: string): IcalMoment | null {
    const moment = icalMoment(component, name, this.fromUtc);
    this.hasZones ||= moment?.zoned === true && name !== 'completed';
    return moment;
  }

  private remindersOf(todo: ICAL.Component): string | null {
    const said = todo.getAllSubcomponents('valarm').flatMap((alarm): string[] => {
      const trigger = alarm.getFirstPropertyValue('trigger');
      if (trigger instanceof ICAL.Duration) return trigger.isNegative ? [`${Math.round(-trigger.toSeconds() / 60)}m before`] : [];
      const at = this.momentOf(alarm, 'trigger');
      return at ? [momentText(at)] : [];
    });
    return said.length === 0 ? null : said.join(', ');
  }
}

/** Clauses that stand in properties of our own and of nothing else. */
const OURS = CLAUSE_NAMES.filter((name) => !['due', 'plan', 'priority', 'every', 'remind'].includes(name));

const linesOf = (text: string): string[] => (text === '' ? [] : text.split(/\r\n|\r|\n/));

/** Whether a draft stands under another: to-dos may name each other in a circle. */
function isUnder(draft: Draft, above: Draft): boolean {
  return above.drafts.some((one) => one === draft || isUnder(draft, one));
}

/** The line of an appointment for an event; one of a whole day says no time. */
export function appointmentLine({ start, end, words: said }: ReadEvent): string {
  const times = start === null ? '' : `${timeName(start)}${end === null ? '' : `-${endName(end)}`} `;
  return `- ${times}${said}`;
}
