/** The five statuses of a task. The first three are open, the last two closed. */
export const STATUSES = ['todo', 'underway', 'waiting', 'done', 'cancelled'] as const;
export type Status = (typeof STATUSES)[number];

const BY_SIGN: Record<string, Status> = {
  ' ': 'todo',
  _: 'underway',
  ':': 'waiting',
  x: 'done',
  X: 'done',
  '-': 'cancelled',
};

const SIGNS: Record<Status, string> = {
  todo: ' ',
  underway: '_',
  waiting: ':',
  done: 'x',
  cancelled: '-',
};

/** The words of the interface. */
export const STATUS_NAMES: Record<Status, string> = {
  todo: 'To do',
  underway: 'Under way',
  waiting: 'Waiting',
  done: 'Done',
  cancelled: 'Cancelled',
};

/**
 * The status that a character in a box stands for. An unknown sign counts as to do; a letter, a digit or white
 * space makes no box at all, and gives null.
 */
export function statusOf(sign: string): { status: Status; known: boolean } | null {
  const status = BY_SIGN[sign];
  if (status) return { status, known: true };
  return /^[^\p{L}\p{N}\s]$/u.test(sign) ? { status: 'todo', known: false } : null;
}

/** The character that is written for a status. */
export function signOf(status: Status): string {
  return SIGNS[status];
}

export function isOpen(status: Status): boolean {
  return status !== 'done' && status !== 'cancelled';
}
