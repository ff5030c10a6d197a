import { type Why, explain } from '../../../gather/answer/why';
import { foldPath } from '../../../note/names/path';
import type { LineRef } from '../../../task/writing/edit';
import type { Library } from '../../library';
import { rowsFor } from '../../note-entry';
import { rowOfLine } from './row-of-line';

/** Why a task is in an answer, or what keeps it out; where its line stands now, and what its words are. */
export interface TaskWhy {
  why: Why;
  ref: LineRef;
  text: string;
}

/**
 * Why a task is in the answer to a gather. It is the line that reads as expected, wherever it went in its note; else what its line became.
 *
 * @returns null where the task is gone, or the gather cannot be read
 */
export function whyOfTask(library: Library, text: string, at: string | null, { path, line, expected }: LineRef): TaskWhy | null {
  const { live, answer } = library.ask(text, at);
  const entry = library.entries.get(foldPath(path));
  if (!entry || live.errors.length > 0) return null;
  const rows = [...rowsFor(entry, live.gather.from), ...entry.head.rows];
  const row = rowOfLine(rows, line, expected) ?? rows.findLast((one) => one.task.line === line);
  if (!row) return null;
  const { task } = row;
  return { why: explain(live.plan, answer, row, library.lookup), ref: { path, line: task.line, expected: task.raw }, text: task.text };
}
