import { lineText } from '../../../core/note/blocks/lines';
import type { NoteFrame } from '../../../core/note/facts/note-frame';

/** An agenda page in the order of its text: words between, and runs of gathers. */
export type AgendaPart =
  | { is: 'prose'; key: string; text: string }
  /** `first` is the place of the first of them among all gathers of the page. */
  | { is: 'gathers'; key: string; gathers: string[]; first: number };

/** Cuts an agenda page into its words and its gathers. */
export function agendaParts(note: Pick<NoteFrame, 'front' | 'gathers' | 'lines'>): AgendaPart[] {
  const parts: AgendaPart[] = [];
  let line = note.front.lineCount;
  const addProse = (to: number): void => {
    const words: string[] = [];
    for (; line < to; line++) words.push(lineText(note.lines, line));
    const text = words.join('\n').trim();
    if (text !== '') parts.push({ is: 'prose', key: `prose ${to}`, text });
  };
  note.gathers.forEach((gather, index) => {
    addProse(gather.line);
    line = gather.lastLine + 1;
    const last = parts[parts.length - 1];
    if (last?.is === 'gathers') last.gathers.push(gather.text);
    else parts.push({ is: 'gathers', key: `gathers ${index}`, gathers: [gather.text], first: index });
  });
  addProse(note.lines.starts.length);
  return parts;
}
