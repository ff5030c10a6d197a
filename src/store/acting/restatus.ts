import type { ActionContext } from '../../core/task/acts/action-context';
import type { WideIntention } from '../../core/task/acts/intention';
import { readNote } from '../../core/task/reading/read-note';
import type { StoredNote } from '../notes/content';
import type { LineTask } from '../../core/task/acts/act-on-lines';

/** The tasks of all notes in whose box a sign stands, each to get another status. */
export function tasksOfSign(
  notes: readonly Pick<StoredNote, 'path' | 'text'>[],
  sign: string,
  becomes: Extract<WideIntention, { do: 'status' }>,
  { settings }: ActionContext,
): LineTask[] {
  return notes.flatMap(({ path, text }) => {
    // Most notes hold no such box, and are not read.
    if (text === null || !text.includes(`[${sign}]`)) return [];
    const tasks = readNote(path, text, settings).tasks.filter((task) => task.sign === sign);
    return tasks.map(({ line, raw }): LineTask => ({ ref: { path, line, expected: raw }, intentions: [becomes] }));
  });
}
