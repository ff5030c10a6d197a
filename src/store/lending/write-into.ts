import { diffIndices } from 'node-diff3';
import type * as Y from 'yjs';
import { alignedLines } from '../../core/lend/aligned-lines';
import { pairedLines } from '../../core/lend/like-lines';
import type { Change } from '../../core/task/writing/edit';

/**
 * Brings a text that several write to what one of them has, by the smallest changes: what others write in other lines and words stays theirs.
 */
export function writeInto(text: Y.Text, wanted: string, origin: unknown): void {
  const before = text.toString();
  if (before === wanted) return;
  const [old, next] = [before.split('\n'), wanted.split('\n')];
  const changes: Change[] = [];
  const starts = startsOf(old);
  let [a, b] = [0, 0];
  // The end of both counts as a line that stayed.
  [...alignedLines(old, next), old.length].forEach((from, at) => {
    if (from === -1) return;
    const isEnd = from === old.length;
    if (from > a || at > b) changes.push(...hunk(starts[a] ?? 0, old.slice(a, from), next.slice(b, at), isEnd, isEnd && a > 0 && b > 0));
    [a, b] = [from + 1, at + 1];
  });
  text.doc?.transact(() => {
    for (const { from, to, insert } of changes.toReversed()) {
      // What comes stands before what goes: behind it somebody else may write at the same time.
      if (insert !== '') text.insert(from, insert);
      if (to > from) text.delete(from + insert.length, to - from);
    }
  }, origin);
}

/** Where each line starts; behind the last one stands where a further one would. */
function startsOf(lines: readonly string[]): number[] {
  const starts = [0];
  for (const line of lines) starts.push((starts.at(-1) ?? 0) + line.length + 1);
  return starts;
}

/**
 * Changes of a run of lines: line by line where one took the place of another, so that what others write in a line stays in it.
 *
 * @param start where the first of them starts
 * @param isEnd whether it is the last of the text: then a line goes with the break before it, else with the one behind
 * @param isAfter whether lines that stayed stand before it
 */
function hunk(start: number, old: readonly string[], next: readonly string[], isEnd: boolean, isAfter: boolean): Change[] {
  const broken = (lines: readonly string[]): string[] =>
    lines.map((line, at) => (!isEnd ? `${line}\n` : isAfter || at > 0 ? `\n${line}` : line));
  const [left, came] = [broken(old), broken(next)];
  const changes: Change[] = [];
  let at = isAfter ? start - 1 : start;
  let a = 0;
  const goTo = (line: number): void => {
    for (; a < line; a++) {
      const length = left[a]?.length ?? 0;
      if (length > 0) changes.push({ from: at, to: at + length, insert: '' });
      at += length;
    }
  };
  pairedLines(old, next).forEach((was, b) => {
    const line = came[b] ?? '';
    if (was === -1) return void changes.push({ from: at, to: at, insert: line });
    goTo(was);
    changes.push(...lineChanges(left[was] ?? '', line, at));
    at += left[was]?.length ?? 0;
    a = was + 1;
  });
  goTo(old.length);
  return changes;
}

/** Words, days, and single signs: what is taken out and put in whole. */
const PIECES = /\d{4}-\d{2}-\d{2}|[\p{L}\p{M}\p{N}_]+|[^\S\n]+|\n|./gsu;
/** Comparing costs as much as there are pairs of equal pieces; a line of more is changed as one. */
const MOST_PIECES = 2000;

function lineChanges(old: string, line: string, from: number): Change[] {
  if (old === line) return [];
  const [left, came] = [old.match(PIECES) ?? [], line.match(PIECES) ?? []];
  if (left.length + came.length > MOST_PIECES) return [{ from, to: from + old.length, insert: line }];
  const starts = left.reduce<number[]>((all, piece) => [...all, (all.at(-1) ?? 0) + piece.length], [0]);
  return diffIndices(left, came).map(({ buffer1, buffer2 }) => ({
    from: from + (starts[buffer1[0]] ?? 0),
    to: from + (starts[buffer1[0] + buffer1[1]] ?? old.length),
    insert: came.slice(buffer2[0], buffer2[0] + buffer2[1]).join(''),
  }));
}
