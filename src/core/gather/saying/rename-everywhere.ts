import { readStructure } from '../../note/blocks/blocks';
import { readFrontMatter } from '../../note/facts/front-matter';
import { lineText, splitLines, lineEnding } from '../../note/blocks/lines';
import { foldPath } from '../../note/names/path';
import { renameLinks } from '../../note/names/rename-links';
import { renameName } from '../../note/names/rename-name';
import { renameInGather } from './rename-in-gather';
import { gatherLines } from '../../note/facts/note-frame';

/** A name that is changed wherever it stands: a tag or handle with its sign, a folder by its path, or a heading of a note. */
export type Renaming =
  | { is: 'name'; before: string; after: string }
  | { is: 'folder'; before: string; after: string }
  /** `titles` are the names by which links mean the note that holds the heading. */
  | { is: 'heading'; path: string; titles: readonly string[]; before: string; after: string };

/** What a renaming makes of the text of a note, and how many places it changes. */
export function renamedText(path: string, text: string, renaming: Renaming): { text: string; places: number } {
  switch (renaming.is) {
    case 'name':
      return renameName(text, renaming.before, renaming.after);
    case 'folder':
      return inFolder(text, renaming.before, renaming.after);
    case 'heading':
      return withHeading(path, text, renaming);
  }
}

/** Links by path, and `path in "…"` in gathers. */
function inFolder(text: string, before: string, after: string): { text: string; places: number } {
  const folded = `${foldPath(before)}/`;
  return renameLinks(
    text,
    (target) => (foldPath(target).startsWith(folded) ? after + target.slice(before.length) : null),
    (line) => renameInGather(line, { is: 'folder', before, after }),
  );
}

/** The heading itself, `[[Note#Heading]]` in every note, and `heading = "…"` in gathers. */
function withHeading(path: string, text: string, renaming: Extract<Renaming, { is: 'heading' }>): { text: string; places: number } {
  const { before, after, titles } = renaming;
  const wanted = foldPath(before);
  const own = foldPath(path) === foldPath(renaming.path);
  const lines = splitLines(text);
  const front = readFrontMatter(lines);
  const structure = readStructure(lines, front.lineCount);
  const headings = new Set(own ? structure.headings.filter((one) => foldPath(one.words) === wanted).map((one) => one.line) : []);
  const gathers = gatherLines(structure);
  const names = new Set(titles.map(foldPath));
  let places = 0;
  const result = lines.starts.map((_start, index) => {
    const words = lineText(lines, index);
    let next = words;
    if (headings.has(index) && words.includes(before)) {
      next = words.replace(before, () => after);
      places++;
    }
    next = next.replace(/\[\[([^\][|#\n]*)#([^\][|\n]*)/g, (whole, note: string, heading: string) => {
      const meant = note.trim() === '' ? own : names.has(foldPath(note.trim()));
      if (!meant || foldPath(heading.trim()) !== wanted) return whole;
      places++;
      return `[[${note}#${after}`;
    });
    if (gathers.has(index)) {
      const renamed = renameInGather(next, { is: 'heading', before, after });
      places += renamed.places;
      next = renamed.text;
    }
    const mark = index === 0 && text.charCodeAt(0) === 0xfeff ? '\ufeff' : '';
    return mark + next + lineEnding(lines, index);
  });
  return { text: places === 0 ? text : result.join(''), places };
}
