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

/** A status that a note of kind status adds: a sign of its own for one of the five. */
export interface AddedStatus {
  sign: string;
  name: string;
  means: Status;
  colour: string | null;
  icon: string | null;
}

/** The colours that an added status may have; another word is none. */
export const STATUS_COLOURS = ['teal', 'amber', 'red', 'green', 'blue', 'violet'] as const;

/** Whether a sign is none of the format's five statuses, so that a note may have added it. */
export const isAddedSign = (sign: string): boolean => sign !== '' && !(sign in BY_SIGN);

/** Added statuses by their sign. */
export type AddedStatuses = ReadonlyMap<string, AddedStatus>;

const OTHER_SIGN = /^[^\p{L}\p{N}\s]$/u;

/** Whether a note may add a status with this sign: one character, neither letter, digit nor white space, not taken. */
export function mayAddSign(sign: string): boolean {
  return OTHER_SIGN.test(sign) && !(sign in BY_SIGN);
}

/**
 * The status that a character in a box stands for. An unknown sign counts as to do; a letter, a digit or white
 * space makes no box at all, and gives null.
 */
export function statusOf(sign: string, added?: AddedStatuses): { status: Status; known: boolean } | null {
  const status = BY_SIGN[sign] ?? added?.get(sign)?.means;
  if (status) return { status, known: true };
  return OTHER_SIGN.test(sign) ? { status: 'todo', known: false } : null;
}

const BY_CODE: readonly (Status | undefined)[] = Array.from({ length: 128 }, (_, code) => BY_SIGN[String.fromCharCode(code)]);

/** The status of one of the format's own signs, by its character code; undefined for any other. */
export const statusOfCode = (code: number): Status | undefined => (code < 128 ? BY_CODE[code] : undefined);

/** The character that is written for a status. */
export function signOf(status: Status): string {
  return SIGNS[status];
}

export function isOpen(status: Status): boolean {
  return status !== 'done' && status !== 'cancelled';
}
