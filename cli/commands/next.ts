import { type Day, isoDay } from '../../src/core/calendar/day';
import { writtenOut } from '../../src/core/calendar/repeat/repeat';
import { datesAfter, nextDate } from '../../src/core/calendar/repeat/repeat-dates';
import { readRepeat, repeatProblem } from '../../src/core/calendar/repeat/repeat-phrase';
import { repeatRuleText } from '../../src/core/calendar/repeat/repeat-rule';
import { PlainError } from '../plain-error';

/**
 * `next`: the dates of a repeat after a day, as if each were finished on its day; or, with `done`, the one that a task
 * takes that is due on `from` and finished on `done`.
 */
export function next(phrase: string, from: Day, done: Day | null, count: number): { rule: string | null; dates: string[] } {
  const repeat = readRepeat(phrase);
  if (!repeat) throw new PlainError(`“${phrase}” is no repeat.`);
  const problem = repeatProblem(phrase);
  if (problem !== null) throw new PlainError(problem);
  const pattern = writtenOut(repeat, from);
  const one = done === null ? null : nextDate(repeat, from, done);
  const dates = done === null ? datesAfter(repeat, from, count) : one === null ? [] : [one];
  return { rule: repeatRuleText(pattern), dates: dates.map(isoDay) };
}
