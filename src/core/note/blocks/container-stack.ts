import type { Item } from './structure';

/** Deeper lists are text: no person writes them, and the cost of a line grows with its depth. */
export const DEEPEST = 100;

/** The open containers of a line, the innermost last: list items and block quotes. As lists of their own fields, because every line asks. */
export class ContainerStack {
  depth = 0;
  /** Null for a block quote. */
  readonly items: (Item | null)[] = [];
  /** For an item: how far its content is indented from where its container's content starts. */
  readonly indents: number[] = [];
  readonly hasChild: boolean[] = [];
  /** The last line that belongs to everything that is open. */
  touched = 0;
  /** The item's place in the structure; -1 for a quote. */
  private readonly indexes: number[] = [];

  push(item: Item | null, index: number, indent: number): void {
    this.child();
    const at = this.depth++;
    this.items[at] = item;
    this.indexes[at] = index;
    this.indents[at] = indent;
    this.hasChild[at] = false;
  }

  /** Closes every container from a depth on. */
  cut(depth: number): void {
    for (let at = depth; at < this.depth; at++) {
      const item = this.items[at];
      if (item) item.lastLine = this.touched;
    }
    if (this.depth > depth) this.depth = depth;
  }

  /** How many containers go on in a blank line: items that hold something. */
  goOnWhenBlank(): number {
    let at = 0;
    while (at < this.depth && this.items[at] && this.hasChild[at]) at++;
    return at;
  }

  /** How many containers go on in a line that is indented by spaces, and begins with no sign of a quote. */
  goOnWhenIndented(spaces: number): number {
    let left = spaces;
    let at = 0;
    for (; at < this.depth && this.items[at]; at++) {
      const indent = this.indents[at] as number;
      if (left < indent) break;
      left -= indent;
    }
    return at;
  }

  /** By how much the first so many containers indent together what they hold. */
  indentOf(count: number): number {
    let indent = 0;
    for (let at = 0; at < count; at++) indent += this.indents[at] as number;
    return indent;
  }

  /** The item that is the innermost container; null when that is a quote, or there is none. */
  get item(): Item | null {
    return this.depth === 0 ? null : (this.items[this.depth - 1] as Item | null);
  }

  /** The innermost container holds something now, or nothing any more. */
  child(holds = true): void {
    if (this.depth > 0) this.hasChild[this.depth - 1] = holds;
  }

  /** The place of the innermost item in the structure, whatever quotes stand in it; -1 when there is none. */
  innermostItem(): number {
    for (let at = this.depth - 1; at >= 0; at--) {
      const index = this.indexes[at] as number;
      if (index !== -1) return index;
    }
    return -1;
  }
}
