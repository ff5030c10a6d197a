import type { ActionContext } from '../acts/action-context';
import { withTypedClauses } from '../line/typed-tail';
import { openNote } from '../reading/open-note';
import { applyChanges } from './edit';
import { type Side, placeUnder } from './place-lines';

/** Where lines are written in a note: under a heading (null is the end of the note), or behind a line (from 0). */
export type LinePlace = { heading: string | null; side: Side } | { behind: number };

/** The end of a note. */
export const AT_END: LinePlace = { heading: null, side: 'last' };

/**
 * A note's text with lines written into it. A heading that is missing is made; words in their tails become dates, as when a line is left.
 *
 * @param text null when there is no such note yet
 * @param made the text that a note that is made begins with, as from a template
 * @returns the new text, or why it cannot be written there
 * @example withLines('## Log\n', { heading: 'Log', side: 'last' }, ['- [ ] Oil {due fri}'], context).text // '## Log\n- [ ] Oil {due 2026-11-27}\n'
 */
export function withLines(
  text: string | null,
  place: LinePlace,
  lines: readonly string[],
  context: ActionContext,
  made = '',
): { text: string } | { refused: string } {
  const stored = lines.map((line) => (line.includes('[') ? withTypedClauses(line, line.indexOf('['), context) : line));
  const before = text ?? made;
  const isAtEnd = 'behind' in place || place.heading === null;
  if (before.trim() === '' && isAtEnd) return { text: `${stored.join('\n')}\n` };
  const opened = openNote('', before, context.settings);
  if ('behind' in place) {
    const gap = needsGap(before, place.behind) ? [''] : [];
    opened.edits.insertBefore(Math.min(place.behind + 1, opened.lines.starts.length), [...gap, ...stored]);
  } else {
    const { heading, side } = place;
    const refusal = placeUnder(opened, heading === null ? [] : [{ words: heading, level: 2 }], stored, side);
    if (refusal) return refusal;
  }
  const next = applyChanges(before, opened.edits.changes());
  // A note that begins ends as texts do.
  return { text: text === null && !next.endsWith('\n') ? `${next}\n` : next };
}

/** Lines right behind a code block are set apart from it, and stay next to a list. */
function needsGap(text: string, behind: number): boolean {
  return /^\s*(?:```|~~~)/.test(text.split('\n')[behind] ?? '');
}
