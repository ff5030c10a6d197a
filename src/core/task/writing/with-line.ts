import { splitLines } from '../../note/blocks/lines';
import { type LineRef, locateLine } from './edit';

/** A text with another line in the place of one, which is found by its words where lines came or went above; or why it cannot be. */
export function withLine(text: string, ref: Omit<LineRef, 'path'>, after: string): { text: string } | { refused: string } {
  const lines = splitLines(text);
  const place = locateLine(lines, ref);
  if ('refused' in place) return place;
  const from = (lines.starts[place.line] ?? 0) + (place.line === 0 && text.charCodeAt(0) === 0xfeff ? 1 : 0);
  return { text: text.slice(0, from) + after + text.slice(from + ref.expected.length) };
}
