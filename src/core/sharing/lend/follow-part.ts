import { lineText, splitLines } from '../../note/blocks/lines';
import { readOutline } from '../../note/outline/outline-edits';
import { clauseOf, readTail } from '../../task/line/tail';
import { alignedLines } from '../../note/compare/aligned-lines';
import { without } from './lent-lines';
import { type LentPart, partAt } from './lent-part';

/**
 * Where a part of a note is after the note changed. What stood outside of it never comes into it only because what bounded it is gone: a fence that
 * is being typed, or a heading that was deleted, shows nobody what follows.
 *
 * @param ref by which an item is found; null for other parts
 * @returns null where it is gone, or more than one place could be meant
 */
export function followedPart(before: string, part: LentPart, after: string, ref: string | null): LentPart | null {
  const [old, next] = [linesOf(before), linesOf(after)];
  const aligned = alignedLines(old, next);
  const first = part.kind === 'note' ? null : firstLine({ old, next, aligned }, part, after, ref);
  if (first === undefined) return null;
  const found = partAt(after, first ?? 0, part.kind);
  return found && bounded(found, part, old, next, aligned);
}

/** Where the item with a ref begins; null where none or several bear it. */
export function itemWithRef(text: string, ref: string): number | null {
  const { structure, lines } = readOutline(text);
  const found = structure.items.filter(({ wordsFrom, line }) => {
    if (wordsFrom < 0) return false;
    return clauseOf(readTail(lineText(lines, line), wordsFrom), 'ref')?.value === ref;
  });
  return found.length === 1 && found[0] ? found[0].line : null;
}

/** Where the only item begins whose first line says the same, whatever of it is kept back; null where none or several do. */
export function itemSaying(text: string, said: string): number | null {
  const { structure, lines } = readOutline(text);
  const found = structure.items.filter(
    ({ line, wordsFrom, markerFrom }) => wordsFrom >= 0 && without(lineText(lines, line), wordsFrom).slice(markerFrom) === said,
  );
  return found.length === 1 && found[0] ? found[0].line : null;
}

interface Both {
  old: readonly string[];
  next: readonly string[];
  aligned: readonly number[];
}

/** Undefined where it is not found. */
function firstLine({ old, next, aligned }: Both, part: LentPart, after: string, ref: string | null): number | undefined {
  if (ref !== null) return itemWithRef(after, ref) ?? undefined;
  const stayed = aligned.indexOf(part.first);
  if (stayed !== -1) return stayed;
  const { structure } = readOutline(after);
  const openers = part.kind === 'item' ? structure.items : structure.headings.filter(({ topLevel }) => topLevel);
  // Reworded in its place: the one that came between the lines around it.
  const above = aligned.findLastIndex((line) => line !== -1 && line < part.first);
  const below = aligned.findIndex((line) => line > part.first);
  const between = openers.filter(({ line }) => line > above && (below === -1 || line < below) && aligned[line] === -1);
  if (between.length === 1 && between[0]) return between[0].line;
  // Moved: the only one with its words.
  const equal = openers.filter(({ line }) => next[line] === old[part.first]);
  return equal.length === 1 ? equal[0]?.line : undefined;
}

/** What of the part that the structure has belongs to it. */
function bounded(found: LentPart, part: LentPart, old: readonly string[], next: readonly string[], aligned: readonly number[]): LentPart {
  let { first, last } = found;
  const wasOutside = (line: number): boolean => {
    const from = aligned[line] ?? -1;
    return from !== -1 && (from < part.first || from > part.last);
  };
  if (part.kind === 'note') while (first <= last && wasOutside(first)) first++;
  // What bounds it now is what bounded it before: whatever stands in it was put there.
  const [bound, before] = [wordsAfter(next, last), wordsAfter(old, part.last)];
  const isSame = next[bound] === old[before] && (bound === next.length || aligned[bound] === before || aligned[bound] === -1);
  if (isSame) return { ...found, first };
  for (let line = first + 1; line <= last; line++) if (wasOutside(line) && next[line]?.trim() !== '') last = line - 1;
  return { ...found, first, last };
}

/** The next line with words; the end of the text where there is none. */
function wordsAfter(lines: readonly string[], line: number): number {
  const at = lines.findIndex((words, index) => index > line && words.trim() !== '');
  return at === -1 ? lines.length : at;
}

const linesOf = (text: string): string[] => {
  const lines = splitLines(text);
  return lines.starts.map((_, at) => lineText(lines, at));
};

/** What the lines around a part are: changes of the part must leave it so. */
export function aroundOf(text: string, { first, last }: LentPart): string {
  const { structure } = readOutline(text);
  const outside = ({ line }: { line: number }): boolean => line < first || line > last;
  const shift = (line: number): number => (line > last ? line - last : line);
  return JSON.stringify([
    [...structure.kinds].flatMap((kind, line) => (outside({ line }) ? [kind] : [])),
    structure.items.filter(outside).map(({ line, depth, markerFrom }) => [shift(line), depth, markerFrom]),
    structure.headings.filter(outside).map(({ line, level, words }) => [shift(line), level, words]),
  ]);
}
