import { readRepeat, repeatPhrase } from '../../calendar/repeat/repeat-phrase';
import type { Repeat } from '../../calendar/repeat/repeat';
import type { Task } from '../line/task';
import { withClause } from './write-tail';

/** Writes a repeat into its clause; a phrase that says it already keeps its own words, but for the count. */
export function withPattern(line: string, task: Pick<Task, 'boxFrom' | 'every'>, repeat: Repeat): string {
  const said = task.every === null ? null : readRepeat(task.every);
  if (task.every === null || !said) return line;
  const phrase = repeatPhrase(repeat);
  if (repeatPhrase(said) === phrase) return line;
  const counted = task.every.replace(/\bx\d+\b/, `x${repeat.count}`);
  const same = repeatPhrase({ ...said, count: repeat.count }) === phrase && readRepeat(counted)?.count === repeat.count;
  return withClause(line, task.boxFrom, 'every', `every ${same ? counted : phrase}`);
}
