import { type Day, addMonths, readIsoDay } from '../calendar/day';
import { readDuration } from '../calendar/duration';
import { type Span, readMoment, readSpan } from '../calendar/span';
import { type Link, readInline } from '../note/names';
import { DAYS_BEFORE, PERSON_VALUE, type ClauseName, type Priority } from './clause';
import { type AddedStatuses, type Status, statusOf } from './status';
import { type Tail, clauseOf, readFailedTail, readTail } from './tail';

/** Something on a line that does not count, said in one sentence; offsets are into the line's words. */
export interface Problem {
  message: string;
  from: number;
  to: number;
}

/** What a task line says by itself, without what it inherits. */
export interface TaskLine {
  /** Where the box's `[` stands. */
  boxFrom: number;
  status: Status;
  /** The character in the box. */
  sign: string;
  /** What stands after the box, trimmed, without the tail. */
  text: string;
  tail: Tail | null;
  due: Span | null;
  plan: Span | null;
  /** The day until which it rests. */
  start: Day | null;
  /** The repeat as written, without `every`. */
  every: string | null;
  until: Day | null;
  /** Minutes. */
  takes: number | null;
  /** Null is unmarked, which ranks between high and low. */
  priority: Priority | null;
  /** A handle, `nobody`, or null for oneself. */
  owner: string | null;
  asked: string | null;
  remind: string | null;
  ref: string | null;
  needs: readonly string[];
  made: Span | null;
  done: Span | null;
  cancelled: Span | null;
  since: Span | null;
  pushed: readonly Day[];
  /** How many times a repeat was finished, where records of it are not kept as lines. */
  times: number | null;
  key: boolean;
  /** As written, without signs. */
  tags: readonly string[];
  people: readonly string[];
  links: readonly Link[];
  problems: readonly Problem[];
}

/** Settings that change what a text means. */
export interface ReadingSettings {
  /** Minutes that `1d` takes. */
  workingDay: number;
  /** How many days before its day a repeating task without start comes back; null: it never rests. */
  repeatLead?: number | null;
  /** Statuses that notes of kind status add. */
  statuses?: AddedStatuses;
}

export const READING_DEFAULTS: ReadingSettings = { workingDay: 480 };

/** The sign in the box of an item's words; null when they begin with no box. */
export function boxSignAt(line: string, from: number, statuses?: AddedStatuses): string | null {
  if (line.charCodeAt(from) !== 91) return null;
  const width = (line.codePointAt(from + 1) ?? 0) > 0xffff ? 2 : 1;
  const close = from + 1 + width;
  if (line.charCodeAt(close) !== 93) return null;
  const after = close + 1;
  if (after < line.length && line.charCodeAt(after) !== 32 && line.charCodeAt(after) !== 9) return null;
  const sign = line.slice(from + 1, close);
  return statusOf(sign, statuses) ? sign : null;
}

/**
 * Reads a task line. Null when the item has no box.
 *
 * @param line the words of the line, with marker, without ending
 * @param wordsFrom where the words of the item begin
 * @example readTaskLine('- [ ] Ask @ilse {due 2026-11-27}', 2)?.text // 'Ask @ilse'
 */
export function readTaskLine(line: string, wordsFrom: number, settings: ReadingSettings = READING_DEFAULTS): Task | null {
  const sign = boxSignAt(line, wordsFrom);
  if (sign === null) return null;
  const state = statusOf(sign, settings.statuses);
  if (!state) return null;
  const textFrom = wordsFrom + sign.length + 2;
  const tail = readTail(line, textFrom);
  const textTo = tail ? tail.from : line.length;
  const inline = readInline(line, textFrom, textTo);
  const task = emptyTask(line, wordsFrom, sign, state.status, tail);
  task.text = line.slice(textFrom, textTo).trim();
  if (inline.names.length > 0) {
    task.tags = unique(inline.names.filter((name) => name.kind === 'tag').map((name) => name.name));
    task.people = unique(inline.names.filter((name) => name.kind === 'person').map((name) => name.name));
  }
  task.links = inline.links;
  if (tail) readAttributes(task, tail, settings);
  if (tail || !state.known || line.charCodeAt(line.trimEnd().length - 1) === 125) addProblems(task, line, textFrom, state.known);
  return task;
}

const NONE: readonly never[] = [];

/** One literal with every field: copying objects of this size field by field is the dearest way to read a note. */
function emptyTask(raw: string, boxFrom: number, sign: string, status: Status, tail: Tail | null): Task {
  return {
    boxFrom,
    status,
    sign,
    text: '',
    tail,
    due: null,
    plan: null,
    start: null,
    every: null,
    until: null,
    takes: null,
    priority: null,
    owner: null,
    asked: null,
    remind: null,
    ref: null,
    needs: NONE,
    made: null,
    done: null,
    cancelled: null,
    since: null,
    pushed: NONE,
    times: null,
    key: false,
    tags: NONE,
    people: NONE,
    links: NONE,
    problems: NONE,
    line: 0,
    raw,
    item: -1,
    markerFrom: 0,
    depth: 0,
    parent: -1,
    headings: NONE,
    inheritedTags: NONE,
    inheritedPeople: NONE,
    inheritedLinks: NONE,
  };
}

const unique = (names: readonly string[]): readonly string[] => (names.length < 2 ? names : [...new Set(names)]);

function readAttributes(task: TaskLine, tail: Tail, settings: ReadingSettings): void {
  for (const clause of tail.clauses) {
    if (clause.problem !== null || clause.name === null) continue;
    assign(task, clause.name, clause.word.toLowerCase(), clause.value, settings);
  }
  task.start ??= startBefore(task, tail);
}

function assign(task: TaskLine, name: ClauseName, word: string, value: string, settings: ReadingSettings): void {
  switch (name) {
    case 'due':
    case 'made':
    case 'done':
    case 'cancelled':
    case 'since':
      task[name] = readMoment(value);
      return;
    case 'plan':
      task.plan = readSpan(value);
      return;
    case 'start':
    case 'until':
      task[name] = readIsoDay(value);
      return;
    case 'every':
    case 'remind':
    case 'ref':
      task[name] = value;
      return;
    case 'takes':
      task.takes = readDuration(value, settings.workingDay);
      return;
    case 'priority':
      task.priority = word as Priority;
      return;
    case 'owner':
    case 'asked':
      task[name] = PERSON_VALUE.exec(value)?.[1] ?? value;
      return;
    case 'needs':
      task.needs = value.split(',').map((ref) => ref.trim());
      return;
    case 'pushed':
      task.pushed = value.split(',').map((day) => readIsoDay(day.trim()) ?? 0);
      return;
    case 'times':
      task.times = Number(value);
      return;
    case 'key':
      task.key = true;
  }
}

/** `start 2 days before` counts from the due day, else from the plan. */
function startBefore(task: TaskLine, tail: Tail): Day | null {
  const match = DAYS_BEFORE.exec(clauseOf(tail, 'start')?.value ?? '');
  const day = (task.due ?? task.plan)?.from;
  if (!match || day === undefined) return null;
  const count = Number(match[1]);
  if (match[2] === 'month') return addMonths(day, -count);
  return day - count * (match[2] === 'week' ? 7 : 1);
}

function addProblems(task: TaskLine, line: string, textFrom: number, known: boolean): void {
  const { tail } = task;
  const problems: Problem[] = [];
  if (!known) {
    const from = task.boxFrom;
    problems.push({ message: `“${task.sign}” is no status that Recado knows; the task counts as to do.`, from, to: from + 3 });
  }
  if (tail) addTailProblems(task, tail, problems);
  else addProseProblem(line, textFrom, problems);
  if (problems.length > 0) task.problems = problems;
}

function addProseProblem(line: string, textFrom: number, problems: Problem[]): void {
  const failed = readFailedTail(line, textFrom);
  if (!failed) return;
  const { from, to, clause } = failed;
  problems.push({ message: `“${clause.value}” cannot be read for ${clause.word}, so these braces are words of the task.`, from, to });
}

function addTailProblems(task: TaskLine, tail: Tail, problems: Problem[]): void {
  for (const clause of tail.clauses) {
    if (clause.problem !== null) problems.push({ message: clause.problem, from: clause.from, to: clause.to });
  }
  const at = (name: ClauseName): { from: number; to: number } => {
    const clause = clauseOf(tail, name);
    return { from: clause?.from ?? tail.from, to: clause?.to ?? tail.to };
  };
  if (task.due && task.start !== null && task.due.from < task.start) {
    problems.push({ message: 'It is due before its start day.', ...at('due') });
  }
  if (task.every !== null) {
    if (!task.due && !task.plan) problems.push({ message: 'A repeat needs a due or plan date to count from.', ...at('every') });
  } else if (task.until !== null && task.due !== null && task.until < task.due.from) {
    problems.push({ message: 'It no longer applies before it is due.', ...at('until') });
  }
}

/** A task in its note: its own line, where it stands and what it inherits. */
export interface Task extends TaskLine {
  /** From 0; 0 until a note places it, like all that follows. */
  line: number;
  /** The whole line as written. */
  raw: string;
  /** Its place among the items of the note's structure. */
  item: number;
  /** Where its list marker stands. */
  markerFrom: number;
  /** How many list items are around it. */
  depth: number;
  /** The index, among the note's tasks, of the nearest task it is nested in; -1 when none. */
  parent: number;
  /** The words of the headings it stands under, outermost first. */
  headings: readonly string[];
  /** As written, without those on the line itself. */
  inheritedTags: readonly string[];
  inheritedPeople: readonly string[];
  /** Targets of links, as written. */
  inheritedLinks: readonly string[];
}

/** The priority's place in an order: the weightiest is 0. */
export function priorityRank(priority: Priority | null): number {
  switch (priority) {
    case 'top':
      return 0;
    case 'high':
      return 1;
    case null:
      return 2;
    case 'low':
      return 3;
  }
}

/** The earlier of due and plan; null without either. A week or month counts from its first day. */
export function dayOf(task: Pick<TaskLine, 'due' | 'plan'>): Day | null {
  const { due, plan } = task;
  if (due && plan) return Math.min(due.from, plan.from);
  return (due ?? plan)?.from ?? null;
}

/**
 * The day on which a task by itself comes back into sight: its start; for a repeat without one, the earlier of
 * due and plan, or some days before. Null when nothing makes it rest.
 *
 * @param lead how many days before its day a repeat comes back; null when repeats never rest
 */
export function comesBack(task: TaskLine, lead: number | null = 0): Day | null {
  if (task.start !== null) return task.start;
  const day = task.every === null || lead === null ? null : dayOf(task);
  return day === null ? null : day - (lead ?? 0);
}
