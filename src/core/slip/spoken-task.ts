import { firstDate } from '../calendar/repeat/repeat-dates';
import { readRepeat } from '../calendar/repeat/repeat-phrase';
import { type SpokenDate, readSpokenDates, storedDate, wordsWithout } from '../calendar/spoken/spoken-date';
import { type SpokenRepeat, readSpokenRepeat } from '../calendar/spoken/spoken-repeat';
import type { ActionContext } from '../task/acts/action-context';
import type { ClauseName } from '../task/line/clause';

/** A clause that was read from words: `due 2026-11-27`. */
export interface SpokenClause {
  name: ClauseName;
  words: string;
}

/** Words that were read as clauses, with where they stood. */
export interface SpokenPart {
  from: number;
  to: number;
  clauses: SpokenClause[];
}

/** What a person typed as a task: the words that remain, and what others came to, in the order of the text. */
export interface SpokenTask {
  words: string;
  parts: SpokenPart[];
}

/**
 * Reads dates and a repeat in the words of a task. The time of a repeat becomes that of its day; a repeat without a day gets the
 * first of its pattern, today included.
 *
 * @example readSpokenTask('Read the log every mon, fri 10:00', context).parts[0]?.clauses // every mon, fri · plan 2026-11-23 10:00
 */
export function readSpokenTask(typed: string, { now, settings }: ActionContext): SpokenTask {
  const repeat = readSpokenRepeat(typed);
  const bareDay = settings.bareDay ?? 'plan';
  const dates = readSpokenDates(typed, { today: now.day, minute: now.minute, firstDayOfWeek: settings.firstDayOfWeek, bareDay });
  const parts = dates.map((date): SpokenPart => ({ from: date.from, to: date.to, clauses: [clauseOfDate(date, repeat, dates)] }));
  if (repeat) {
    const clauses: SpokenClause[] = [{ name: 'every', words: `every ${repeat.phrase}` }];
    if (!dates.some(isDay)) clauses.push(dayOfRepeat(repeat, bareDay, now.day));
    parts.push({ from: repeat.from, to: repeat.to, clauses });
  }
  parts.sort((a, b) => a.from - b.from);
  return { words: wordsWithout(typed, parts), parts };
}

const isDay = ({ role }: SpokenDate): boolean => role === 'due' || role === 'plan';

/** The time of the repeat goes to the plan where there is one, else to the due day. */
function clauseOfDate(date: SpokenDate, repeat: SpokenRepeat | null, all: readonly SpokenDate[]): SpokenClause {
  const timed = all.some(({ role }) => role === 'plan') ? 'plan' : 'due';
  const minute = date.role === timed && date.is === 'day' ? (date.minute ?? repeat?.minute ?? null) : date.minute;
  return { name: date.role, words: `${date.role} ${storedDate({ ...date, minute })}` };
}

function dayOfRepeat({ phrase, minute }: SpokenRepeat, name: 'plan' | 'due', today: number): SpokenClause {
  const repeat = readRepeat(phrase);
  const day = (repeat && firstDate(repeat, today)) ?? today;
  return { name, words: `${name} ${storedDate({ is: 'day', day, minute })}` };
}

/** Tags, people and links at the end of what was typed. */
const NAMES_BEHIND = /(?:(?:^|\s+)(?:[#@][\p{L}\p{M}\p{N}_/.-]+|\[\[[^[\]\n]*\]\]))+\s*$/u;

/**
 * The parts at the end of the words of a task, before the names that stand there: what may be offered to be taken out. Empty when
 * words stand behind the last, or nothing else is left.
 */
export function partsAtEnd(typed: string, context: ActionContext): SpokenPart[] {
  const { words, parts } = readSpokenTask(typed, context);
  let end = NAMES_BEHIND.exec(typed)?.index ?? typed.length;
  const found: SpokenPart[] = [];
  for (const part of parts.toReversed()) {
    if (part.to > end || /[^\s,;.:!]/.test(typed.slice(part.to, end))) break;
    found.unshift(part);
    end = part.from;
  }
  return words.replace(NAMES_BEHIND, '').trim() === '' ? [] : found;
}
