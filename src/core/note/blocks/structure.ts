/** What a line of a note is, as far as the block structure of CommonMark 0.31.2 tells. */
export const LineKind = {
  blank: 0,
  text: 1,
  heading: 2,
  code: 3,
  html: 4,
  rule: 5,
  frontMatter: 6,
} as const;
export type LineKind = (typeof LineKind)[keyof typeof LineKind];

/** A list item. Lines count from 0; offsets are UTF-16 units into the line's words. */
export interface Item {
  line: number;
  /** The last line that belongs to the item; never a blank one after its words. */
  lastLine: number;
  /** Where its list marker stands. */
  markerFrom: number;
  /** The marker as written: `-`, `*`, `+`, `1.` or `1)`. */
  marker: string;
  /** Where the words of its first line begin; -1 when that line starts with no paragraph. */
  wordsFrom: number;
  /** The column (tabs expanded to 4) at which what belongs to it must stand. */
  column: number;
  /** How many list items are around it. */
  depth: number;
  /** The index of the item it is nested in; -1 at the top. */
  parent: number;
}

export interface Heading {
  line: number;
  /** The last line: the underline of a heading that has one, else `line`. */
  lastLine: number;
  /** 1 to 6. */
  level: number;
  /** Its words, without signs and underline. */
  words: string;
  /** Whether it stands in no list item and no quote. */
  topLevel: boolean;
}

/** A fenced code block. */
export interface Fence {
  /** The line of the opening fence. */
  line: number;
  /** The line of the closing fence, or the last line when none closes it. */
  lastLine: number;
  closed: boolean;
  /** The info string, trimmed. */
  info: string;
  /** The lines inside, without what indents or quotes them. */
  body: string;
  topLevel: boolean;
}

/** The block structure of a text: what is an item, a heading, code or HTML. */
export interface Structure {
  /** One `LineKind` a line. */
  kinds: Uint8Array;
  items: Item[];
  headings: Heading[];
  fences: Fence[];
}

/** The innermost item that holds a line (from 0), its own or one under it; undefined when none does. */
export function itemHolding({ items }: Structure, line: number): Item | undefined {
  // The last item that begins no later, or one around it.
  let from = 0;
  let to = items.length;
  while (from < to) {
    const middle = (from + to) >> 1;
    if ((items[middle] as Item).line <= line) from = middle + 1;
    else to = middle;
  }
  let item = items[from - 1];
  while (item && item.lastLine < line) item = items[item.parent];
  return item;
}
