import type { ListedGather, ListedRow } from '../formats/listed';
import { readNote } from '../task/reading/read-note';
import { without } from './lent-lines';

/** A line of a list that is lent: a row of a note, or a heading, a name, which is none. */
export interface LentListLine {
  words: string;
  row: { path: string; line: number; raw: string } | null;
}

/**
 * What lists hold, as it is lent: their groups are headings, their tasks lines with their steps below; what a line keeps back, and where it stands,
 * is in none of it.
 *
 * @param textOf the text of a note; null where it is gone
 */
export function lentList(lists: readonly ListedGather[], textOf: (path: string) => string | null): LentListLine[] {
  const notes = new Map<string, Map<number, string>>();
  const wordsAt = (path: string, line: number): { raw: string; words: string } | null => {
    const text = textOf(path);
    if (text === null) return null;
    let known = notes.get(path);
    if (!known) notes.set(path, (known = wordsOf(path, text)));
    const words = known.get(line);
    const raw = text.split(/\r\n?|\n/)[line];
    return words === undefined || raw === undefined ? null : { raw, words };
  };
  const linesOf = ({ what, path, noteTitle, line, steps }: ListedRow, depth: number): LentListLine[] => {
    const indent = '  '.repeat(depth);
    if (what === 'note') return [{ words: `${indent}- ${noteTitle}`, row: null }];
    const found = wordsAt(path, line);
    if (!found) return [];
    const own: LentListLine = {
      words: `${indent}- ${found.words}`,
      row: what === 'task' ? { path, line, raw: found.raw } : null,
    };
    return [own, ...steps.flatMap((step) => linesOf(step, depth + 1))];
  };
  return lists.flatMap(({ title, groups }) => {
    const heading = (sign: string, words: string | null): LentListLine[] =>
      words === null ? [] : [{ words: `${sign} ${words}`, row: null }];
    const held = groups.flatMap(({ label, rows }) => {
      const lines = rows.flatMap((row) => linesOf(row, 0));
      return lines.length === 0 ? [] : [...heading('##', label), ...lines];
    });
    return [...heading('#', title), ...held];
  });
}

/** What the items of a note say behind their marker, by line (from 0), without what is kept back. */
function wordsOf(path: string, text: string): Map<number, string> {
  const { structure, lines } = readNote(path, text);
  const words = new Map<number, string>();
  for (const { line, wordsFrom } of structure.items) {
    if (wordsFrom < 0) continue;
    const raw = lines.text.slice(lines.starts[line], lines.ends[line]);
    words.set(line, without(raw, wordsFrom).slice(wordsFrom));
  }
  return words;
}
