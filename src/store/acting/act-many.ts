import { shelfOf } from '../../core/index/live/shelf';
import type { ActionContext } from '../../core/task/acts/action-context';
import { type LineTask, type ManyOutcome, type Progress, actOnLines } from '../../core/task/acts/act-on-lines';

/** Does intentions to many lines of the notes of the store; one without text is something that is no note. */
export function actOnNotes(
  notes: readonly { path: string; text: string | null }[],
  tasks: readonly LineTask[],
  context: ActionContext,
  progress?: Progress,
): Promise<ManyOutcome> {
  return actOnLines(shelfOf(notes), tasks, context, progress);
}
