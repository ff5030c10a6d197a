import { type Day, addMonths, readIsoDay } from '../../calendar/day';
import { readDuration } from '../../calendar/duration';
import { readMoment, readSpan } from '../../calendar/span';
import type { NameSigns } from '../../note/names/name-signs';
import { NAMELESS, readNames } from '../../note/names/names';
import { DAYS_BEFORE, PERSON_VALUE, type ClauseName, type Priority } from './clause';
import { readPlainClauses } from './plain-clauses';
import { type Problem, type ReadingSettings, Task } from './task-line';
import { type AddedStatuses, type Status, statusOf, statusOfCode } from './status';
import { type Tail, clauseOf, readFailedTail, readOpenBrace, readStrayTail, readTail } from './tail';

export { type Problem, type ReadingSettings, Task } from './task-line';

export const READING_DEFAULTS: ReadingSettings = { workingDay: 480 };

/** The sign in the box of an item's words; null when they begin with no box. */
export function boxSignAt(line: string, from: number, statuses?: AddedStatuses): string | null {
  if (line.charCodeAt(from) !== OPEN_BRACKET) return null;
  const width = (line.codePointAt(from + 1) ?? 0) > 0xffff ? 2 : 1;
  const close = from + 1 + width;
  if (line.charCodeAt(close) !== CLOSE_BRACKET) return null;
  const after = close + 1;
  if (after < line.length && !isBlank(line.charCodeAt(after))) return null;
  const sign = line.slice(from + 1, close);
  return statusOf(sign, statuses) ? sign : null;
}

const OPEN_BRACKET = 91;
const CLOSE_BRACKET = 93;
const OPEN_BRACE = 123;
const CLOSE_BRACE = 125;

const isBlank = (code: number): boolean => code === 32 || code === 9;
const isSpace = (code: number): boolean => code === 32 || code === 9 || code === 0xa0;

/**
 * Reads a task line. Null when the item has no box.
 *
 * @param line the words of the line, with marker, without ending
 * @param wordsFrom where the words of the item begin
 * @example readTaskLine('- [ ] Ask @ilse {due 2026-11-27}', 2)?.text // 'Ask @ilse'
 */
export function readTaskLine(line: string, wordsFrom: number, settings: ReadingSettings = READING_DEFAULTS): Task | null {
  return readTaskAt(line, 0, line.length, wordsFrom, settings);
}

/**
 * Reads a task line where it stands in a text, which spares cutting it out. Null when the item has no box.
 *
 * @param lineFrom where the words of the line begin in the text, and
 * @param lineTo where they end, before the line ending
 * @param wordsFrom where the words of the item begin, in the line
 * @param signs the signs of names in the text; `nameless` when none stands in the line
 */
export function readTaskAt(
  text: string,
  lineFrom: number,
  lineTo: number,
  wordsFrom: number,
  settings: ReadingSettings,
  signs: NameSigns | 'nameless' | null = null,
): Task | null {
  const box = lineFrom + wordsFrom;
  if (text.charCodeAt(box) !== OPEN_BRACKET) return null;
  let sign = text.charAt(box + 1);
  let state: { status: Status; known: boolean } | null = null;
  let status = boxedStatus(text, box, lineTo);
  if (!status) {
    sign = boxSignAt(text.slice(lineFrom, lineTo), wordsFrom, settings.statuses) ?? '';
    state = statusOf(sign, settings.statuses);
    if (!state) return null;
    status = state.status;
  }
  const task = new Task(text, lineFrom, lineTo, wordsFrom, sign, status);
  const textFrom = box + sign.length + 2;
  if (state?.known === false) readPatiently(task, false, settings);
  else readTailInto(task, text, textFrom, lineTo, settings);
  const named = signs === 'nameless' ? NAMELESS : readNames(text, textFrom, lineFrom + task.tailFrom, lineFrom, signs);
  if (named !== NAMELESS) {
    task.tags = named.tags;
    task.people = named.people;
    task.links = named.links;
  }
  return task;
}

/** The status in a box of one of the signs that the format itself has; undefined when there is none. */
function boxedStatus(text: string, box: number, lineTo: number): Status | undefined {
  if (text.charCodeAt(box + 2) !== CLOSE_BRACKET || (box + 3 < lineTo && !isBlank(text.charCodeAt(box + 3)))) return undefined;
  return box + 3 > lineTo ? undefined : statusOfCode(text.charCodeAt(box + 1));
}

/** Reads the attributes of a task and what is wrong with them. Nearly every tail is plain, and read without more ado. */
function readTailInto(task: Task, text: string, textFrom: number, lineTo: number, settings: ReadingSettings): void {
  let end = lineTo;
  while (end > textFrom && isSpace(text.charCodeAt(end - 1))) end--;
  if (end <= textFrom || text.charCodeAt(end - 1) !== CLOSE_BRACE) {
    if (hasBrace(text, textFrom, end)) readPatiently(task, true, settings);
    return;
  }
  let open = end - 2;
  while (open >= textFrom && text.charCodeAt(open) !== OPEN_BRACE) open--;
  if (open < textFrom || (open > textFrom && !isSpace(text.charCodeAt(open - 1)))) return;
  if (!readPlainClauses(task, text, open + 1, end - 1, settings)) {
    task.unsay();
    readPatiently(task, true, settings);
    return;
  }
  task.tailFrom = open - task.lineFrom;
  if (hasBrace(text, textFrom, open)) {
    task.unsay();
    readPatiently(task, true, settings);
  } else if (needsCare(task)) addPlainProblems(task, open, end);
}

/** Whether a brace stands within some words: a tail may stand where none counts. */
function hasBrace(text: string, from: number, to: number): boolean {
  for (let at = from; at < to; at++) {
    const code = text.charCodeAt(at);
    if (code === CLOSE_BRACE || code === OPEN_BRACE) return true;
  }
  return false;
}

/** The problems of a tail of which each clause is right by itself. */
function addPlainProblems(task: Task, open: number, end: number): void {
  const tail = { from: open - task.lineFrom, to: end - task.lineFrom };
  const line = task.raw;
  const problems: Problem[] = [];
  addFieldProblems(task, problems, (name) => placeOfClause(line, tail, name));
  task.say('problems', problems);
}

/** Where a clause of a plain tail stands: one that begins with its name. */
function placeOfClause(line: string, tail: Place, name: ClauseName): Place {
  for (let at = tail.from + 1; at < tail.to;) {
    const semicolon = line.indexOf(';', at);
    const next = semicolon === -1 ? tail.to - 1 : semicolon;
    while (line.charCodeAt(at) === 32) at++;
    let to = next;
    while (line.charCodeAt(to - 1) === 32) to--;
    if (line.startsWith(`${name} `, at)) return { from: at, to };
    at = next + 1;
  }
  return tail;
}

function readPatiently(task: Task, known: boolean, settings: ReadingSettings): void {
  const line = task.raw;
  const tail = readTail(line, task.boxFrom + task.sign.length + 2);
  task.tailFrom = tail ? tail.from : line.length;
  if (tail) readAttributes(task, tail, settings);
  addProblems(task, line, tail, known);
}

function readAttributes(task: Task, tail: Tail, settings: ReadingSettings): void {
  for (const clause of tail.clauses) {
    if (clause.problem !== null || clause.name === null) continue;
    assign(task, clause.name, clause.word.toLowerCase(), clause.value, settings);
  }
  task.start ??= startBefore(task, tail);
}

function assign(task: Task, name: ClauseName, word: string, value: string, settings: ReadingSettings): void {
  switch (name) {
    case 'due':
    case 'done':
      task[name] = readMoment(value);
      return;
    case 'made':
    case 'cancelled':
    case 'since':
      task.say(name, readMoment(value));
      return;
    case 'plan':
      task.plan = readSpan(value);
      return;
    case 'start':
      task.start = readIsoDay(value);
      return;
    case 'until':
    case 'lapses':
      task.say(name, readIsoDay(value));
      return;
    case 'every':
    case 'remind':
    case 'ref':
    case 'joined':
    case 'sent':
      task.say(name, value);
      return;
    case 'takes':
      task.takes = readDuration(value, settings.workingDay);
      return;
    case 'priority':
      task.priority = word as Priority;
      return;
    case 'owner':
    case 'asked':
      task.say(name, PERSON_VALUE.exec(value)?.[1] ?? value);
      return;
    case 'needs':
      task.say(
        'needs',
        value.split(',').map((ref) => ref.trim()),
      );
      return;
    case 'pushed':
      task.say(
        'pushed',
        value.split(',').map((day) => readIsoDay(day.trim()) ?? 0),
      );
      return;
    case 'times':
      task.say('times', Number(value));
      return;
    case 'key':
    case 'question':
      task.say(name, true);
  }
}

/** `start 2 days before` counts from the due day, else from the plan. */
function startBefore(task: Task, tail: Tail): Day | null {
  const match = DAYS_BEFORE.exec(clauseOf(tail, 'start')?.value ?? '');
  const day = (task.due ?? task.plan)?.from;
  if (!match || day === undefined) return null;
  const count = Number(match[1]);
  if (match[2] === 'month') return addMonths(day, -count);
  return day - count * (match[2] === 'week' ? 7 : 1);
}

function addProblems(task: Task, line: string, tail: Tail | null, known: boolean): void {
  const problems: Problem[] = [];
  if (!known) {
    const from = task.boxFrom;
    problems.push({ message: `“${task.sign}” is no status that Recado knows; the task counts as to do.`, from, to: from + 3 });
  }
  const textFrom = task.boxFrom + task.sign.length + 2;
  const stray = readStrayTail(line, textFrom, tail?.from ?? line.length);
  if (stray) problems.push({ message: tail ? SECOND_TAIL : WORDS_BEHIND, from: stray.from, to: stray.to });
  if (tail) addTailProblems(task, tail, problems);
  else if (!stray) addProseProblem(line, textFrom, problems);
  if (problems.length > 0)
    task.say(
      'problems',
      problems.sort((a, b) => a.from - b.from),
    );
}

function addProseProblem(line: string, textFrom: number, problems: Problem[]): void {
  const unclosed = readOpenBrace(line, textFrom);
  if (unclosed) {
    const { from: at, words } = unclosed;
    problems.push({ message: `The brace before “${words}” is never closed, so these are words of the task.`, from: at, to: line.length });
  }
  const failed = readFailedTail(line, textFrom);
  if (!failed) return;
  const { from, to, clause } = failed;
  problems.push({ message: `“${clause.value}” cannot be read for ${clause.word}, so these braces are words of the task.`, from, to });
}

/** Whether fields that are each right do not go together; the sentences are those of `addFieldProblems`. */
function needsCare(task: Task): boolean {
  const { due, start, every, lapses } = task;
  if (due && start !== null && due.from < start) return true;
  if (every !== null ? !due && !task.plan : task.until !== null) return true;
  return lapses !== null && due !== null && lapses < due.from;
}

function addTailProblems(task: Task, tail: Tail, problems: Problem[]): void {
  for (const clause of tail.clauses) {
    if (clause.problem !== null) problems.push({ message: clause.problem, from: clause.from, to: clause.to });
  }
  addFieldProblems(task, problems, (name) => {
    const clause = clauseOf(tail, name);
    return { from: clause?.from ?? tail.from, to: clause?.to ?? tail.to };
  });
}

const WORDS_BEHIND = 'Words stand behind these braces, so what is in them does not count.';
const SECOND_TAIL = 'Other braces stand at the end of the line, so what is in these does not count.';

/** `until` once said what `lapses` says now. */
const UNTIL_ALONE = 'Without a repeat “until” says nothing; the last day on which a task applies is “lapses”.';

interface Place {
  from: number;
  to: number;
}

/** What does not go together. */
function addFieldProblems(task: Task, problems: Problem[], at: (name: ClauseName) => Place): void {
  if (task.due && task.start !== null && task.due.from < task.start) {
    problems.push({ message: 'It is due before its start day.', ...at('due') });
  }
  if (task.every !== null) {
    if (!task.due && !task.plan) problems.push({ message: 'A repeat needs a due or plan date to count from.', ...at('every') });
  } else if (task.until !== null) {
    problems.push({ message: UNTIL_ALONE, ...at('until') });
  }
  if (task.lapses !== null && task.due !== null && task.lapses < task.due.from) {
    problems.push({ message: 'It lapses before it is due.', ...at('lapses') });
  }
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
export function dayOf(task: Pick<Task, 'due' | 'plan'>): Day | null {
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
export function comesBack(task: Task, lead: number | null = 0): Day | null {
  if (task.start !== null) return task.start;
  const day = task.every === null || lead === null ? null : dayOf(task);
  return day === null ? null : day - (lead ?? 0);
}
