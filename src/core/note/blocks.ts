import {
  BACKTICK,
  DASH,
  DOT,
  EQUALS,
  GREATER,
  HASH,
  LESS,
  OPEN_BRACKET,
  PLUS,
  STAR,
  TILDE,
  UNDERSCORE,
  headingWords,
  isDigit,
  mayOpen,
} from './block-signs';
import { closesHtmlBlock, htmlBlockKind } from './html-block';
import { LineCursor, isSpace } from './line-cursor';
import { type Lines, hasMark } from './lines';
import { referenceDefinitionsLength } from './reference-definition';
import { type Fence, type Heading, type Item, LineKind, type Structure } from './structure';

/** Deeper lists are text: no person writes them, and the cost of a line grows with its depth. */
const DEEPEST = 100;

interface Container {
  /** Null for a block quote. */
  item: Item | null;
  /** The item's place in the structure; -1 for a quote. */
  index: number;
  /** For an item: how far its content is indented from where its container's content starts. */
  indent: number;
  hasChild: boolean;
}

type Leaf =
  | { kind: 'none' }
  | { kind: 'paragraph'; line: number; from: number[]; to: number[] }
  | { kind: 'fence'; fence: Fence; sign: number; length: number; indent: number; body: string[] | null }
  | { kind: 'indented' }
  | { kind: 'html'; type: number };

const NO_LEAF: Leaf = { kind: 'none' };

/**
 * Finds the block structure of a text by the algorithm of CommonMark 0.31.2's appendix "A parsing
 * strategy". Lists have no node of their own: which items stand in one list follows from their markers.
 *
 * @param first the line to start at (after the front matter); the lines before are marked as such
 */
export function readStructure(lines: Lines, first = 0): Structure {
  return new BlockReader(lines, first).read();
}

class BlockReader extends LineCursor {
  private readonly structure: Structure;
  private readonly stack: Container[] = [];
  private leaf: Leaf = NO_LEAF;

  constructor(
    lines: Lines,
    private readonly first: number,
  ) {
    super(lines);
    this.structure = {
      kinds: new Uint8Array(lines.starts.length),
      items: [],
      headings: [],
      fences: [],
    };
    this.structure.kinds.fill(LineKind.frontMatter, 0, first);
  }

  read(): Structure {
    const count = this.lines.starts.length;
    for (let line = this.first; line < count; line++) this.readLine(line);
    this.closeFrom(0, count);
    return this.structure;
  }

  private readLine(line: number): void {
    this.begin(line);
    const matched = this.continueContainers();
    const leafOpen = matched === this.stack.length && this.leaf.kind !== 'none';
    const leafGoesOn = leafOpen && this.continueLeaf();
    if (leafGoesOn === 'done') return;
    this.openBlocks(matched, leafGoesOn);
  }

  /** How many of the open containers go on in this line. */
  private continueContainers(): number {
    let matched = 0;
    for (; matched < this.stack.length; matched++) {
      const container = this.stack[matched];
      this.findNext();
      if (!container || !this.continues(container)) break;
    }
    return matched;
  }

  private continues(container: Container): boolean {
    if (!container.item) {
      if (this.indent > 3 || this.codeAtNext() !== GREATER) return false;
      this.skipQuoteSign();
      return true;
    }
    if (this.blank) {
      if (!container.hasChild) return false;
      this.toNext();
      return true;
    }
    if (this.indent < container.indent) return false;
    this.advanceColumns(container.indent);
    return true;
  }

  /** Whether the open leaf takes this line; 'done' when the line is spent on it. */
  private continueLeaf(): boolean | 'done' {
    const leaf = this.leaf;
    this.findNext();
    switch (leaf.kind) {
      case 'paragraph':
        return !this.blank;
      case 'html':
        return !(this.blank && leaf.type >= 6);
      case 'indented':
        if (this.indent >= 4) return true;
        return this.blank;
      case 'fence':
        if (this.indent <= 3 && this.closesFence(leaf.sign, leaf.length)) {
          this.mark(LineKind.code);
          leaf.fence.closed = true;
          this.closeLeaf(this.line + 1);
          this.touch();
          return 'done';
        }
        for (let i = leaf.indent; i > 0 && isSpace(this.text.charCodeAt(this.at)) && this.at < this.end; i--) this.advanceColumns(1);
        return true;
      case 'none':
        return false;
    }
  }

  private openBlocks(matched: number, leafGoesOn: boolean): void {
    const oldDepth = this.stack.length;
    const inParagraph = leafGoesOn && this.leaf.kind === 'paragraph';
    const lazyPossible = this.leaf.kind === 'paragraph' && !leafGoesOn;
    /** Nothing new was opened yet, so that a paragraph left behind may still take the line. */
    let fresh = true;
    if (leafGoesOn && !inParagraph) {
      this.takeRawLine();
      return;
    }
    let interrupting = inParagraph;
    for (;;) {
      this.findNext();
      const code = this.codeAtNext();
      if (this.indent >= 4) {
        const paragraphOpen = fresh ? this.leaf.kind === 'paragraph' : false;
        if (!paragraphOpen && !this.blank) {
          if (fresh) this.closeFrom(matched, this.line);
          this.openLeaf({ kind: 'indented' });
          this.mark(LineKind.code);
          return;
        }
        break;
      }
      if (this.blank || !mayOpen(code)) break;
      if (code === GREATER) {
        if ((fresh ? matched : this.stack.length) >= DEEPEST) break;
        if (fresh) this.closeFrom(matched, this.line);
        this.skipQuoteSign();
        this.push({ item: null, index: -1, indent: 0, hasChild: false });
      } else if (this.opensLeaf(code, matched, fresh, interrupting, lazyPossible)) {
        return;
      } else if (!this.opensItem(code, matched, fresh, interrupting)) {
        break;
      }
      fresh = false;
      interrupting = false;
    }
    if (fresh && !this.blank && this.leaf.kind === 'paragraph') {
      // A paragraph goes on, also lazily: in a line that leaves out the marks of its containers.
      this.leaf.from.push(this.next);
      this.leaf.to.push(this.end);
      this.mark(LineKind.text);
      this.touch();
      return;
    }
    if (fresh) this.closeFrom(matched, this.line, oldDepth === matched && leafGoesOn);
    if (this.blank) return;
    this.openLeaf({ kind: 'paragraph', line: this.line, from: [this.next], to: [this.end] });
    this.mark(LineKind.text);
    this.noteWords();
  }

  /** Opens a heading, fence, HTML block or rule when the line says so. */
  private opensLeaf(code: number, matched: number, fresh: boolean, interrupting: boolean, lazyPossible: boolean): boolean {
    if (code === HASH) {
      const level = this.runLength(this.next, HASH);
      const after = this.next + level;
      if (level > 6 || (after < this.end && !isSpace(this.text.charCodeAt(after)))) return false;
      if (fresh) this.closeFrom(matched, this.line);
      this.addHeading(this.line, this.line, level, headingWords(this.text.slice(after, this.end)));
      return true;
    }
    if (code === BACKTICK || code === TILDE) {
      const length = this.runLength(this.next, code);
      if (length < 3) return false;
      const info = this.text.slice(this.next + length, this.end);
      if (code === BACKTICK && info.includes('`')) return false;
      if (fresh) this.closeFrom(matched, this.line);
      this.openFence(code, length, info.trim());
      return true;
    }
    if (code === LESS) {
      const words = this.text.slice(this.next, this.end);
      const type = htmlBlockKind(words);
      if (type === 0 || (type === 7 && (interrupting || (fresh && lazyPossible)))) return false;
      if (fresh) this.closeFrom(matched, this.line);
      this.openLeaf({ kind: 'html', type });
      this.takeRawLine();
      return true;
    }
    if (interrupting && (code === EQUALS || code === DASH) && this.isUnderline(code)) {
      if (this.underlineHeading(code === EQUALS ? 1 : 2)) return true;
    }
    if ((code === STAR || code === DASH || code === UNDERSCORE) && this.isRule(code)) {
      if (fresh) this.closeFrom(matched, this.line);
      this.child();
      this.mark(LineKind.rule);
      this.touch();
      return true;
    }
    return false;
  }

  /** Opens a list item when the line says so (CommonMark §5.2). */
  private opensItem(code: number, matched: number, fresh: boolean, interrupting: boolean): boolean {
    const width = this.markerWidth(code, interrupting);
    if (width === 0) return false;
    const after = this.next + width;
    if (after < this.end && !isSpace(this.text.charCodeAt(after))) return false;
    if (interrupting && this.isBlankFrom(after)) return false;
    const kept = fresh ? matched : this.stack.length;
    if (kept >= DEEPEST) return false;
    if (fresh) this.closeFrom(matched, this.line);
    const markerIndent = this.indent;
    const markerFrom = this.next - this.start;
    const markerColumn = this.column + this.indent;
    this.toNext();
    this.advanceColumns(width);
    const padding = width + this.skipAfterMarker();
    const parent = this.innermostItem();
    const item: Item = {
      line: this.line,
      lastLine: this.line,
      markerFrom: markerFrom - (hasMark(this.lines, this.line) ? 1 : 0),
      marker: this.text.slice(after - width, after),
      wordsFrom: -1,
      column: markerColumn + padding,
      depth: parent === -1 ? 0 : (this.structure.items[parent]?.depth ?? 0) + 1,
      parent,
    };
    const index = this.structure.items.push(item) - 1;
    this.push({ item, index, indent: markerIndent + padding, hasChild: false });
    this.mark(LineKind.text);
    return true;
  }

  private markerWidth(code: number, interrupting: boolean): number {
    if (code === DASH || code === STAR || code === PLUS) return 1;
    if (!isDigit(code)) return 0;
    let at = this.next;
    while (at < this.end && at - this.next < 10 && isDigit(this.text.charCodeAt(at))) at++;
    const digits = at - this.next;
    const sign = this.text.charCodeAt(at);
    if (digits > 9 || at >= this.end || (sign !== DOT && sign !== 41)) return 0;
    if (interrupting && Number(this.text.slice(this.next, at)) !== 1) return 0;
    return digits + 1;
  }

  /** Steps over the white space after a marker; how many columns of it belong to the marker. */
  private skipAfterMarker(): number {
    const { at, column, tabRest } = this;
    this.findNext();
    if (this.blank || this.indent >= 5 || this.indent < 1) {
      this.at = at;
      this.column = column;
      this.tabRest = tabRest;
      if (this.at < this.end) this.advanceColumns(1);
      return 1;
    }
    const width = this.indent;
    this.toNext();
    return width;
  }

  private openFence(sign: number, length: number, info: string): void {
    const fence: Fence = {
      line: this.line,
      lastLine: this.line,
      closed: false,
      info,
      body: '',
      topLevel: this.stack.length === 0,
    };
    this.structure.fences.push(fence);
    // Only what Recado reads is kept: other code is nobody's business here.
    const body = info.startsWith('gather') ? [] : null;
    this.openLeaf({ kind: 'fence', fence, sign, length, indent: this.indent, body });
    this.mark(LineKind.code);
    this.touch();
  }

  private closesFence(sign: number, length: number): boolean {
    if (this.codeAtNext() !== sign) return false;
    const run = this.runLength(this.next, sign);
    return run >= length && this.isBlankFrom(this.next + run);
  }

  /** Takes a line into code or HTML as it stands. */
  private takeRawLine(): void {
    const leaf = this.leaf;
    if (leaf.kind === 'html') {
      this.mark(LineKind.html);
      this.touch();
      if (leaf.type <= 5 && closesHtmlBlock(leaf.type, this.text.slice(this.at, this.end))) this.leaf = NO_LEAF;
      return;
    }
    this.mark(this.blank && leaf.kind === 'indented' ? LineKind.blank : LineKind.code);
    if (leaf.kind === 'fence') {
      leaf.fence.lastLine = this.line;
      leaf.body?.push(this.text.slice(this.at, this.end));
      this.touch();
    } else if (!this.blank) this.touch();
  }

  /** Makes the open paragraph a heading; false when it holds nothing but reference definitions. */
  private underlineHeading(level: number): boolean {
    if (this.leaf.kind !== 'paragraph') return false;
    const whole = this.paragraphWords(this.leaf);
    const words = whole.slice(referenceDefinitionsLength(whole)).trim();
    if (words === '') return false;
    const line = this.leaf.line + (this.leaf.from.length - words.split('\n').length);
    this.leaf = NO_LEAF;
    this.structure.kinds.fill(LineKind.heading, line, this.line);
    this.addHeading(line, this.line, level, words.replace(/[ \t]*\n[ \t]*/g, ' '));
    return true;
  }

  private addHeading(line: number, lastLine: number, level: number, words: string): void {
    const heading: Heading = { line, lastLine, level, words, topLevel: this.stack.length === 0 };
    this.structure.headings.push(heading);
    this.child();
    this.mark(LineKind.heading);
    this.touch();
  }

  private push(container: Container): void {
    this.child();
    this.stack.push(container);
    this.touch();
  }

  private openLeaf(leaf: Leaf): void {
    this.child();
    this.leaf = leaf;
    this.touch();
  }

  private innermost(): Container | undefined {
    const depth = this.stack.length;
    // Asking an array for its element -1 is many times dearer than the comparison.
    return depth === 0 ? undefined : this.stack[depth - 1];
  }

  /** The innermost container now holds something. */
  private child(): void {
    const container = this.innermost();
    if (container) container.hasChild = true;
  }

  /** Every item around the cursor reaches at least to this line. */
  private touch(): void {
    for (const container of this.stack) if (container.item) container.item.lastLine = this.line;
  }

  private noteWords(): void {
    const item = this.innermost()?.item;
    if (item && item.line === this.line && item.wordsFrom === -1) {
      item.wordsFrom = this.next - this.start - (hasMark(this.lines, this.line) ? 1 : 0);
    }
  }

  /** Closes the open leaf and every container from `depth` on. */
  private closeFrom(depth: number, line: number, keepLeaf = false): void {
    if (!keepLeaf) this.closeLeaf(line);
    while (this.stack.length > depth) this.stack.pop();
  }

  private closeLeaf(line: number): void {
    const leaf = this.leaf;
    if (leaf.kind === 'fence') {
      leaf.fence.lastLine = Math.max(leaf.fence.lastLine, leaf.fence.closed ? line - 1 : leaf.fence.lastLine);
      leaf.fence.body = leaf.body?.join('\n') ?? '';
    } else if (leaf.kind === 'paragraph' && this.text.charCodeAt(leaf.from[0] ?? 0) === OPEN_BRACKET) {
      const whole = this.paragraphWords(leaf);
      const container = this.innermost();
      // A paragraph of nothing but definitions is none: an item that held only it is empty again.
      if (container && referenceDefinitionsLength(whole) >= whole.length && container.item?.line === leaf.line) container.hasChild = false;
    }
    this.leaf = NO_LEAF;
  }

  /** The lines of a paragraph as one text. */
  private paragraphWords({ from, to }: Extract<Leaf, { kind: 'paragraph' }>): string {
    return from.map((start, index) => this.text.slice(start, to[index])).join('\n');
  }

  private innermostItem(): number {
    for (let depth = this.stack.length - 1; depth >= 0; depth--) {
      const index = this.stack[depth]?.index ?? -1;
      if (index !== -1) return index;
    }
    return -1;
  }

  private mark(kind: LineKind): void {
    this.structure.kinds[this.line] = kind;
  }
}
