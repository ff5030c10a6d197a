import type { ActionContext } from '../task/acts/action-context';
import { openNote } from '../task/reading/open-note';
import { applyChanges } from '../task/writing/edit';
import { type Side, placeUnder } from '../task/writing/place-lines';

/** Where lines are written in a note. */
export interface SlipPlace {
  heading: string | null;
  /** The newest behind the others, or before them. */
  side: Side;
}

/**
 * A note's text with what was written down. A heading that is missing is made; without one the lines stand at the end of the note.
 *
 * @param text null when there is no such note yet
 * @param made the text of a note that is made for it, as from a template
 * @returns the new text, or why it cannot be written there
 */
export function withSlip(
  text: string | null,
  { heading, side }: SlipPlace,
  lines: readonly string[],
  context: ActionContext,
  made = '',
): { text: string } | { refused: string } {
  const before = text ?? made;
  if (before.trim() === '' && heading === null) return { text: `${before.replace(/\s+$/, '')}${lines.join('\n')}\n` };
  const opened = openNote('', before, context.settings);
  const path = heading === null ? [] : [{ words: heading, level: 2 }];
  const refusal = placeUnder(opened, path, lines, side);
  if (refusal) return refusal;
  const next = applyChanges(before, opened.edits.changes());
  // A note that begins with what was made ends as texts do.
  return { text: text === null && !next.endsWith('\n') ? `${next}\n` : next };
}
