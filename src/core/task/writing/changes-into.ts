import { diffIndices } from 'node-diff3';
import { alignedLines } from '../../note/compare/aligned-lines';
import { pairedLines } from '../../note/compare/like-lines';
import { type Change, differenceOf } from './edit';

/** Which of some lines took the place of which, as `pairedLines` gives it. */
type Pairing = (before: readonly string[], after: readonly string[]) => readonly number[];

/**
 * The smallest changes that bring one text into another, in the order of the text: lines that stayed are not touched, and of lines that changed
 * only the words that differ, so that what others write there, and a cursor, stay where they are.
 *
 * @example changesInto('a b\nc', 'a x b\nc d') // two changes, one in each line
 */
export function changesInto(before: string, wanted: string): Change[] {
  const whole = differenceOf(before, wanted);
  return whole ? changesWithin(before, wanted, whole, pairedLines) : [];
}

/** The smallest changes, all within the one that brings a text into another. */
function changesWithin(before: string, wanted: string, whole: Change, pairing: Pairing): Change[] {
  // Whole lines around the place in which they differ.
  const from = whole.from === 0 ? 0 : before.lastIndexOf('\n', whole.from - 1) + 1;
  const end = before.indexOf('\n', whole.to);
  const foot = end === -1 ? 0 : before.length - end;
  const slice = (text: string): string[] => text.slice(from, text.length - foot).split('\n');
  const [old, next] = [slice(before), slice(wanted)];
  const isLast = end === -1;
  const changes: Change[] = [];
  const starts = startsOf(old, from);
  let [a, b] = [0, 0];
  // The end of both counts as a line that stayed.
  [...alignedLines(old, next), old.length].forEach((line, at) => {
    if (line === -1) return;
    const isEnd = isLast && line === old.length;
    if (line > a || at > b)
      changes.push(
        ...hunk(starts[a] ?? 0, old.slice(a, line), next.slice(b, at), {
          pairing,
          isEnd,
          isAfter: isEnd && (from > 0 || (a > 0 && b > 0)),
        }),
      );
    [a, b] = [line + 1, at + 1];
  });
  return changes;
}

/** Beyond so many pairs of lines it takes too long for a hand that types to say which became which. */
const FEW_PAIRS = 64;

/** Beyond so many pairs of lines nothing is compared: one change takes the place of all. */
const MOST_PAIRS = 160_000;

/** The same for an editor, in which somebody types: letter by letter, and in no time. */
export function changesUnderHand(before: string, wanted: string): Change[] {
  const whole = differenceOf(before, wanted);
  if (!whole) return [];
  if (linesIn(before.slice(whole.from, whole.to)) * linesIn(whole.insert) > MOST_PAIRS) return [whole];
  const pairing: Pairing = (old, next) =>
    old.length * next.length <= FEW_PAIRS ? pairedLines(old, next) : next.map((_, at) => (old.length === next.length ? at : -1));
  return byLetters(before, changesWithin(before, wanted, whole, pairing));
}

const linesIn = (text: string): number => text.split('\n').length;

/** The changes without what each puts in as it was. */
export function byLetters(before: string, changes: readonly Change[]): Change[] {
  return changes.flatMap(({ from, to, insert }) => {
    const least = differenceOf(before.slice(from, to), insert);
    return least ? [{ from: from + least.from, to: from + least.to, insert: least.insert }] : [];
  });
}

/** Where each line starts; behind the last one stands where a further one would. */
function startsOf(lines: readonly string[], from: number): number[] {
  const starts = [from];
  for (const line of lines) starts.push((starts.at(-1) ?? 0) + line.length + 1);
  return starts;
}

interface HunkPlace {
  pairing: Pairing;
  /** Whether it is the last of the text: then a line goes with the break before it, else with the one behind. */
  isEnd: boolean;
  /** Whether lines that stayed stand before it. */
  isAfter: boolean;
}

/** Changes of a run of lines: line by line where one took the place of another, so that what others write in a line stays in it. */
function hunk(start: number, old: readonly string[], next: readonly string[], { pairing, isEnd, isAfter }: HunkPlace): Change[] {
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
  pairing(old, next).forEach((was, b) => {
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
