import type { Item } from '../../note/blocks/structure';
import { type NoteFrame, readFrame } from '../../note/facts/note-frame';
import { LINE_GONE, type LineRef, locateLine } from './edit';

type Ref = Omit<LineRef, 'path'>;

/**
 * A text with an item, and all that stands under it, put before or behind another one of the same text, as deep as that one; or why it cannot be.
 *
 * @example withItemBeside('- [ ] a\n- [ ] b\n', { line: 1, expected: '- [ ] b' }, { line: 0, expected: '- [ ] a' }, 'before') // { text: '- [ ] b\n- [ ] a\n' }
 */
export function withItemBeside(text: string, moved: Ref, other: Ref, side: 'before' | 'behind'): { text: string } | { refused: string } {
  const frame = readFrame(text);
  const item = itemOf(frame, moved);
  if ('refused' in item) return item;
  const beside = itemOf(frame, other);
  if ('refused' in beside) return beside;
  if (beside.line >= item.line && beside.line <= item.lastLine)
    return { refused: 'A line cannot stand inside itself, so nothing was changed.' };
  const eol = text.includes('\r\n') ? '\r\n' : '\n';
  const lines = text.match(/[^\n]*\n|[^\n]+$/g) ?? [];
  if (lines.length > 0) lines[lines.length - 1] = ended(lines.at(-1) ?? '', eol);
  const going = lines.slice(item.line, item.lastLine + 1).map((line) => indented(line, item.markerFrom, beside.markerFrom));
  const at = side === 'before' ? beside.line : beside.lastLine + 1;
  const before = lines.slice(0, at).filter((_, line) => line < item.line || line > item.lastLine);
  const behind = lines.slice(at).filter((_, line) => at + line < item.line || at + line > item.lastLine);
  const next = [...before, ...going, ...behind].join('');
  const whole = /\n$/.test(text) ? next : next.replace(/\r?\n$/, '');
  // A block that stands open there would take its lines in as its own.
  if (readFrame(whole).structure.items.length !== frame.structure.items.length)
    return { refused: 'What stands there would swallow the line, so nothing was changed.' };
  return { text: whole };
}

function itemOf(frame: NoteFrame, ref: Ref): Item | { refused: string } {
  const place = locateLine(frame.lines, ref);
  if ('refused' in place) return place;
  return frame.structure.items.find(({ line }) => line === place.line) ?? { refused: LINE_GONE };
}

const ended = (line: string, eol: string): string => (line.endsWith('\n') ? line : line + eol);

/** A line as deep as another place asks for; one that is not indented as its item stays as it is. */
function indented(line: string, from: number, to: number): string {
  const own = /^[ \t]*/.exec(line)?.[0].length ?? 0;
  if (from === to || own < from || line.trim() === '') return line;
  return ' '.repeat(to) + line.slice(from);
}
