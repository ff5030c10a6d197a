import { lineText, splitLines } from '../../note/blocks/lines';
import { linkedLine } from './mentions';

/** A line that says a note's name without a link, as it was found. */
export interface MentionLine {
  path: string;
  /** From 0. */
  line: number;
  raw: string;
  places: readonly { from: number; to: number }[];
}

/**
 * A text whose lines link where they only said a name. A line that moved is followed when it is the only equal one; one that is not
 * there any more is left out. No other byte changes.
 *
 * @returns how many places became links
 */
export function withLinks(text: string, mentions: readonly MentionLine[], target: string): { text: string; places: number } {
  const lines = splitLines(text);
  const all = Array.from(lines.starts, (_, line) => lineText(lines, line));
  const edits: { from: number; to: number; words: string }[] = [];
  let places = 0;
  for (const { line, raw, places: wanted } of mentions) {
    const at = all[line] === raw ? line : all.indexOf(raw);
    if (at === -1 || (at !== line && all.lastIndexOf(raw) !== at)) continue;
    let words = raw;
    // From behind, so that the places before stay where they are.
    for (const place of [...wanted].sort((a, b) => b.from - a.from)) words = linkedLine(words, place, target);
    const from = lines.ends[at] === undefined ? 0 : (lines.ends[at] ?? 0) - raw.length;
    edits.push({ from, to: from + raw.length, words });
    places += wanted.length;
  }
  let changed = text;
  for (const { from, to, words } of edits.sort((a, b) => b.from - a.from)) changed = changed.slice(0, from) + words + changed.slice(to);
  return { text: changed, places };
}
