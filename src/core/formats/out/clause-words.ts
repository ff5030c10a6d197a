import { dayTitle } from '../../calendar/day-name';
import { durationName, readDuration } from '../../calendar/duration';
import { readMoment, readSpan, timeName } from '../../calendar/span';
import { PERSON_VALUE } from '../../task/line/clause';
import type { Clause } from '../../task/line/tail';

/** Clauses that say something to Recado alone. */
const OURS: ReadonlySet<string> = new Set(['ref', 'needs', 'made', 'since', 'pushed', 'times', 'joined', 'sent']);

/**
 * What a tail says, for people who know nothing of Recado: days in full, no braces. Empty for what says something to Recado alone.
 *
 * @example clauseWords(tail.clauses) // 'due Friday 27 Nov 2026, high'
 */
export function clauseWords(clauses: readonly Clause[]): string {
  return clauses
    .filter(({ name, problem }) => name !== null && problem === null && !OURS.has(name))
    .map(wordsOf)
    .join(', ');
}

function wordsOf({ name, word, value }: Clause): string {
  switch (name) {
    case 'due':
    case 'plan':
    case 'start':
    case 'until':
    case 'lapses':
    case 'done':
    case 'cancelled':
      return `${LEAD[name] ?? name} ${dateWords(value)}`;
    case 'takes': {
      const minutes = readDuration(value);
      return minutes === null ? `takes ${value}` : `takes ${durationName(minutes)}`;
    }
    case 'owner':
    case 'asked':
      return value === 'nobody' ? 'owned by nobody' : `${name === 'owner' ? 'with' : 'asked by'} ${PERSON_VALUE.exec(value)?.[1] ?? value}`;
    case 'every':
      return `every ${value.replace(/^every /, '')}`;
    case 'remind':
      return `reminder ${value}`;
    case 'key':
      return 'key point';
    case 'question':
      return 'a question';
    default:
      return value === '' ? word.toLowerCase() : `${word} ${value}`;
  }
}

const LEAD: Partial<Record<NonNullable<Clause['name']>, string>> = {
  plan: 'planned',
  start: 'not before',
  until: 'until',
  lapses: 'lapses after',
};

/** `Friday 27 Nov 2026, 15:00`; a week or a month by its own name. */
function dateWords(value: string): string {
  const moment = readMoment(value);
  if (moment) return moment.minute === null ? dayTitle(moment.from) : `${dayTitle(moment.from)}, ${timeName(moment.minute)}`;
  const span = readSpan(value);
  return span && /-W\d\d$/.test(value) ? `in the week of ${dayTitle(span.from)}` : value;
}
