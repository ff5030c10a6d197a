import type { Row } from '../rows/row';
import { isOpen } from '../../task/line/status';

/** What the head of a group can sum up. */
export interface Totals {
  count: number;
  /** Minutes that its open tasks take. */
  takes: number;
  /** Done ÷ (all − cancelled); null when nothing counts. */
  progress: number | null;
  open: number;
  done: number;
  cancelled: number;
  /** How many were done by the end of the day, week or month they were planned for. */
  kept: number;
}

/** What adds up over the tasks of a list, steps included. */
export interface Sums {
  count: number;
  takes: number;
  all: number;
  done: number;
  cancelled: number;
  kept: number;
}

export const noSums = (): Sums => ({ count: 0, takes: 0, all: 0, done: 0, cancelled: 0, kept: 0 });

/** Adds a row to sums, or with `sign` -1 takes it away. */
export function addToSums(sums: Sums, { task, facts }: Row, sign: 1 | -1): void {
  sums.count += sign;
  if (facts) {
    sums.all += sign * facts.all;
    sums.done += sign * facts.done;
    return;
  }
  if (isOpen(task.status)) sums.takes += sign * (task.takes ?? 0);
  if (task.status === 'cancelled') sums.cancelled += sign;
  else sums.all += sign;
  if (task.status === 'done') sums.done += sign;
  if (task.status === 'done' && task.plan && task.done && task.done.from <= task.plan.to) sums.kept += sign;
}

export function sumsOf(rows: readonly Row[]): Sums {
  const sums = noSums();
  for (const row of rows) addToSums(sums, row, 1);
  return sums;
}

export function totalsFrom({ count, takes, all, done, cancelled, kept }: Sums): Totals {
  return { count, takes, progress: all === 0 ? null : done / all, open: all - done, done, cancelled, kept };
}
