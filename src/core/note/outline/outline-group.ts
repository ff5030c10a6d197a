import { lineText } from '../blocks/lines';
import {
  type Block,
  type Outline,
  type OutlineCommand,
  type OutlineEdit,
  editFor,
  keepsMeaning,
  linesFrom,
  readOutline,
} from './outline-edits';
import { type Item, LineKind } from '../blocks/structure';

/** Commands that are done to several items together. */
export type GroupCommand = Exclude<OutlineCommand, 'duplicate'>;

/** How many items begin on some lines (from 0, both included), those inside others left out. */
export const itemsOn = (text: string, first: number, last: number): number => outermost(readOutline(text), first, last).length;

/**
 * What a command does to all items that begin on some lines (from 0, both included), each with everything under it: to all of them,
 * or null. Items inside others go along with them.
 *
 * @param line the line whose new place the edit tells
 * @example groupEdit('- a\n- b\n- c', 1, 2, 'in', 1) // - a, with b and c under it
 */
export function groupEdit(text: string, first: number, last: number, command: GroupCommand, line: number): OutlineEdit | null {
  const outline = readOutline(text);
  const blocks = runsOf(outline, outermost(outline, first, last));
  const edits: OutlineEdit[] = [];
  for (const block of blocks) {
    const edit = editFor(outline, block, block.first, command);
    // Where one needs the place of another there is no order to do them in.
    if (!edit || edit.first <= (edits.at(-1)?.last ?? -1)) return null;
    edits.push(edit);
  }
  const edit = asOne(outline, edits, line);
  return edit && keepsMeaning(text, outline, edit, blocks, command) ? edit : null;
}

function outermost({ structure }: Outline, first: number, last: number): Item[] {
  let end = -1;
  return structure.items.filter((item) => {
    if (item.line <= end || item.line < first || item.line > last) return false;
    end = item.lastLine;
    return true;
  });
}

/** Items that follow one another in a list are one block: what a command does to it it does to each. */
function runsOf({ structure: { kinds } }: Outline, items: readonly Item[]): Block[] {
  const runs: (Block & { parent: number })[] = [];
  for (const { line, lastLine, parent, depth } of items) {
    const run = runs.at(-1);
    const follows = run?.parent === parent && kinds.subarray(run.last + 1, line).every((kind) => kind === LineKind.blank);
    if (follows) run.last = lastLine;
    else runs.push({ first: line, last: lastLine, is: 'item', depth, parent });
  }
  return runs;
}

/** Several edits, in order, as the one that replaces all the lines from the first to the last. */
function asOne({ lines }: Outline, edits: readonly OutlineEdit[], line: number): OutlineEdit | null {
  const [first] = edits;
  const last = edits.at(-1);
  if (!first || !last) return null;
  const words: string[] = [];
  const sources: number[] = [];
  let at = first.first;
  for (const edit of edits) {
    for (const source of linesFrom(at, edit.first - 1)) {
      words.push(lineText(lines, source));
      sources.push(source);
    }
    for (const [index, one] of edit.lines.entries()) {
      words.push(one);
      sources.push(edit.sources[index] as number);
    }
    at = edit.last + 1;
  }
  // A line that went leaves its place to the next one.
  return { first: first.first, last: last.last, lines: words, sources, line: first.first + Math.max(0, sources.indexOf(line)) };
}
