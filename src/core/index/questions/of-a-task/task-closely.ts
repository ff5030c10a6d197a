import type { Day } from '../../../calendar/day';
import { foldPath } from '../../../note/names/path';
import type { Library } from '../../library';
import { type RowView, rowView } from '../../live/view';
import { rowOfLine } from './row-of-line';

/** A task with what one needs to decide about it. */
export interface TaskClosely {
  row: RowView;
  /** How often its plan was moved on. */
  moved: number;
  /** When its line was written or changed last; null where nobody keeps that. */
  touched: Day | null;
  /** Lines of its note around it, itself among them, with their numbers from 0. */
  around: { line: number; text: string }[];
}

/** So many lines above it are shown, and so many below. */
const ABOVE = 3;
const BELOW = 4;

/** The task on a line (from 0) that reads so, or the only one of the note that does; null where it is gone. */
export function taskClosely(library: Library, path: string, line: number, raw: string): TaskClosely | null {
  const entry = library.entries.get(foldPath(path));
  if (!entry) return null;
  const row = rowOfLine(entry.head.rows, line, raw);
  if (!row) return null;
  const at = row.task.line;
  const lines = entry.text.split(/\r\n|\r|\n/);
  const from = Math.max(0, at - ABOVE);
  const around = lines.slice(from, at + BELOW + 1).map((text, index) => ({ line: from + index, text }));
  return {
    row: rowView({ row, steps: [] }, library.today),
    moved: row.task.pushed.length,
    touched: row.touched,
    around: trimmed(around, at),
  };
}

/** Without the blank lines at either end. */
function trimmed(around: TaskClosely['around'], at: number): TaskClosely['around'] {
  let [first, last] = [0, around.length - 1];
  const isBlank = (index: number): boolean => around[index]?.text.trim() === '' && around[index].line !== at;
  while (first < last && isBlank(first)) first++;
  while (last > first && isBlank(last)) last--;
  return around.slice(first, last + 1);
}
