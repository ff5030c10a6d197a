import { readStructure } from '../blocks/blocks';
import { readFrontMatter } from '../facts/front-matter';
import { lineText, splitLines, lineEnding } from '../blocks/lines';
import { foldName, readInline } from './names';
import { LineKind } from '../blocks/structure';
import { gatherLines } from '../facts/note-frame';

/**
 * Renames a tag or a handle wherever a text names it: in its lines, tails, front matter and gathers. The levels below a
 * tag come along: `#place` to `#site` makes `#place/archive` `#site/archive`.
 *
 * @param before `#tag` or `@handle`
 * @returns the new text and how many places changed
 */
export function renameName(text: string, before: string, after: string): { text: string; places: number } {
  const sign = before.charAt(0);
  const wanted = foldName(before.slice(1));
  const next = after.replace(/^[#@]/, '');
  const lines = splitLines(text);
  const front = readFrontMatter(lines);
  const structure = readStructure(lines, front.lineCount);
  const gathers = gatherLines(structure);
  let places = 0;
  let result = '';
  let inList = false;
  for (let line = 0; line < lines.starts.length; line++) {
    const words = lineText(lines, line);
    const kind = structure.kinds[line];
    let renamed = words;
    if (line < front.lineCount) {
      const key = /^([A-Za-z]+):/.exec(words)?.[1];
      if (key !== undefined) inList = sign === '#' ? key === 'tags' : key === 'people' || key === 'handle';
      renamed = inList ? inFrontMatter(words) : words;
    } else if (gathers.has(line)) renamed = inSigns(words, 0);
    else if (kind === LineKind.text || kind === LineKind.heading) renamed = inLine(words);
    result += (line === 0 && text.charCodeAt(0) === 0xfeff ? '\ufeff' : '') + renamed + lineEnding(lines, line);
  }
  return { text: places === 0 ? text : result, places };

  /** The new name for one as written; null when another is meant. */
  function renamedFrom(name: string): string | null {
    const folded = foldName(name);
    if (folded === wanted) return next;
    return sign === '#' && folded.startsWith(`${wanted}/`) ? next + name.slice(before.length - 1) : null;
  }

  function inLine(words: string): string {
    let found = '';
    let at = 0;
    const tailFrom = /\s\{[^{}]*\}\s*$/.exec(words)?.index ?? words.length;
    for (const name of readInline(words, 0, tailFrom).names) {
      const to = (name.kind === 'tag') === (sign === '#') ? renamedFrom(name.name) : null;
      if (to === null) continue;
      places++;
      found += words.slice(at, name.from + 1) + to;
      at = name.to;
    }
    const rest = found + words.slice(at, tailFrom);
    return rest + (sign === '@' ? inSigns(words.slice(tailFrom), 0) : words.slice(tailFrom));
  }

  /** Every name with its sign, wherever it stands. */
  function inSigns(words: string, from: number): string {
    return (
      words.slice(0, from) +
      words.slice(from).replace(/([#@])([\p{L}\p{M}\p{N}_./-]*[\p{L}\p{M}\p{N}_])/gu, (whole, mark: string, name: string) => {
        const to = mark === sign ? renamedFrom(name) : null;
        if (to === null) return whole;
        places++;
        return mark + to;
      })
    );
  }

  function inFrontMatter(words: string): string {
    const from = /^[A-Za-z]+:/.exec(words)?.[0].length ?? 0;
    return (
      words.slice(0, from) +
      words.slice(from).replace(/[\p{L}\p{M}\p{N}_][\p{L}\p{M}\p{N}_./-]*/gu, (name) => {
        const to = renamedFrom(name);
        if (to === null) return name;
        places++;
        return to;
      })
    );
  }
}
