import type { LeadingLine } from '../../../core/index/questions/leading';
import { foldName, readInline } from '../../../core/note/names/names';

/** By what lines are narrowed: the kind of their note (`meeting`), or a tag with its sign (`#loans`). */
export interface NarrowWord {
  word: string;
  count: number;
}

const tagsOf = (raw: string): string[] => [
  ...new Set(readInline(raw).names.flatMap(({ kind, name }) => (kind === 'tag' ? [`#${foldName(name)}`] : []))),
];

/** What some lines can be narrowed by: each kind and tag that some of them have and others have not, the most frequent first. */
export function narrowWords(lines: readonly LeadingLine[], kindOf: (path: string) => string): NarrowWord[] {
  const counts = new Map<string, number>();
  for (const { path, raw } of lines) for (const word of [kindOf(path), ...tagsOf(raw)]) counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts]
    .filter(([, count]) => count < lines.length)
    .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .map(([word, count]) => ({ word, count }));
}

/** The lines that have a word; all without one. */
export function narrowedLines(
  lines: readonly LeadingLine[],
  word: string | null,
  kindOf: (path: string) => string,
): readonly LeadingLine[] {
  return word === null ? lines : lines.filter(({ path, raw }) => kindOf(path) === word || tagsOf(raw).includes(word));
}

/** Lines note by note, in their order. */
export function byNote(lines: readonly LeadingLine[]): { path: string; title: string; lines: LeadingLine[] }[] {
  const notes: { path: string; title: string; lines: LeadingLine[] }[] = [];
  for (const line of lines) {
    const last = notes[notes.length - 1];
    if (last?.path === line.path) last.lines.push(line);
    else notes.push({ path: line.path, title: line.noteTitle, lines: [line] });
  }
  return notes;
}
