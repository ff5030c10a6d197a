import { applyChanges } from '../../task/writing/edit';
import { LineEdits } from '../../task/writing/line-edits';
import { readNote } from '../../task/reading/read-note';
import { lineText } from '../../note/blocks/lines';

/**
 * A note's text with another gather in the block that holds `before`; null when no block does. The fences, their indent and
 * every other line stay.
 */
export function withGather(text: string, before: string, after: string): string | null {
  const note = readNote('', text);
  const block = note.gathers.find((one) => one.text === before);
  const fence = block && note.structure.fences.find((one) => one.line === block.line);
  if (!block || !fence) return null;
  const indent = /^[\s>]*/.exec(lineText(note.lines, block.line))?.[0] ?? '';
  const edits = new LineEdits(note.lines);
  const last = fence.closed ? block.lastLine - 1 : block.lastLine;
  const lines = after.split('\n').map((line) => indent + line);
  if (last > block.line) {
    // The last line of the body stays one, so that a text without a last line ending stays without.
    edits.remove(block.line + 1, last - 1);
    edits.set(last, lines[lines.length - 1] ?? '');
    edits.insertBefore(block.line + 1, lines.slice(0, -1));
  } else edits.insertBefore(block.line + 1, lines);
  return applyChanges(text, edits.changes());
}
