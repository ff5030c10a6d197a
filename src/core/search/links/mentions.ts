import { LineKind } from '../../note/blocks/structure';
import { lineText } from '../../note/blocks/lines';
import { readInline } from '../../note/names/names';
import type { ReadNote } from '../../task/reading/read-note';
import { eachWord } from '../words';

/** Where a line only says the name of a note. Offsets are into the line. */
export interface Mention {
  /** From 0. */
  line: number;
  from: number;
  to: number;
}

/** Where a line says one of some names, each given as its folded words, and no link, tag, person, code or tail stands there. */
export function mentionsIn(note: ReadNote, names: readonly (readonly string[])[]): Mention[] {
  const found: Mention[] = [];
  for (let line = note.front.lineCount; line < note.lines.starts.length; line++) {
    const kind = note.structure.kinds[line];
    if (kind !== LineKind.text && kind !== LineKind.heading) continue;
    found.push(...mentionsInLine(lineText(note.lines, line), names).map((one) => ({ ...one, line })));
  }
  return found;
}

/**
 * The places in one line; of names that overlap the longest counts.
 *
 * @example mentionsInLine('Salt on the Glass opens', [['salt', 'on', 'the', 'glass']]) // [{ from: 0, to: 17 }]
 */
export function mentionsInLine(text: string, names: readonly (readonly string[])[]): { from: number; to: number }[] {
  const words: { word: string; from: number; to: number }[] = [];
  eachWord(text, (word, from, to) => void words.push({ word, from, to }));
  const longestFirst = [...names].sort((a, b) => b.length - a.length);
  let taken: readonly { from: number; to: number }[] | null = null;
  const places: { from: number; to: number }[] = [];
  for (let at = 0; at < words.length;) {
    const name = longestFirst.find((one) => one.length > 0 && one.every((word, place) => words[at + place]?.word === word));
    const from = words[at]?.from ?? 0;
    const to = words[at + (name?.length ?? 1) - 1]?.to ?? from;
    if (name) {
      taken ??= takenPlaces(text);
      if (!taken.some((one) => one.from < to && from < one.to)) places.push({ from, to });
    }
    at += name?.length ?? 1;
  }
  return places;
}

/** Where words mean something already: names with their sign, links, code, addresses, and the tail. */
function takenPlaces(text: string): { from: number; to: number }[] {
  const { names, links } = readInline(text);
  const others = [...text.matchAll(/`[^`]*`|\]\([^)]*\)|https?:\/\/\S+|[\p{L}\p{N}.+_-]+@[\p{L}\p{N}.-]+|<[^>]*>|\s\{[^{}]*\}\s*$/gu)];
  return [...names, ...links, ...others.map((match) => ({ from: match.index, to: match.index + match[0].length }))];
}

/**
 * A line whose words at a place became a link to a note; what was written stays to be read.
 *
 * @param target by which the link means the note
 * @example linkedLine('the glass opens', { from: 4, to: 9 }, 'Glass') // 'the [[Glass|glass]] opens'
 */
export function linkedLine(text: string, { from, to }: { from: number; to: number }, target: string): string {
  const words = text.slice(from, to);
  return `${text.slice(0, from)}[[${words === target ? target : `${target}|${words}`}]]${text.slice(to)}`;
}
