import { bareWords } from '../../../core/note/blocks/bare-words';
import { lineText } from '../../../core/note/blocks/lines';
import { LineKind } from '../../../core/note/blocks/structure';
import { readNote } from '../../../core/task/reading/read-note';

/** The first lines of a note that say something: no front matter, no code, no tasks. */
export function firstWords(path: string, text: string, most: number): string[] {
  const note = readNote(path, text);
  const tasks = new Set(note.tasks.map((task) => task.line));
  const words: string[] = [];
  for (let line = note.front.lineCount; line < note.lines.starts.length && words.length < most; line++) {
    const kind = note.structure.kinds[line];
    if ((kind !== LineKind.text && kind !== LineKind.heading) || tasks.has(line)) continue;
    const said = bareWords(lineText(note.lines, line)).trim();
    if (said !== '') words.push(said);
  }
  return words;
}
