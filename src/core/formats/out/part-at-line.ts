import { editorText } from '../../note/blocks/line-endings';
import { type LentPart, partAt } from '../../sharing/lend/lent-part';
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
  const text = editorText(lines.text);
  const part: LentPart | null = partAt(text, place.line, 'item') ?? partAt(text, place.line, 'section');
  return { from: place.line, to: (part?.last ?? place.line) + 1 };
}
