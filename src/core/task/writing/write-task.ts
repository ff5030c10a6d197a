import { applyChanges } from './edit';
import { openNote } from '../reading/open-note';
import { placeUnder } from './place-lines';
import type { ReadingSettings } from '../line/task';
import type { ActionContext } from '../acts/action-context';
import { withTypedClauses } from '../line/typed-tail';

/** Where a new task is written in a note: under a heading, behind a line (from 0), or at the end. */
export type TaskPlace = { heading: string } | { behind: number } | { end: true };

/**
 * A note's text with one more task. Words in its tail become dates, as when a line is left.
 *
 * @param text null when there is no such note yet
 * @returns the new text, or why it cannot be written there
 */
export function withTask(
  text: string | null,
  place: TaskPlace,
  line: string,
  context: ActionContext,
): { text: string } | { refused: string } {
  const stored = withTypedClauses(line, line.indexOf('['), context);
  if (text === null) return { text: `${stored}\n` };
  const opened = openNote('', text, context.settings satisfies ReadingSettings);
  if ('behind' in place) {
    opened.edits.insertBefore(
      Math.min(place.behind + 1, opened.lines.starts.length),
      needsGap(opened.lines.text, place.behind) ? ['', stored] : [stored],
    );
    return { text: applyChanges(text, opened.edits.changes()) };
  }
  const refusal = placeUnder(opened, 'heading' in place ? [{ words: place.heading, level: 2 }] : [], [stored]);
  return refusal ?? { text: applyChanges(text, opened.edits.changes()) };
}

/** A task right behind a code block is set apart from it, and stays next to a list. */
function needsGap(text: string, behind: number): boolean {
  return /^\s*(?:```|~~~)/.test(text.split('\n')[behind] ?? '');
}
