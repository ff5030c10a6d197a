import { lineText } from '../../core/note/lines';
import { LineKind } from '../../core/note/structure';
import type { ReadNote } from '../../core/task/read-note';

/** The words that an agenda page says before its first gather. */
export function introOf(note: ReadNote): string {
  const end = note.gathers[0]?.line ?? note.lines.starts.length;
  const words: string[] = [];
  for (let line = note.front.lineCount; line < end; line++) {
    if (note.structure.kinds[line] === LineKind.text) words.push(lineText(note.lines, line).trim());
  }
  return words.join(' ');
}
