import type { WideIntention } from '../../core/task/acts/intention';
import { LINE_GONE, type LineRef, locateLine } from '../../core/task/writing/edit';
import { lineText, splitLines } from '../../core/note/blocks/lines';

/** Whether an action on a line can touch other notes: what points somewhere, or is moved there. */
export function looksFurther(ref: LineRef, intention: WideIntention): boolean {
  if (
    intention.do === 'need' ||
    intention.do === 'move' ||
    intention.do === 'archive' ||
    intention.do === 'echo' ||
    intention.do === 'swap'
  )
    return true;
  return /recado:|\bref /.test(ref.expected);
}

/** A refusal because a line is no longer there says what stands in its place. */
export function withPresent(refused: string, text: string, ref: LineRef): string {
  if (refused !== LINE_GONE) return refused;
  const lines = splitLines(text);
  const present = ref.line < lines.starts.length ? lineText(lines, ref.line).trim() : '';
  return present === '' ? refused : `${refused} It says now: “${present.slice(0, 120)}”.`;
}

/** What stands after an action where the line stood that it meant; undefined when its note did not change. */
export function lineAfter(before: string, ref: LineRef, after: string | undefined): string | undefined {
  const place = locateLine(splitLines(before), ref);
  return after === undefined || 'refused' in place ? undefined : lineText(splitLines(after), place.line);
}
