import { ContainerStack } from './container-stack';
import { closesHtmlBlock } from './html-block';
import { LineCursor } from './line-cursor';
import { type Lines, hasMark } from './lines';
import { OpenParagraph } from './open-paragraph';
import { referenceDefinitionsLength } from './reference-definition';
import { type Fence, type Heading, type Item, LineKind, type Structure } from './structure';

/** What takes the lines that open no block of their own. */
export const Leaf = { none: 0, paragraph: 1, fence: 2, indented: 3, html: 4 } as const;
export type Leaf = (typeof Leaf)[keyof typeof Leaf];

/** An open fenced code block. */
export interface OpenFence {
  fence: Fence;
  sign: number;
  length: number;
  indent: number;
  /** Its lines so far; null for code that Recado does not read. */
  body: string[] | null;
}

/** What is open at a line, and what was found up to it: opens and closes blocks as the reader of lines says. */
export class BlockBuilder extends LineCursor {
  protected readonly structure: Structure;
  protected readonly stack = new ContainerStack();
  protected leaf: Leaf = Leaf.none;
  protected fence: OpenFence | null = null;
  protected htmlType = 0;
  private readonly paragraph: OpenParagraph;

  constructor(lines: Lines, first: number) {
    super(lines);
    this.paragraph = new OpenParagraph(lines.text);
    this.structure = {
      kinds: new Uint8Array(lines.starts.length),
      items: [],
      headings: [],
      fences: [],
    };
    if (first > 0) this.structure.kinds.fill(LineKind.frontMatter, 0, first);
  }

  /** Adds a line to the open paragraph. */
  protected goOn(from: number, to: number): void {
    this.paragraph.add(from, to);
    this.mark(LineKind.text);
    this.touch();
  }

  protected openParagraph(from: number, to: number): void {
    this.openLeaf(Leaf.paragraph);
    this.paragraph.begin(this.line);
    this.goOn(from, to);
    const item = this.stack.item;
    if (item && item.line === this.line && item.wordsFrom === -1) item.wordsFrom = this.offset(from);
  }

  /** Where a place of the text stands in the words of its line. */
  protected offset(at: number): number {
    return at - (this.lines.starts[this.line] as number) - (hasMark(this.lines, this.line) ? 1 : 0);
  }

  protected pushItem(markerFrom: number, marker: string, column: number, indent: number): void {
    const { stack, structure } = this;
    const { items } = structure;
    const parent = stack.innermostItem();
    const { line } = this;
    const depth = parent === -1 ? 0 : (items[parent] as Item).depth + 1;
    const item: Item = { line, lastLine: line, markerFrom, marker, wordsFrom: -1, column, depth, parent };
    stack.push(item, items.push(item) - 1, indent);
    this.mark(LineKind.text);
    this.touch();
  }

  protected openFence(sign: number, length: number, info: string): void {
    const fence: Fence = {
      line: this.line,
      lastLine: this.line,
      closed: false,
      info,
      body: '',
      topLevel: this.stack.depth === 0,
    };
    this.structure.fences.push(fence);
    // Only what Recado reads is kept: other code is nobody's business here.
    const body = info.startsWith('gather') ? [] : null;
    this.openLeaf(Leaf.fence);
    this.fence = { fence, sign, length, indent: this.indent, body };
    this.mark(LineKind.code);
    this.touch();
  }

  /** Takes a line into code or HTML as it stands. */
  protected takeRawLine(): void {
    const { leaf, fence, htmlType } = this;
    if (leaf === Leaf.html) {
      this.mark(LineKind.html);
      this.touch();
      if (htmlType <= 5 && closesHtmlBlock(htmlType, this.text.slice(this.at, this.end))) this.leaf = Leaf.none;
      return;
    }
    this.mark(this.blank && leaf === Leaf.indented ? LineKind.blank : LineKind.code);
    if (leaf === Leaf.fence && fence) {
      fence.fence.lastLine = this.line;
      fence.body?.push(this.text.slice(this.at, this.end));
      this.touch();
    } else if (!this.blank) this.touch();
  }

  /** Makes the open paragraph a heading; false when it holds nothing but reference definitions. */
  protected underlineHeading(level: number): boolean {
    if (this.leaf !== Leaf.paragraph) return false;
    const { words: whole, line: first, lineCount } = this.paragraph;
    const words = whole.slice(referenceDefinitionsLength(whole)).trim();
    if (words === '') return false;
    const line = first + lineCount - words.split('\n').length;
    this.leaf = Leaf.none;
    this.structure.kinds.fill(LineKind.heading, line, this.line);
    this.addHeading(line, this.line, level, words.replace(/[ \t]*\n[ \t]*/g, ' '));
    return true;
  }

  protected addHeading(line: number, lastLine: number, level: number, words: string): void {
    const heading: Heading = { line, lastLine, level, words, topLevel: this.stack.depth === 0 };
    this.structure.headings.push(heading);
    this.stack.child();
    this.mark(LineKind.heading);
    this.touch();
  }

  protected openLeaf(leaf: Leaf): void {
    this.stack.child();
    this.leaf = leaf;
    this.touch();
  }

  /** Every item around the cursor reaches at least to this line. */
  protected touch(): void {
    this.stack.touched = this.line;
  }

  /** Closes the open leaf and every container from `depth` on. */
  protected closeFrom(depth: number, line: number, keepLeaf = false): void {
    if (!keepLeaf) this.closeLeaf(line);
    this.stack.cut(depth);
  }

  protected closeLeaf(line: number): void {
    const { leaf } = this;
    this.leaf = Leaf.none;
    if (leaf === Leaf.paragraph) this.closeParagraph();
    else if (leaf === Leaf.fence && this.fence) {
      const { fence, body } = this.fence;
      fence.lastLine = Math.max(fence.lastLine, fence.closed ? line - 1 : fence.lastLine);
      fence.body = body?.join('\n') ?? '';
      this.fence = null;
    }
  }

  /** A paragraph of nothing but reference definitions is none: an item that held only it is empty again. */
  private closeParagraph(): void {
    const { paragraph, stack } = this;
    if (stack.item?.line !== paragraph.line || !paragraph.mayDefine) return;
    const { words } = paragraph;
    if (referenceDefinitionsLength(words) >= words.length) stack.child(false);
  }

  protected mark(kind: LineKind): void {
    this.structure.kinds[this.line] = kind;
  }
}
