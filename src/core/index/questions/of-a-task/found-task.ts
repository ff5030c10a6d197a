import type { Row } from '../../../gather/rows/row';
import type { Status } from '../../../task/line/status';

/** A task that was looked for, with what finds its line again. */
export interface FoundTask {
  path: string;
  /** From 0. */
  line: number;
  raw: string;
  text: string;
  noteTitle: string;
  status: Status;
}

export function foundOf({ task, head }: Row): FoundTask {
  return { path: head.path, line: task.line, raw: task.raw, text: task.text, noteTitle: head.title, status: task.status };
}
