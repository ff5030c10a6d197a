import { lineText } from '../note/blocks/lines';
import { type Item, LineKind } from '../note/blocks/structure';
import type { ReadNote } from '../task/reading/read-note';
import { readTail } from '../task/line/tail';
import type { Branch, Outline } from './branch';

/** Lines from one up to, and without, another; both from 0. */
export interface LineRange {
  from: number;
  to: number;
}

/**
 * A note as an outline: headings hold what stands below them up to the next of their level, items hold what is indented under them,
 * and plain lines stand as words. Front matter is left out.
 *
 * @param range only what begins in these lines; all of it when it is left out
 */
export function outlineOf(note: ReadNote, range: LineRange = { from: 0, to: Infinity }): Outline {
  const maker = new OutlineMaker(note);
  for (let line = Math.max(range.from, note.front.lineCount); line < Math.min(range.to, note.structure.kinds.length); line++)
    maker.take(line);
  return { path: note.path, title: note.title, branches: maker.branches };
}

/** Walks down a note line by line. */
class OutlineMaker {
  readonly branches: Branch[] = [];
  /** The headings that are open, outermost first. */
  private trail: Branch[] = [];
  /** The branch of each item that was met. */
  private readonly items = new Map<Item, Branch>();
  private nextItem = 0;
  private nextHeading = 0;
  private readonly taskOf: ReadonlyMap<number, ReadNote['tasks'][number]>;
  /** The innermost item whose lines are not at their end. */
  private inside: Item | null = null;

  constructor(private readonly note: ReadNote) {
    this.taskOf = new Map(note.tasks.map((task) => [task.item, task]));
  }

  take(line: number): void {
    const { items, headings, kinds } = this.note.structure;
    while ((items[this.nextItem]?.line ?? Infinity) < line) this.nextItem++;
    while ((headings[this.nextHeading]?.lastLine ?? Infinity) < line) this.nextHeading++;
    const heading = headings[this.nextHeading];
    if (heading && heading.line <= line && heading.topLevel) {
      if (heading.line === line) this.enter(heading.level, heading.words, line);
      return;
    }
    if (items[this.nextItem]?.line === line) {
      for (; items[this.nextItem]?.line === line; this.nextItem++) this.begin(items[this.nextItem] as Item, this.nextItem);
      return;
    }
    while (this.inside && this.inside.lastLine < line) this.inside = items[this.inside.parent] ?? null;
    const around = this.inside && this.items.get(this.inside);
    const words = lineText(this.note.lines, line);
    if (around && this.inside) (around.description as string[]).push(words.slice(Math.min(this.inside.column, indentOf(words))).trimEnd());
    else if (kinds[line] !== LineKind.blank)
      // Nothing ever stands under one: of a large note they are most of the branches.
      this.place({
        is: 'words',
        level: 0,
        path: this.note.path,
        line,
        words,
        task: null,
        clauses: NONE,
        description: NONE,
        branches: NO_BRANCHES,
      });
  }

  private enter(level: number, words: string, line: number): void {
    this.trail = this.trail.filter((one) => one.level < level);
    this.inside = null;
    const branch: Branch = {
      ...{ is: 'heading', path: this.note.path, level, line, words, task: null, clauses: NONE, description: NONE, branches: [] },
    };
    this.place(branch);
    this.trail.push(branch);
  }

  private begin(item: Item, index: number): void {
    const raw = lineText(this.note.lines, item.line);
    const task = this.taskOf.get(index) ?? null;
    const from = item.wordsFrom < 0 ? raw.length : item.wordsFrom;
    const tail = readTail(raw, from);
    const words = task ? task.text : raw.slice(from, tail?.from ?? raw.length).trim();
    const branch: Branch = {
      is: 'item',
      path: this.note.path,
      level: 0,
      line: item.line,
      words,
      task,
      clauses: tail?.clauses ?? [],
      description: [],
      branches: [],
    };
    this.items.set(item, branch);
    this.inside = item;
    const above = this.items.get(this.note.structure.items[item.parent] as Item);
    if (above) above.branches.push(branch);
    else this.place(branch);
  }

  private place(branch: Branch): void {
    (this.trail[this.trail.length - 1]?.branches ?? this.branches).push(branch);
  }
}

const NONE: readonly never[] = [];
const NO_BRANCHES: Branch[] = [];

const indentOf = (words: string): number => words.length - words.trimStart().length;
