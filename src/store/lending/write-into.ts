import type * as Y from 'yjs';
import { alignedLines } from '../../core/lend/aligned-lines';
import { differenceOf } from '../../core/task/writing/edit';

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
  const changes: { from: number; to: number; insert: string }[] = [];
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

function hunk(before: string, from: number, to: number, insert: string) {
  const old = before.slice(from, Math.min(to, before.length));
  const change = differenceOf(old, insert);
  if (!change) return [];
  let [head, foot] = [change.from, old.length - change.to];
  // A letter of two halves is taken whole (The Unicode Standard, 3.8, surrogates).
  if (head > 0 && isHigh(old.charCodeAt(head - 1))) head--;
  if (foot > 0 && isLow(old.charCodeAt(old.length - foot))) foot--;
  return [{ from: from + head, to: from + old.length - foot, insert: insert.slice(head, insert.length - foot) }];
}

const isHigh = (code: number): boolean => code >= 0xd800 && code <= 0xdbff;
const isLow = (code: number): boolean => code >= 0xdc00 && code <= 0xdfff;
