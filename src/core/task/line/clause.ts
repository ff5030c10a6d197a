import { readIsoDay } from '../../calendar/day';
import { readDuration } from '../../calendar/duration';
import { isRepeatPhrase, repeatProblem } from '../../calendar/repeat/repeat-phrase';
import { hasMomentShape, hasSpanShape, readMoment, readSpan, readTime } from '../../calendar/span';

/** The clauses that a tail may hold. `top`, `high` and `low` are one name: the priority. */
export const CLAUSE_NAMES = [
  'due',
  'plan',
  'start',
  'every',
  'until',
  'lapses',
  'takes',
  'priority',
  'owner',
  'asked',
  'remind',
  'ref',
  'needs',
  'made',
  'done',
  'cancelled',
  'since',
  'pushed',
  'times',
  'key',
  'question',
  'joined',
  'sent',
] as const;
export type ClauseName = (typeof CLAUSE_NAMES)[number];

export type Priority = 'top' | 'high' | 'low';

/** How priorities are called, the weightiest first; normal is what bears no sign. */
export const PRIORITY_NAMES: readonly (readonly [Priority | 'normal', string])[] = [
  ['top', 'Top'],
  ['high', 'High'],
  ['normal', 'Normal'],
  ['low', 'Low'],
];

/** `@kofi`, as `owner` and `asked` hold it. */
export const PERSON_VALUE = /^@((?=.*\p{L})[\p{L}\p{M}\p{N}_]+(?:[-.][\p{L}\p{M}\p{N}_]+)*)$/u;
/** `2 days before`, as `start` may hold it. */
export const DAYS_BEFORE = /^(\d{1,4}) (day|week|month)s? before$/;
const REMINDER = /^(?:\d{1,4}(?:m|h|d| days?| weeks?) before|\d{2}:\d{2}|\d{4}-\d{2}-\d{2} \d{2}:\d{2})$/;
const REF = /^[a-z0-9]{6}$/;

function reminderExists(one: string): boolean {
  return /^\d{4}-/.test(one) ? readMoment(one) !== null : !/^\d{2}:/.test(one) || readTime(one) !== null;
}

const each = (value: string, test: (one: string) => boolean): boolean => value.split(',').every((one) => test(one.trim()));
const hasDayShape = (value: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(value);

const FORMS: Record<ClauseName, (value: string) => boolean> = {
  due: hasMomentShape,
  plan: hasSpanShape,
  start: (value) => hasDayShape(value) || DAYS_BEFORE.test(value),
  every: isRepeatPhrase,
  until: hasDayShape,
  lapses: hasDayShape,
  takes: (value) => readDuration(value) !== null,
  priority: (value) => value === '',
  owner: (value) => value === 'nobody' || PERSON_VALUE.test(value),
  asked: (value) => PERSON_VALUE.test(value),
  remind: (value) => each(value, (one) => REMINDER.test(one)),
  ref: (value) => REF.test(value),
  needs: (value) => each(value, (one) => REF.test(one)),
  made: hasMomentShape,
  done: hasMomentShape,
  cancelled: hasMomentShape,
  since: hasMomentShape,
  pushed: (value) => each(value, hasDayShape),
  times: (value) => /^\d{1,6}$/.test(value),
  key: (value) => value === '',
  question: (value) => value === '',
  joined: (value) => value !== '',
  sent: (value) => value !== '',
};

/** Whether every date of a value that has its form exists; a clause with another counts as absent. */
const EXISTS: Partial<Record<ClauseName, (value: string) => boolean>> = {
  every: (value) => repeatProblem(value) === null,
  remind: (value) => each(value, reminderExists),
  due: (value) => readMoment(value) !== null,
  plan: (value) => readSpan(value) !== null,
  start: (value) => !hasDayShape(value) || readIsoDay(value) !== null,
  until: (value) => readIsoDay(value) !== null,
  lapses: (value) => readIsoDay(value) !== null,
  made: (value) => readMoment(value) !== null,
  done: (value) => readMoment(value) !== null,
  cancelled: (value) => readMoment(value) !== null,
  since: (value) => readMoment(value) !== null,
  pushed: (value) => each(value, (one) => readIsoDay(one) !== null),
};

/** The name that a clause's first word stands for; null when it is none. */
export function clauseNameOf(word: string): ClauseName | null {
  if (word === 'top' || word === 'high' || word === 'low') return 'priority';
  return CLAUSE_NAMES.find((name) => name === word && name !== 'priority') ?? null;
}

/** Whether a value has the form of its clause, existing or not. */
export function hasClauseForm(name: ClauseName, value: string): boolean {
  return FORMS[name](value);
}

/** Whether every date in a value that has its form exists. */
export function clauseExists(name: ClauseName, value: string): boolean {
  return EXISTS[name]?.(value) ?? true;
}

/** Why a value of the right form counts as absent all the same, in one sentence; null when it counts. */
export function valueProblem(name: ClauseName, value: string): string | null {
  if (clauseExists(name, value)) return null;
  return (name === 'every' ? repeatProblem(value) : null) ?? `There is no such day as ${value}.`;
}
