import { isOpen, signOf, statusOf } from '../line/status';
import type { Task } from '../line/task';
import type { ActionSettings } from './action-context';
import type { StatusChange } from './status-actions';

/** The signs of the statuses that a task goes through by cycling, where no order of choice says otherwise. */
const CYCLE: readonly string[] = [' ', '_', 'x'];

/**
 * The status that follows the present one in the order of choice. A task that stands outside that order goes on with its second; a closed
 * one begins it again.
 *
 * @example nextStatus({ sign: ' ', status: 'todo' }, settings) // { status: 'underway', sign: '_' }
 */
export function nextStatus(
  { sign, status }: Pick<Task, 'sign' | 'status'>,
  { cycle = CYCLE, statuses }: Pick<ActionSettings, 'cycle' | 'statuses'>,
): StatusChange {
  // A sign that no note adds any more is passed over.
  const signs = cycle.filter((one) => statusOf(one, statuses)?.known);
  const own = statuses?.has(sign) ? sign : signOf(status);
  const at = signs.indexOf(own);
  const next = signs[at === -1 ? (isOpen(status) ? 1 : 0) : (at + 1) % signs.length] ?? ' ';
  return { status: statusOf(next, statuses)?.status ?? 'todo', sign: next };
}
