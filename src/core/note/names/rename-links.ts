import { readStructure } from '../blocks/blocks';
import { readFrontMatter } from '../facts/front-matter';
import { lineText, splitLines, lineEnding } from '../blocks/lines';
import { readInline } from './names';
import { foldPath } from './path';
import { LineKind } from '../blocks/structure';
import { gatherLines } from '../facts/note-frame';

/** A link's target and what takes its place; null when the link means another note. */
export type Retarget = (target: string) => string | null;

/** Renames in a line of a gather what no link names. */
export type RenameLine = (line: string) => { text: string; places: number };

const UNCHANGED: RenameLine = (text) => ({ text, places: 0 });

const LINK = /\[\[([^\][|#\n]+)([#|][^\][\n]*)?\]\]/g;

/**
 * Rewrites the links of a text, in its lines, its front matter and its gathers, and nothing else.
 *
 * @param inGather what else is renamed in the lines of gathers
 * @returns the new text and how many places changed
 */
export function renameLinks(text: string, retarget: Retarget, inGather: RenameLine = UNCHANGED): { text: string; places: number } {
  if (!text.includes('[[') && !text.includes('gather')) return { text, places: 0 };
  const lines = splitLines(text);
  const front = readFrontMatter(lines);
  const structure = readStructure(lines, front.lineCount);
  const gathers = gatherLines(structure);
  let places = 0;
  let result = '';
  for (let line = 0; line < lines.starts.length; line++) {
    const words = lineText(lines, line);
    const linked = words.includes('[[') ? renameInLine(words, line) : words;
    const renamed = gathers.has(line) ? inGather(linked) : null;
    places += renamed?.places ?? 0;
    const next = renamed?.text ?? linked;
    result += (line === 0 && text.charCodeAt(0) === 0xfeff ? '\ufeff' : '') + next + lineEnding(lines, line);
  }
  return { text: places === 0 ? text : result, places };

  function renameInLine(words: string, line: number): string {
    if (line < front.lineCount || gathers.has(line)) return words.replace(LINK, replaceLink);
    const kind = structure.kinds[line];
    if (kind !== LineKind.text && kind !== LineKind.heading) return words;
    let renamed = '';
    let at = 0;
    for (const link of readInline(words).links) {
      renamed += words.slice(at, link.from) + words.slice(link.from, link.to).replace(LINK, replaceLink);
      at = link.to;
    }
    return renamed + words.slice(at);
  }

  function replaceLink(whole: string, target: string, rest: string | undefined): string {
    const next = retarget(target.trim());
    if (next === null) return whole;
    places++;
    return `[[${next}${rest ?? ''}]]`;
  }
}

/** The retargeting that a renamed note asks for: whoever named it by title gets the title, by path the path. */
export function retargetTo(before: { path: string; titles: readonly string[] }, after: { path: string; title: string }): Retarget {
  const bare = (path: string): string => path.replace(/\.(?:md|markdown|txt)$/i, '');
  const titles = new Set(before.titles.map(foldPath));
  return (target) => {
    const folded = foldPath(target);
    if (titles.has(folded)) return after.title;
    if (folded === foldPath(before.path)) return after.path;
    return folded === foldPath(bare(before.path)) ? bare(after.path) : null;
  };
}
