import {
  BACKTICK,
  DASH,
  DOT,
  EQUALS,
  GREATER,
  HASH,
  LESS,
  PLUS,
  SPACE,
  STAR,
  TILDE,
  UNDERSCORE,
  beginsWords,
  headingWords,
  isDigit,
  mayOpen,
} from './block-signs';
import { BlockBuilder, Leaf, type OpenFence } from './block-builder';
import { DEEPEST } from './container-stack';
import { htmlBlockKind } from './html-block';
import { isSpace } from './line-cursor';
import type { Lines } from './lines';
import { LineKind, type Structure } from './structure';

/**
 * Finds the block structure of a text by the algorithm of CommonMark 0.31.2's appendix "A parsing
 * strategy". Lists have no node of their own: which items stand in one list follows from their markers.
 *
 * @param first the line to start at (after the front matter); the lines before are marked as such
 */
export function readStructure(lines: Lines, first = 0): Structure {
  return new BlockReader(lines, first).read();
}

class BlockReader extends BlockBuilder {
  constructor(
    lines: Lines,
    private readonly first: number,
  ) {
    super(lines, first);
  }

  read(): Structure {
    const count = this.lines.starts.length;
    for (let line = this.first; line < count; line++) if (!this.readPlainLine(line)) this.readLine(line);
    this.closeFrom(0, count);
    return this.structure;
  }

  /**
   * Reads a line of the kinds that most notes consist of: a blank one, words, a bullet before words, a line of code between fences,
   * indented by spaces alone. False for any other, and where something is open that could take it otherwise; then `readLine` reads
   * it. It finds the same, several times faster.
   */
  private readPlainLine(line: number): boolean {
    const { text, leaf, stack } = this;
    if (leaf > Leaf.fence || line === 0) return false;
    const start = this.lines.starts[line] as number;
    const end = this.lines.ends[line] as number;
    this.line = line;
    if (leaf === Leaf.fence) return this.readPlainCode(start, end);
    let from = start;
    while (from < end && text.charCodeAt(from) === SPACE) from++;
    if (from === end) {
      this.closeFrom(stack.goOnWhenBlank(), line);
      return true;
    }
    const code = text.charCodeAt(from);
    const isWords = beginsWords(code);
    if (isWords && leaf === Leaf.paragraph) {
      // They may leave out the marks of the containers around the paragraph.
      this.goOn(from, end);
      return true;
    }
    if (!isWords && !this.isPlainBullet(code, from, end)) return false;
    const matched = stack.goOnWhenIndented(from - start);
    const left = from - start - stack.indentOf(matched);
    if (left > 3 || matched >= DEEPEST) return false;
    this.closeFrom(matched, line);
    if (!isWords) this.pushItem(from - start, text.charAt(from), from - start + 2, left + 2);
    this.openParagraph(isWords ? from : from + 2, end);
    return true;
  }

  /** A bullet, one space, and words. */
  private isPlainBullet(code: number, at: number, end: number): boolean {
    if ((code !== DASH && code !== STAR && code !== PLUS) || at + 2 >= end) return false;
    return this.text.charCodeAt(at + 1) === SPACE && beginsWords(this.text.charCodeAt(at + 2));
  }

  /** A line between fences that stand in nothing else, when it is surely not the closing one. */
  private readPlainCode(start: number, end: number): boolean {
    const { fence, text } = this;
    if (!fence || this.stack.depth > 0) return false;
    const code = text.charCodeAt(start);
    if (start < end && (code === fence.sign || isSpace(code))) return false;
    fence.fence.lastLine = this.line;
    fence.body?.push(text.slice(start, end));
    this.mark(LineKind.code);
    this.touch();
    return true;
  }

  private readLine(line: number): void {
    this.begin(line);
    const matched = this.continueContainers();
    const leafOpen = matched === this.stack.depth && this.leaf !== Leaf.none;
    const leafGoesOn = leafOpen && this.continueLeaf();
    if (leafGoesOn === 'done') return;
    this.openBlocks(matched, leafGoesOn);
  }

  /** How many of the open containers go on in this line. */
  private continueContainers(): number {
    const { depth } = this.stack;
    let matched = 0;
    for (; matched < depth; matched++) {
      this.findNext();
      if (!this.continues(matched)) break;
    }
    return matched;
  }

  private continues(depth: number): boolean {
    const { stack } = this;
    if (!stack.items[depth]) {
      if (this.indent > 3 || this.codeAtNext() !== GREATER) return false;
      this.skipQuoteSign();
      return true;
    }
    if (this.blank) {
      if (!stack.hasChild[depth]) return false;
      this.toNext();
      return true;
    }
    const indent = stack.indents[depth] as number;
    if (this.indent < indent) return false;
    this.advanceColumns(indent);
    return true;
  }

  /** Whether the open leaf takes this line; 'done' when the line is spent on it. */
  private continueLeaf(): boolean | 'done' {
    this.findNext();
    switch (this.leaf) {
      case Leaf.paragraph:
        return !this.blank;
      case Leaf.html:
        return !(this.blank && this.htmlType >= 6);
      case Leaf.indented:
        if (this.indent >= 4) return true;
        return this.blank;
      case Leaf.fence:
        return this.fence !== null && this.continueFence(this.fence);
      case Leaf.none:
        return false;
    }
  }

  private continueFence({ fence, sign, length, indent }: OpenFence): true | 'done' {
    if (this.indent <= 3 && this.closesFence(sign, length)) {
      this.mark(LineKind.code);
      fence.closed = true;
      this.closeLeaf(this.line + 1);
      this.touch();
      return 'done';
    }
    for (let left = indent; left > 0 && isSpace(this.text.charCodeAt(this.at)) && this.at < this.end; left--) this.advanceColumns(1);
    return true;
  }

  private openBlocks(matched: number, leafGoesOn: boolean): void {
    const oldDepth = this.stack.depth;
    const paragraphOpen = this.leaf === Leaf.paragraph;
    const inParagraph = leafGoesOn && paragraphOpen;
    const lazyPossible = paragraphOpen && !leafGoesOn;
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
        if (!(fresh && paragraphOpen) && !this.blank) {
          if (fresh) this.closeFrom(matched, this.line);
          this.openLeaf(Leaf.indented);
          this.mark(LineKind.code);
          return;
        }
        break;
      }
      if (this.blank || !mayOpen(code)) break;
      if (code === GREATER) {
        if ((fresh ? matched : this.stack.depth) >= DEEPEST) break;
        if (fresh) this.closeFrom(matched, this.line);
        this.skipQuoteSign();
        this.stack.push(null, -1, 0);
        this.touch();
      } else if (this.opensLeaf(code, matched, fresh, interrupting, lazyPossible)) {
        return;
      } else if (!this.opensItem(code, matched, fresh, interrupting)) {
        break;
      }
      fresh = false;
      interrupting = false;
    }
    if (fresh && !this.blank && paragraphOpen) {
      // A paragraph goes on, also lazily: in a line that leaves out the marks of its containers.
      this.goOn(this.next, this.end);
      return;
    }
    if (fresh) this.closeFrom(matched, this.line, oldDepth === matched && leafGoesOn);
    if (!this.blank) this.openParagraph(this.next, this.end);
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
      this.openLeaf(Leaf.html);
      this.htmlType = type;
      this.takeRawLine();
      return true;
    }
    if (interrupting && (code === EQUALS || code === DASH) && this.isUnderline(code)) {
      if (this.underlineHeading(code === EQUALS ? 1 : 2)) return true;
    }
    if ((code === STAR || code === DASH || code === UNDERSCORE) && this.isRule(code)) {
      if (fresh) this.closeFrom(matched, this.line);
      this.stack.child();
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
    const kept = fresh ? matched : this.stack.depth;
    if (kept >= DEEPEST) return false;
    if (fresh) this.closeFrom(matched, this.line);
    const markerIndent = this.indent;
    const markerFrom = this.offset(this.next);
    const markerColumn = this.column + this.indent;
    this.toNext();
    this.advanceColumns(width);
    const padding = width + this.skipAfterMarker();
    this.pushItem(markerFrom, this.text.slice(after - width, after), markerColumn + padding, markerIndent + padding);
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

  private closesFence(sign: number, length: number): boolean {
    if (this.codeAtNext() !== sign) return false;
    const run = this.runLength(this.next, sign);
    return run >= length && this.isBlankFrom(this.next + run);
  }
}
