import type { ActionContext } from '../acts/action-context';
import { act } from '../acts/act';
import { type Change, applyChanges, differenceOf } from '../writing/edit';
import { boxSignAt, readTaskLine } from './task';
import { lineText, splitLines } from '../../note/blocks/lines';
import { readNote } from '../reading/read-note';
import { isOpen, statusOf } from './status';

/**
 * What follows when a person typed another character into the box of a task: the same as a tick, computed when the line
 * is left. Null when nothing follows, because the status is the same or the line was no task before.
 *
 * @param text the note as it is now
 * @param line the line (from 0) that was left
 * @param signBefore the character that stood in its box when it was entered; null when it was no task
 */
export function typedStatus(text: string, line: number, signBefore: string | null, context: ActionContext): Change[] | null {
  if (signBefore === null) return null;
  const task = readNote('', text, context.settings).tasks.findLast((one) => one.line === line);
  const before = statusOf(signBefore, context.settings.statuses);
  if (!task || !before || task.sign === signBefore || task.status === before.status) return null;
  // The stamp may have been typed by hand as well; then nothing is left to do.
  if (!isOpen(task.status) && task.every === null && task[task.status === 'done' ? 'done' : 'cancelled'] !== null) return null;
  const lines = splitLines(text);
  const start = (lines.starts[line] ?? 0) + (line === 0 && text.charCodeAt(0) === 0xfeff ? 1 : 0);
  const from = start + task.boxFrom + 1;
  const restored = text.slice(0, from) + signBefore + text.slice(from + task.sign.length);
  const expected = lineText(splitLines(restored), line);
  const outcome = act(restored, { line, expected }, { do: 'status', status: task.status, sign: task.sign }, context);
  if ('refused' in outcome) return null;
  const change = differenceOf(text, applyChanges(restored, outcome.changes));
  return change ? [change] : null;
}

/** The character in the box of a line by itself, whatever stands around it; null when there is no box. */
export function signOfLine(line: string): string | null {
  const from = /^[\s>]*(?:[-*+]|\d{1,9}[.)])\s+/.exec(line)?.[0].length ?? -1;
  if (from === -1 || !readTaskLine(line, from)) return null;
  return boxSignAt(line, from);
}
