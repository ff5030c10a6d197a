import { type Lines, lineText } from '../../note/blocks/lines';
import { type Item, LineKind, type Structure } from '../../note/blocks/structure';
import type { LineRef } from '../writing/edit';
import { locateLine } from '../writing/edit';
import { LineEdits } from '../writing/line-edits';
import { type ReadNote, readNote } from './read-note';
import type { ReadingSettings, Task } from '../line/task';

/** A note that an action works on: as it was read, and what is to become of its lines. */
export interface OpenNote {
  path: string;
  note: ReadNote;
  lines: Lines;
  structure: Structure;
  edits: LineEdits;
  /** The innermost task and item that begin on a line. */
  taskOn: ReadonlyMap<number, Task>;
  itemOn: ReadonlyMap<number, Item>;
}

export type Refusal = { refused: string };

export function openNote(path: string, text: string, settings: ReadingSettings): OpenNote {
  const note = readNote(path, text, settings);
  return {
    path,
    note,
    lines: note.lines,
    structure: note.structure,
    edits: new LineEdits(note.lines),
    taskOn: new Map(note.tasks.map((task) => [task.line, task])),
    itemOn: new Map(note.structure.items.map((item) => [item.line, item])),
  };
}

export const NO_TASK = 'That line is no task, so nothing was changed.';
const NO_ITEM = 'That line is no list item, so nothing was changed.';

/** The task on the line that an action names. */
export function taskAt(opened: OpenNote, ref: Omit<LineRef, 'path'>): Task | Refusal {
  const place = locateLine(opened.lines, ref);
  if ('refused' in place) return place;
  return opened.taskOn.get(place.line) ?? { refused: NO_TASK };
}

/** The innermost item that begins on the line that an action names. */
export function itemAt(opened: OpenNote, ref: Omit<LineRef, 'path'>): Item | Refusal {
  const place = locateLine(opened.lines, ref);
  if ('refused' in place) return place;
  return opened.itemOn.get(place.line) ?? { refused: NO_ITEM };
}

export function itemOf(opened: OpenNote, task: Task): Item {
  const item = opened.structure.items[task.item];
  if (!item) throw new Error('a task stands on an item');
  return item;
}

/** The tasks that begin within an item, its own first. */
export function tasksUnder(opened: OpenNote, item: Item): Task[] {
  const { items } = opened.structure;
  const { tasks } = opened.note;
  const under: Task[] = [];
  for (let index = firstFrom(tasks, item.line); index < tasks.length; index++) {
    const task = tasks[index];
    if (!task || task.line > item.lastLine) break;
    for (let up = items[task.item]; up && up.line >= item.line; up = items[up.parent]) {
      if (up !== item) continue;
      under.push(task);
      break;
    }
  }
  return under;
}

/** The place of the first of some tasks, in the order of their lines, that stands on a line or below it. */
function firstFrom(tasks: readonly Task[], line: number): number {
  let low = 0;
  let high = tasks.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((tasks[middle]?.line ?? Infinity) < line) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * The items of the list that an item stands in, in order: siblings with the same kind of marker and nothing but blank
 * lines between them (CommonMark 0.31.2 §5.3).
 */
export function listOf(opened: OpenNote, item: Item): Item[] {
  const siblings = opened.structure.items.filter((one) => one.parent === item.parent && one.line >= 0);
  const kind = (one: Item): string => one.marker.slice(-1);
  const follows = (before: Item, after: Item): boolean => {
    if (kind(before) !== kind(after)) return false;
    for (let line = before.lastLine + 1; line < after.line; line++) {
      if (opened.structure.kinds[line] !== LineKind.blank) return false;
    }
    return true;
  };
  const at = siblings.indexOf(item);
  let first = at;
  let last = at;
  for (let before = siblings[first - 1]; before && follows(before, siblings[first] ?? item); before = siblings[first - 1]) first--;
  for (let after = siblings[last + 1]; after && follows(siblings[last] ?? item, after); after = siblings[last + 1]) last++;
  return siblings.slice(first, last + 1);
}

/** What stands before the marker of an item, as a line below it in the same list needs it: list markers become spaces. */
export function indentOf(opened: OpenNote, item: Item): string {
  return lineText(opened.lines, item.line)
    .slice(0, item.markerFrom)
    .replace(/[^\s>]/g, ' ');
}

/** The lines of an item with what is under it, as they will be. */
export function linesOf(opened: OpenNote, item: Item): string[] {
  return Array.from({ length: item.lastLine - item.line + 1 }, (_, index) => opened.edits.wordsOf(item.line + index));
}

/** Whether another item begins on the same line, outside this one. */
export function sharesLine(opened: OpenNote, item: Item): boolean {
  return opened.structure.items[item.parent]?.line === item.line;
}
