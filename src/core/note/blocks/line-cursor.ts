import { type Lines, hasMark } from './lines';

const TAB = 9;
const SPACE = 32;

/** A space or a tab: the white space inside a line. */
export const isSpace = (code: number): boolean => code === SPACE || code === TAB;

/** Steps through one line after the other, counting columns with tabs as wide as to the next multiple of four. */
export class LineCursor {
  protected readonly text: string;
  protected line = 0;
  /** Absolute offsets: of the line's start, of the cursor, of the line's end. */
  protected start = 0;
  protected at = 0;
  protected end = 0;
  /** The cursor's column, and the columns of a tab that are left when it stands inside one. */
  protected column = 0;
  protected tabRest = 0;
  /** The next character that is no space: where, and how many columns from the cursor. */
  protected next = 0;
  protected indent = 0;
  protected blank = false;
  /** The column of the next character that is no space; -1 when it was not looked for in this line yet. */
  private nextColumn = -1;

  constructor(protected readonly lines: Lines) {
    this.text = lines.text;
  }

  /** Goes to the start of a line. */
  protected begin(line: number): void {
    this.line = line;
    this.start = this.lines.starts[line] ?? 0;
    this.end = this.lines.ends[line] ?? 0;
    this.at = this.start + (hasMark(this.lines, line) ? 1 : 0);
    this.column = 0;
    this.tabRest = 0;
    this.nextColumn = -1;
  }

  protected findNext(): void {
    // Only white space lies between the cursor and what was found: many containers ask, and a deep line is long.
    if (this.nextColumn !== -1 && this.at <= this.next) {
      this.indent = this.nextColumn - this.column;
      return;
    }
    let at = this.at;
    let column = this.column;
    if (this.tabRest > 0) {
      column += this.tabRest;
      at++;
    }
    for (; at < this.end; at++) {
      const code = this.text.charCodeAt(at);
      if (code === SPACE) column++;
      else if (code === TAB) column += 4 - (column % 4);
      else break;
    }
    this.next = at;
    this.nextColumn = column;
    this.indent = column - this.column;
    this.blank = at >= this.end;
  }

  protected toNext(): void {
    this.at = this.next;
    this.column += this.indent;
    this.tabRest = 0;
  }

  /** Moves the cursor by columns; it may come to stand inside a tab. */
  protected advanceColumns(count: number): void {
    let left = count;
    while (left > 0 && this.at < this.end) {
      if (this.text.charCodeAt(this.at) === TAB) {
        const rest = this.tabRest > 0 ? this.tabRest : 4 - (this.column % 4);
        const step = Math.min(rest, left);
        this.column += step;
        left -= step;
        this.tabRest = rest - step;
        if (this.tabRest === 0) this.at++;
      } else {
        this.column++;
        this.at++;
        left--;
      }
    }
  }

  protected skipQuoteSign(): void {
    this.toNext();
    this.at++;
    this.column++;
    if (this.at < this.end && isSpace(this.text.charCodeAt(this.at))) this.advanceColumns(1);
  }

  protected codeAtNext(): number {
    return this.next < this.end ? this.text.charCodeAt(this.next) : -1;
  }

  protected runLength(from: number, sign: number): number {
    let at = from;
    while (at < this.end && this.text.charCodeAt(at) === sign) at++;
    return at - from;
  }

  protected isBlankFrom(from: number): boolean {
    for (let at = from; at < this.end; at++) if (!isSpace(this.text.charCodeAt(at))) return false;
    return true;
  }

  protected isUnderline(sign: number): boolean {
    return this.isBlankFrom(this.next + this.runLength(this.next, sign));
  }

  protected isRule(sign: number): boolean {
    let count = 0;
    for (let at = this.next; at < this.end; at++) {
      const code = this.text.charCodeAt(at);
      if (code === sign) count++;
      else if (!isSpace(code)) return false;
    }
    return count >= 3;
  }
}
