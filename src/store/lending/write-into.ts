import { diffIndices } from 'node-diff3';
import type * as Y from 'yjs';
import { alignedLines } from '../../core/lend/aligned-lines';
import { pairedLines } from '../../core/lend/like-lines';
import { type Change, differenceOf } from '../../core/task/writing/edit';

/**
 * Brings a text that several write to what one of them has, by the smallest changes: what others write in other lines and words stays theirs.
 */
export function writeInto(text: Y.Text, wanted: string, origin: unknown): void {
  const before = text.toString();
  if (before === wanted) return;
  const [old, next] = [before.split('\n'), wanted.split('\n')];
  const aligned = alignedLines(old, next);
  // The end of both counts as a line that stayed.
  const stays = [...aligned, old.length];
  const changes: Change[] = [];
  const starts = startsOf(old);
  let [a, b] = [0, 0];
  stays.forEach((from, at) => {
    if (from === -1) return;
    if (from > a || at > b) changes.push(...hunk(before, starts[a] ?? 0, starts[from] ?? 0, linesOf(next, b, at)));
    [a, b] = [from + 1, at + 1];
  });
  text.doc?.transact(() => {
    for (const { from, to, insert } of changes.toReversed()) {
      if (to > from) text.delete(from, to - from);
      if (insert !== '') text.insert(from, insert);
    }
  }, origin);
  // A last line that came or went with the break before it.
  const rest = differenceOf(text.toString(), wanted);
  if (!rest) return;
  text.doc?.transact(() => {
    if (rest.to > rest.from) text.delete(rest.from, rest.to - rest.from);
    if (rest.insert !== '') text.insert(rest.from, rest.insert);
  }, origin);
}

/** Where each line starts; behind the last one stands where a further one would. */
function startsOf(lines: readonly string[]): number[] {
  const starts = [0];
  for (const line of lines) starts.push((starts.at(-1) ?? 0) + line.length + 1);
  return starts;
}

const linesOf = (lines: readonly string[], from: number, to: number): string =>
  lines
    .slice(from, to)
    .map((line) => `${line}\n`)
    .join('');

/** Words, days, and single signs: what is taken out and put in whole. */
const PIECES = /\d{4}-\d{2}-\d{2}|[\p{L}\p{M}\p{N}_]+|[^\S\n]+|\n|./gsu;
/** Comparing costs as much as there are pairs of equal pieces; a line of more is changed as one. */
const MOST_PIECES = 2000;

/** Changes of a run of lines: line by line where one took the place of another, so that what others write in a line stays in it. */
function hunk(before: string, from: number, to: number, insert: string): Change[] {
  const old = before.slice(from, Math.min(to, before.length));
  const [left, came] = [linesIn(old), linesIn(insert)];
  const changes: Change[] = [];
  let at = from;
  let a = 0;
  pairedLines(left, came).forEach((was, b) => {
    const line = came[b] ?? '';
    if (was === -1) return void changes.push({ from: at, to: at, insert: line });
    for (; a < was; a++) {
      changes.push({ from: at, to: at + (left[a]?.length ?? 0), insert: '' });
      at += left[a]?.length ?? 0;
    }
    changes.push(...lineChanges(left[was] ?? '', line, at));
    at += left[was]?.length ?? 0;
    a = was + 1;
  });
  const end = from + old.length;
  if (end > at) changes.push({ from: at, to: end, insert: '' });
  return changes;
}

/** The lines of a text, each with its end. */
const linesIn = (text: string): string[] => text.match(/[^\n]*\n|[^\n]+$/g) ?? [];

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
