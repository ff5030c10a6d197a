import type { ListedGather, ListedRow } from '../../formats/listed';
import { lineText } from '../../note/blocks/lines';
import { readNote } from '../../task/reading/read-note';
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
  const notes = new Map<string, ReadonlyMap<number, ItemWords>>();
  const wordsAt = (path: string, line: number): ItemWords | undefined => {
    const known = notes.get(path) ?? wordsOf(path, textOf(path) ?? '');
    notes.set(path, known);
    return known.get(line);
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

/** An item: its whole line, and what it says behind its marker without what is kept back. */
interface ItemWords {
  raw: string;
  words: string;
}

/** The items of a note by line (from 0). */
function wordsOf(path: string, text: string): Map<number, ItemWords> {
  const { structure, lines } = readNote(path, text);
  const items = new Map<number, ItemWords>();
  for (const { line, wordsFrom } of structure.items) {
    if (wordsFrom < 0) continue;
    const raw = lineText(lines, line);
    items.set(line, { raw, words: without(raw, wordsFrom).slice(wordsFrom) });
  }
  return items;
}
