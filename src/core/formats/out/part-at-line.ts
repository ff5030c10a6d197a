import { editorText } from '../../note/blocks/line-endings';
import { branchAt } from '../../sharing/lend/lent-part';
import { type LineRef, locateLine } from '../../task/writing/edit';
import type { Lines } from '../../note/blocks/lines';
import type { LineRange } from '../outline-of';

/**
 * What begins with a line, with all under it: an item, else a section, else the line alone. The line is found by what it says, wherever it went
 * since it was asked for.
 *
 * @returns null where it is gone, or stands there more than once
 */
export function partAtLine(lines: Lines, ref: Omit<LineRef, 'path'>): LineRange | null {
  const place = locateLine(lines, ref);
  if ('refused' in place) return null;
  const branch = branchAt(editorText(lines.text), place.line);
  return { from: place.line, to: (branch?.last ?? place.line) + 1 };
}
