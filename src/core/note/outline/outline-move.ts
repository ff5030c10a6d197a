import { lineText } from '../blocks/lines';
import {
  type Block,
  type Outline,
  type OutlineEdit,
  blockAt,
  editedText,
  itemAt,
  linesFrom,
  markerColumn,
  quoteAt,
  readOutline,
  shiftedLines,
  textEnd,
} from './outline-edits';
import { type Item, LineKind } from '../blocks/structure';

/** A place between two lines to which an item or section can be carried, at one of the levels that are possible there. */
export interface DropPlace {
  /** The line (from 0) before which it comes to stand; the number of lines for the end of the text. */
  before: number;
  /** How many items will be around it; of a section its level, which stays. */
  depth: number;
  /** The column in which its marker will stand. */
  column: number;
}

/**
 * The places between two lines to which a block can be carried, outermost first; none inside the block itself, in the midst
 * of something, or where what follows would come to stand under it.
 *
 * @param before the line (from 0) above which it was let go
 * @example dropPlaces(outline, blockOfC, 1) // below `- a`: beside it, and inside it
 */
export function dropPlaces(outline: Outline, block: Block, before: number): DropPlace[] {
  if (before > block.first && before <= block.last) return [];
  return block.is === 'heading' ? sectionPlaces(outline, block, before) : itemPlaces(outline, block, before);
}

/** A section goes between sections; the line break at the end of the text stays there. */
function sectionPlaces(outline: Outline, block: Block, before: number): DropPlace[] {
  const { headings } = outline.structure;
  const place = Math.min(before, textEnd(outline));
  if (place === block.first || place === block.last + 1) return [];
  if (place < textEnd(outline) && !headings.some((one) => one.topLevel && one.line === place)) return [];
  return [{ before: place, depth: block.depth, column: 0 }];
}

function itemPlaces(outline: Outline, block: Block, before: number): DropPlace[] {
  const { structure } = outline;
  // Its own place is between what stands above and below it: there only its level can change.
  const above = before === block.last + 1 ? block.first : before;
  const below = before === block.first ? block.last + 1 : before;
  const following = nextWords(outline, below);
  const next = structure.items.find((one) => one.line === following);
  const last = structure.items.findLast((one) => one.line < above && !within(block, one.line));
  const around = next ? null : structure.items.findLast((one) => one.line < following && one.lastLine >= following);
  // In the midst of the words of an item nothing can stand.
  if (around && around === last) return [];
  const least = next?.depth ?? (around ? around.depth + 1 : 0);
  const place = wordsEnd(outline, above, below, next);
  const quote = quoteAt(outline, block.first);
  const found: DropPlace[] = [];
  const offer = (depth: number, column: number): void => {
    if (depth >= least && !found.some((one) => one.depth === depth)) found.push({ before: place, depth, column });
  };
  if (last && nextWords(outline, endOf(last, block) + 1, block) >= nextWords(outline, above) && quoteAt(outline, last.line) === quote) {
    offer(last.depth + 1, last.column);
    for (let up: Item | undefined = last; up; up = structure.items[up.parent]) offer(up.depth, markerColumn(outline, up));
  }
  if (next && quoteAt(outline, next.line) === quote) offer(next.depth, markerColumn(outline, next));
  if (found.length === 0 && quote === '') offer(0, 0);
  return found.sort((a, b) => a.depth - b.depth);
}

const within = (block: Block, line: number): boolean => line >= block.first && line <= block.last;

/** The last line of an item when a block is not there. */
function endOf(item: Item, block: Block): number {
  return item.lastLine === block.last && item.line < block.first ? block.first - 1 : item.lastLine;
}

/** The first line from one on that is not blank, and not of a block; the number of lines at the end. */
function nextWords({ structure }: Outline, from: number, except?: Block): number {
  let line = from;
  while (line < structure.kinds.length && (structure.kinds[line] === LineKind.blank || (except && within(except, line)))) line++;
  return line;
}

/** Right below the words above, unless an item begins at the very place: blank lines stay between what they part. */
function wordsEnd({ structure }: Outline, above: number, below: number, next: Item | undefined): number {
  if (next?.line === below) return below;
  let line = above;
  while (line > 0 && structure.kinds[line - 1] === LineKind.blank) line--;
  return line === above ? below : line;
}

/**
 * Carries the item or section at a line to a place, with everything under it. Null where it can not go there, or where any
 * line would come to mean something else than before.
 */
export function moveBlock(text: string, line: number, to: DropPlace): OutlineEdit | null {
  const outline = readOutline(text);
  const block = blockAt(outline, line);
  if (!block || (to.before > block.first && to.before <= block.last)) return null;
  const item = block.is === 'item' ? itemAt(outline.structure, block.first) : undefined;
  const by = item ? to.column - markerColumn(outline, item) : 0;
  const stays = to.before === block.first || to.before === block.last + 1;
  if (stays && by === 0) return null;
  const own = linesFrom(block.first, block.last);
  const up = to.before <= block.first;
  const first = stays ? block.first : up ? to.before : block.first;
  const last = stays ? block.last : up ? block.last : to.before - 1;
  const others = linesFrom(first, last).filter((one) => !within(block, one));
  const sources = up ? [...own, ...others] : [...others, ...own];
  const words = shiftedLines(outline, block, by);
  const lines = sources.map((source) => (within(block, source) ? (words[source - block.first] ?? '') : lineText(outline.lines, source)));
  const edit = { first, last, lines, sources, line: first + sources.indexOf(Math.min(line, block.last)) };
  return keepsAll(outline, readOutline(editedText(text, edit)), edit, block, to) ? edit : null;
}

/** Whether every line still is what it was, what did not move still stands as deep, and what moved where it was to go. */
function keepsAll(before: Outline, after: Outline, { first, sources }: OutlineEdit, block: Block, to: DropPlace): boolean {
  const { kinds, items } = before.structure;
  const placeOf = new Map(sources.map((source, index) => [source, first + index]));
  const place = (line: number): number => placeOf.get(line) ?? line;
  if (after.structure.items.length !== items.length || after.structure.headings.length !== before.structure.headings.length) return false;
  for (let line = 0; line < kinds.length; line++) if (after.structure.kinds[place(line)] !== kinds[line]) return false;
  const deeper = block.is === 'item' ? to.depth - block.depth : 0;
  const moved = blockAt(after, place(block.first));
  if (!moved || moved.last - moved.first !== block.last - block.first) return false;
  const depths = depthByLine(after);
  return [...depthByLine(before)].every(([line, depth]) => depths.get(place(line)) === depth + (within(block, line) ? deeper : 0));
}

/** How deep the innermost item of each line stands. */
const depthByLine = ({ structure }: Outline): Map<number, number> => new Map(structure.items.map((item) => [item.line, item.depth]));
