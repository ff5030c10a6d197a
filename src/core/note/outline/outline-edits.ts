import { readStructure } from '../blocks/blocks';
import { readFrontMatter } from '../facts/front-matter';
import { type Lines, lineText, splitLines } from '../blocks/lines';
import { type Heading, type Item, LineKind, type Structure, itemHolding } from '../blocks/structure';

/**
 * A run of lines (from 0, both included) that belongs together: an item with what is under it, or several that follow one another
 * in a list, or a heading's section.
 */
export interface Block {
  first: number;
  last: number;
  is: 'item' | 'heading';
  /** The level of a heading; how many items are around an item. */
  depth: number;
}

/** What an outline command makes of a text: the lines that take the place of others, and where each old line went. */
export interface OutlineEdit {
  /** The lines that are replaced, from 0, both included. */
  first: number;
  last: number;
  lines: string[];
  /** For each of the new lines, the line (from 0) of the text before whose words it bears: what is folded there goes along. */
  sources: number[];
  /** The new place of the line on which the command was given. */
  line: number;
}

export type OutlineCommand = 'up' | 'down' | 'in' | 'out' | 'duplicate' | 'delete';

/** What outline commands need of a note; a note that was read is one. */
export interface Outline {
  lines: Lines;
  structure: Structure;
}

/** Reads an outline from a text with LF line endings. */
export function readOutline(text: string): Outline {
  const lines = splitLines(text);
  return { lines, structure: readStructure(lines, readFrontMatter(lines).lineCount) };
}

/** The innermost item or section that holds a line; null for a line in neither. */
export function blockAt(outline: Outline, line: number): Block | null {
  const { structure } = outline;
  const item = itemHolding(structure, line);
  if (item) return blockOf(item);
  const heading = structure.headings.findLast((one) => one.topLevel && one.line <= line);
  if (!heading) return null;
  return { first: heading.line, last: sectionEnd(outline, heading), is: 'heading', depth: heading.level };
}

/** The last line of the section that a heading opens. */
export function sectionEnd(outline: Outline, heading: Heading): number {
  const next = outline.structure.headings.find((one) => one.topLevel && one.line > heading.line && one.level <= heading.level);
  return (next?.line ?? textEnd(outline)) - 1;
}

/** The line (from 0) behind the last one with words or room; what follows the line break at the end of a text is no line of it. */
export function textEnd({ lines }: Outline): number {
  const count = lines.starts.length;
  return count > 1 && lines.starts[count - 1] === lines.text.length ? count - 1 : count;
}

const blockOf = (item: Item): Block => ({ first: item.line, last: item.lastLine, is: 'item', depth: item.depth });

/**
 * What a command does to the item or section at a line, with everything under it; null where it can do nothing: at an end of
 * the list, at the margin, or where the lines would come to mean something else.
 */
export function outlineEdit(text: string, line: number, command: OutlineCommand): OutlineEdit | null {
  const outline = readOutline(text);
  const block = blockAt(outline, line);
  if (!block) return null;
  // What follows the last line break belongs to the line before it.
  const edit = editFor(outline, block, Math.min(line, block.last), command);
  return edit && keepsMeaning(text, outline, edit, [block], command) ? edit : null;
}

/** What a command does to one block, whatever the lines around come to mean by it. */
export function editFor(outline: Outline, block: Block, line: number, command: OutlineCommand): OutlineEdit | null {
  switch (command) {
    case 'up':
    case 'down':
      return moved(outline, block, line, command);
    case 'in':
    case 'out':
      return block.is === 'item' ? shifted(outline, block, line, command) : null;
    case 'duplicate': {
      const copied = wordsOf(outline, block.first, block.last);
      const size = copied.length;
      const sources = linesFrom(block.first, block.last);
      return { first: block.first, last: block.last, lines: [...copied, ...copied], sources: [...sources, ...sources], line: line + size };
    }
    case 'delete':
      return { first: block.first, last: block.last, lines: [], sources: [], line: block.first };
  }
}

function wordsOf({ lines }: Outline, first: number, last: number): string[] {
  return linesFrom(first, last).map((line) => lineText(lines, line));
}

/** The lines from one to another, both included. */
export function linesFrom(first: number, last: number): number[] {
  return Array.from({ length: last - first + 1 }, (_, index) => first + index);
}

/** Changes places with the sibling before or behind; the blank lines between them stay where they are. */
function moved(outline: Outline, block: Block, line: number, command: 'up' | 'down'): OutlineEdit | null {
  const other = sibling(outline, block, command);
  if (!other) return null;
  const [upper, lower] = command === 'down' ? [block, other] : [other, block];
  const between = linesFrom(upper.last + 1, lower.first - 1);
  const sources = [...linesFrom(lower.first, lower.last), ...between, ...linesFrom(upper.first, upper.last)];
  const lines = sources.map((source) => lineText(outline.lines, source));
  return { first: upper.first, last: lower.last, lines, sources, line: upper.first + sources.indexOf(line) };
}

/** The item of the same list, or the section of the same level, next to a block. */
function sibling(outline: Outline, block: Block, command: 'up' | 'down'): Block | null {
  const { structure } = outline;
  if (block.is === 'heading') {
    const near =
      command === 'down'
        ? structure.headings.find((one) => one.topLevel && one.line === block.last + 1 && one.level === block.depth)
        : structure.headings.findLast((one) => one.topLevel && one.line < block.first && one.level <= block.depth);
    if (!near || near.level !== block.depth) return null;
    return blockAt({ ...outline, structure: { ...structure, items: [] } }, near.line);
  }
  const item = itemAt(structure, block.first);
  const siblings = structure.items.filter((one) => one.parent === item?.parent);
  const next = siblings.findLastIndex((one) => one.line <= block.last) + 1;
  const other = item && siblings[command === 'down' ? next : siblings.indexOf(item) - 1];
  if (!item || !other || kindOf(other) !== kindOf(item)) return null;
  const [from, to] = command === 'down' ? [block.last + 1, other.line] : [other.lastLine + 1, item.line];
  for (let line = from; line < to; line++) if (structure.kinds[line] !== LineKind.blank) return null;
  return blockOf(other);
}

export const itemAt = (structure: Structure, line: number): Item | undefined => structure.items.findLast((one) => one.line === line);
const kindOf = (item: Item): string => item.marker.slice(-1);

/** Moves an item under the one before it, or to the level of the one it stands in. */
function shifted(outline: Outline, block: Block, line: number, command: 'in' | 'out'): OutlineEdit | null {
  const { structure } = outline;
  const item = itemAt(structure, block.first);
  if (!item) return null;
  const own = markerColumn(outline, item);
  let to: number;
  if (command === 'in') {
    const before = structure.items.findLast((one) => one.parent === item.parent && one.line < item.line && one.lastLine < item.line);
    if (!before) return null;
    to = before.column;
  } else {
    const parent = structure.items[item.parent];
    if (!parent) return null;
    to = markerColumn(outline, parent);
  }
  const by = to - own;
  if (by === 0 || (command === 'in') !== by > 0) return null;
  const lines = shiftedLines(outline, block, by);
  return { first: block.first, last: block.last, lines, sources: linesFrom(block.first, block.last), line };
}

/** The lines of an item so many columns further in or out. */
export function shiftedLines(outline: Outline, block: Block, by: number): string[] {
  const quote = quoteAt(outline, block.first);
  return wordsOf(outline, block.first, block.last).map((words) => shiftedLine(words, by, quote));
}

/** The signs of the quotes in which a line stands. */
export const quoteAt = ({ lines }: Outline, line: number): string => /^(?:\s*>)*/.exec(lineText(lines, line))?.[0] ?? '';

/** The column in which the marker of an item stands. */
export const markerColumn = ({ lines }: Outline, item: Item): number => columnOf(lineText(lines, item.line), item.markerFrom);

/** A line so many columns further in or out; blank lines and the signs of quotes stay. */
function shiftedLine(words: string, by: number, quote: string): string {
  if (words.trim() === '') return words;
  const outer = words.startsWith(quote) ? quote : '';
  const rest = words.slice(outer.length);
  const space = /^[ \t]*/.exec(rest)?.[0] ?? '';
  if (!space.includes('\t')) return outer + (by > 0 ? ' '.repeat(by) + rest : rest.slice(Math.min(space.length, -by)));
  const width = columnOf(words, outer.length + space.length) - columnOf(outer, outer.length);
  return outer + ' '.repeat(Math.max(0, width + by)) + rest.slice(space.length);
}

/** How many letters of room stand before the words of a line. */
export const roomOf = (words: string): number => /^[ \t]*/.exec(words)?.[0].length ?? 0;

/** The column at an offset, with tabs to every fourth (CommonMark 0.31.2 §2.2). */
export function columnOf(words: string, offset: number): number {
  let column = 0;
  for (let at = 0; at < offset; at++) column += words.charCodeAt(at) === 9 ? 4 - (column % 4) : 1;
  return column;
}

/** Whether every line still is what it was: items stay items, words stay words, and nothing is swallowed. */
export function keepsMeaning(text: string, before: Outline, edit: OutlineEdit, blocks: readonly Block[], command: OutlineCommand): boolean {
  const after = readOutline(editedText(text, edit));
  const inside = ({ line }: { line: number }): boolean => blocks.some(({ first, last }) => line >= first && line <= last);
  const own = command === 'duplicate' ? 1 : command === 'delete' ? -1 : 0;
  const wanted = (all: readonly { line: number }[]): number => (own === 0 ? all.length : all.length + own * all.filter(inside).length);
  const { items, headings } = before.structure;
  return after.structure.items.length === wanted(items) && after.structure.headings.length === wanted(headings);
}

/** A text with an outline edit done. */
export function editedText(text: string, { first, last, lines }: OutlineEdit): string {
  const all = text.split('\n');
  all.splice(first, last - first + 1, ...lines);
  return all.join('\n');
}
