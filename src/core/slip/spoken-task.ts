import { firstDate } from '../calendar/repeat/repeat-dates';
import { readRepeat } from '../calendar/repeat/repeat-phrase';
import { type SpokenDate, readSpokenDates, storedDate, wordsWithout } from '../calendar/spoken/spoken-date';
import { type SpokenRepeat, readSpokenRepeat } from '../calendar/spoken/spoken-repeat';
import type { ActionContext } from '../task/acts/action-context';
import type { Status } from '../task/line/status';
import { type SpokenClause, type SpokenPart, clausesAtEnd, clausesByWord, markedClauses } from './spoken-clauses';

export type { SpokenClause, SpokenPart } from './spoken-clauses';

/** What a person typed as a task: the words that remain, and what others came to, in the order of the text. */
export interface SpokenTask {
  words: string;
  parts: SpokenPart[];
  /** Waiting, where the words begin with “waiting for @somebody”. */
  status: Status;
}

/** Words that say that one waits for somebody, who stays named. */
const WAITING = /^\s*waiting for\s+(?=@[\p{L}\p{M}\p{N}_])/iu;

/**
 * Reads what a person typed as a task: dates, times, a repeat, length, priority, owner, who asked, reminders and that one waits. Each is
 * taken once. The time of a repeat becomes that of its day; a repeat without a day gets the first of its pattern, today included.
 *
 * @param left parts (by where they begin) that are left as words
 * @example readSpokenTask('Ring @lars tomorrow 15:00 high 20m', context).parts.length // 3
 */
export function readSpokenTask(typed: string, context: ActionContext, left: ReadonlySet<number> = NONE_LEFT): SpokenTask {
  const waiting = left.has(0) ? null : WAITING.exec(typed);
  const byWord = clausesByWord(typed, context).filter(isKept);
  // What is read already is out of sight of what is read next, at the same length, so that places stay.
  let rest = masked(typed, byWord);
  const marked = markedClauses(rest, context).filter(isKept);
  rest = masked(rest, firstOfEach(marked, byWord));
  const dated = datesAndRepeat(rest, context).filter(isKept);
  const read = firstOfEach(
    [...byWord, ...marked, ...dated].sort((a, b) => a.from - b.from),
    [],
  );
  const parts = [...read, ...clausesAtEnd(typed, read, context).filter(isKept)].sort((a, b) => a.from - b.from);
  const gone = waiting ? [{ from: 0, to: waiting[0].length }, ...parts] : parts;
  return { words: wordsWithout(typed, gone), parts, status: waiting ? 'waiting' : 'todo' };

  function isKept(part: SpokenPart): boolean {
    return !left.has(part.from);
  }
}

const NONE_LEFT: ReadonlySet<number> = new Set();

/** The parts without those that say again what an earlier one says. */
function firstOfEach(parts: readonly SpokenPart[], before: readonly SpokenPart[]): SpokenPart[] {
  const said = new Set(before.flatMap(({ clauses }) => clauses.map(({ name }) => name)));
  return parts.filter(({ clauses }) => {
    const isNew = clauses.every(({ name }) => !said.has(name));
    if (isNew) for (const { name } of clauses) said.add(name);
    return isNew;
  });
}

/** The text with a sign that is no word in the place of each part. */
function masked(text: string, parts: readonly SpokenPart[]): string {
  let result = text;
  for (const { from, to } of parts) result = `${result.slice(0, from)}|${' '.repeat(Math.max(0, to - from - 1))}${result.slice(to)}`;
  return result;
}

function datesAndRepeat(typed: string, { now, settings }: ActionContext): SpokenPart[] {
  const repeat = readSpokenRepeat(typed);
  const bareDay = settings.bareDay ?? 'plan';
  const dates = readSpokenDates(typed, { today: now.day, minute: now.minute, firstDayOfWeek: settings.firstDayOfWeek, bareDay });
  const parts = dates.map((date): SpokenPart => ({ from: date.from, to: date.to, clauses: [clauseOfDate(date, repeat, dates)] }));
  if (repeat) {
    const clauses: SpokenClause[] = [{ name: 'every', words: `every ${repeat.phrase}` }];
    const start = dates.find(({ role }) => role === 'start')?.day ?? now.day;
    if (!dates.some(isDay)) clauses.push(dayOfRepeat(repeat, bareDay, Math.max(now.day, start)));
    parts.push({ from: repeat.from, to: repeat.to, clauses });
  }
  return parts;
}

const isDay = ({ role }: SpokenDate): boolean => role === 'due' || role === 'plan';

/** The time of the repeat goes to the plan where there is one, else to the due day. */
function clauseOfDate(date: SpokenDate, repeat: SpokenRepeat | null, all: readonly SpokenDate[]): SpokenClause {
  const timed = all.some(({ role }) => role === 'plan') ? 'plan' : 'due';
  const minute = date.role === timed && date.is === 'day' ? (date.minute ?? repeat?.minute ?? null) : date.minute;
  return { name: date.role, words: `${date.role} ${storedDate({ ...date, minute })}` };
}

function dayOfRepeat({ phrase, minute }: SpokenRepeat, name: 'plan' | 'due', from: number): SpokenClause {
  const repeat = readRepeat(phrase);
  const day = (repeat && firstDate(repeat, from)) ?? from;
  return { name, words: `${name} ${storedDate({ is: 'day', day, minute })}` };
}

/**
 * What may be offered to be taken out of the words of a task: all that is read in them. Empty when nothing else is left but names.
 */
export function partsOffered(typed: string, context: ActionContext): SpokenPart[] {
  const { words, parts } = readSpokenTask(typed, context);
  return words.replace(NAMES, '').trim() === '' ? [] : parts;
}

/** How many letters at the start of a task's words say that one waits, where other words follow; 0 for none. */
export function waitingOffered(typed: string): number {
  const said = WAITING.exec(typed)?.[0].length ?? 0;
  return typed.slice(said).replace(NAMES, '').trim() === '' ? 0 : said;
}

const NAMES = /(?:^|\s)(?:[#@][\p{L}\p{M}\p{N}_/.-]+|\[\[[^[\]\n]*\]\])(?=\s|$)/gu;
