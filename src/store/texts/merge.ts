import { diff3Merge } from 'node-diff3';
import { byLetters, changesInto } from '../../core/task/writing/changes-into';
import type { Change } from '../../core/task/writing/edit';

/** Lines that are settled, or a place that both texts changed in different ways. */
type Region = { is: 'settled'; lines: string[] } | Contested;

interface Contested {
  is: 'contested';
  base: string[];
  mine: string[];
  theirs: string[];
}

/**
 * Merges two texts that grew from one, line by line. Null when both changed the same lines in different ways.
 */
export function mergeTexts(base: string, mine: string, theirs: string): string | null {
  if (mine === base) return theirs;
  if (theirs === base || mine === theirs) return mine;
  const regions = regionsOf(base, mine, theirs);
  return regions.every((region) => region.is === 'settled') ? textOf(regions, () => []) : null;
}

/**
 * Merges two texts that grew from one; where both changed the same lines, theirs stand, unless mine only goes on with them.
 *
 * @returns `lost` tells whether mine says anything there that theirs does not hold, and must be kept elsewhere
 */
export function mergeForTheirs(base: string, mine: string, theirs: string): { text: string; lost: boolean } {
  const clean = mergeTexts(base, mine, theirs);
  if (clean !== null) return { text: clean, lost: false };
  const regions = regionsOf(base, mine, theirs);
  // Who only wrote on what the other wrote too, and less of it, has lost nothing.
  const lost = regions.some(
    (region) => region.is === 'contested' && !goesOn(region, region.theirs, region.mine) && !goesOn(region, region.mine, region.theirs),
  );
  return { text: textOf(regions, (region) => (goesOn(region, region.mine, region.theirs) ? region.mine : region.theirs)), lost };
}

/** Whether what one wrote only goes on with what the other wrote, as when a page comes again that had saved half of it. */
const goesOn = ({ base }: Contested, more: readonly string[], less: readonly string[]): boolean =>
  allHeld(less, more) && allHeld(base, less);

/**
 * Merges two texts that grew from one so that no word of either goes: where both changed the same lines, the lines of both stand, theirs
 * first, but for lines that grew into another.
 *
 * @param grows of one who types on, the last word of a line may have grown into a longer one; of others it is another word
 * @example mergeForBoth('a', 'a mine', 'a theirs') // 'a theirs\na mine'
 */
export function mergeForBoth(
  base: string,
  mine: string,
  theirs: string,
  grows: 'one word grows' | 'no word grows' = 'one word grows',
): string {
  const clean = mergeTexts(base, mine, theirs);
  if (clean !== null) return clean;
  const most = grows === 'one word grows' ? 1 : 0;
  return textOf(regionsOf(base, mine, theirs), (region) => {
    const kept = region.theirs.filter((line) => !region.mine.some((other) => holds(other, line, most)));
    return [...kept, ...region.mine.filter((line) => !kept.some((other) => holds(other, line, most)))];
  });
}

/**
 * Merges two texts that grew from one letter by letter, for those who write in one place at once and see each other: where both changed the same
 * lines, what each changed stands in them, theirs first where both wrote at one point.
 *
 * @example mergeTogether('Pack', 'Pack it', 'Pack now') // 'Pack now it'
 */
export function mergeTogether(base: string, mine: string, theirs: string): string {
  const clean = mergeTexts(base, mine, theirs);
  if (clean !== null) return clean;
  return textOf(regionsOf(base, mine, theirs), (region) =>
    // Lines that both put in at one place stand there both.
    region.base.length === 0
      ? [...region.theirs, ...region.mine]
      : lettersOf(region.base.join('\n'), region.mine.join('\n'), region.theirs.join('\n')).split('\n'),
  );
}

/** A text with what both changed of it: what either took out is gone, what both put in is there. */
function lettersOf(base: string, mine: string, theirs: string): string {
  const [own, other] = [mine, theirs].map((text) => byLetters(base, changesInto(base, text))) as [Change[], Change[]];
  const isGone = (at: number): boolean => [...own, ...other].some(({ from, to }) => at >= from && at < to);
  const put = (changes: readonly Change[], at: number): string => changes.map(({ from, insert }) => (from === at ? insert : '')).join('');
  const cuts = [...new Set([...own, ...other].flatMap(({ from, to }) => [from, to]).concat(base.length))].sort((one, next) => one - next);
  let [text, at] = ['', 0];
  for (const cut of cuts) {
    if (!isGone(at)) text += base.slice(at, cut);
    text += put(other, cut) + put(own, cut);
    at = cut;
  }
  return text;
}

/** Lines from one up to, and without, another, and where they end in the other text. */
interface Span {
  from: number;
  to: number;
  otherTo: number;
}

function regionsOf(base: string, mine: string, theirs: string): Region[] {
  const [o, a, b] = [base.split('\n'), mine.split('\n'), theirs.split('\n')];
  const [inA, inB] = [spanOf(o, a), spanOf(o, b)];
  const [first, second, other] = inA.from <= inB.from ? [inA, inB, a] : [inB, inA, b];
  // Whoever types changes one place: where the two are apart, nothing has to be compared line by line.
  if (first.to < second.from) {
    const last = other === a ? b : a;
    const lines = [...other.slice(0, first.otherTo), ...o.slice(first.to, second.from), ...last.slice(second.from, second.otherTo)];
    return [{ is: 'settled', lines: [...lines, ...o.slice(second.to)] }];
  }
  const [from, to] = [first.from, Math.max(inA.to, inB.to)];
  const inner = (lines: string[], span: Span): string[] => lines.slice(from, span.otherTo + to - span.to);
  return [
    { is: 'settled', lines: o.slice(0, from) },
    ...compared(o.slice(from, to), inner(a, inA), inner(b, inB)),
    { is: 'settled', lines: o.slice(to) },
  ];
}

/** The smallest run of lines of a text in which another differs from it. */
function spanOf(o: readonly string[], a: readonly string[]): Span {
  const least = Math.min(o.length, a.length);
  let head = 0;
  while (head < least && o[head] === a[head]) head++;
  let foot = 0;
  while (foot < least - head && o[o.length - 1 - foot] === a[a.length - 1 - foot]) foot++;
  return { from: head, to: o.length - foot, otherTo: a.length - foot };
}

/** Comparing costs as much as there are pairs of equal lines; beyond so many, all of it counts as changed by both. */
const MOST_PAIRS = 3_000_000;

function compared(o: string[], a: string[], b: string[]): Region[] {
  if (pairsOf(o, a) + pairsOf(o, b) > MOST_PAIRS) return [{ is: 'contested', base: o, mine: a, theirs: b }];
  return diff3Merge(a, o, b, { excludeFalseConflicts: true }).flatMap(({ ok, conflict }): Region[] => {
    if (ok) return [{ is: 'settled', lines: ok }];
    if (!conflict) return [];
    const lines = lineByLine(conflict);
    return [lines ? { is: 'settled', lines } : { is: 'contested', base: conflict.o, mine: conflict.a, theirs: conflict.b }];
  });
}

function pairsOf(o: readonly string[], a: readonly string[]): number {
  const counts = new Map<string, number>();
  for (const line of o) counts.set(line, (counts.get(line) ?? 0) + 1);
  return a.reduce((sum, line) => sum + (counts.get(line) ?? 0), 0);
}

function textOf(regions: readonly Region[], choose: (region: Contested) => readonly string[]): string {
  const lines: string[] = [];
  for (const region of regions) for (const line of region.is === 'settled' ? region.lines : choose(region)) lines.push(line);
  return lines.join('\n');
}

/** Lines that stand next to each other are one place to the comparison: where none came or went, each is looked at alone. */
function lineByLine({ a, o, b }: { a: string[]; o: string[]; b: string[] }): string[] | null {
  if (a.length !== o.length || b.length !== o.length) return null;
  const merged = o.map((old, index) => (a[index] === old ? b[index] : b[index] === old || a[index] === b[index] ? a[index] : undefined));
  return merged.every((line) => line !== undefined) ? merged : null;
}

const wordsOf = (line: string): string[] => line.split(/\s+/).filter((word) => word !== '');

const allHeld = (lines: readonly string[], by: readonly string[]): boolean =>
  lines.every((line) => wordsOf(line).length === 0 || by.some((other) => holds(other, line)));

/** Whether one line has all words of another in their order, so that it may have grown from it; some words may have grown too, at most so many. */
function holds(longer: string, shorter: string, most = 1): boolean {
  const words = wordsOf(longer);
  let at = 0;
  let grown = 0;
  for (const word of wordsOf(shorter)) {
    while (at < words.length && words[at] !== word && !(grown < most && words[at]?.startsWith(word))) at++;
    if (at === words.length) return false;
    if (words[at] !== word) grown++;
    at++;
  }
  return true;
}
