const LF = 10;
const CR = 13;

/** A text seen as lines; positions are UTF-16 offsets into `text`. Line endings are LF, CRLF or CR. */
export interface Lines {
  text: string;
  /** Where each line starts. */
  starts: number[];
  /** Where each line's words end, before its ending. */
  ends: number[];
}

/** Splits a text without changing it. A text with a last line ending has one more, empty, line. */
export function splitLines(text: string): Lines {
  const starts: number[] = [];
  const ends: number[] = [];
  const hasCarriage = text.indexOf('\r') !== -1;
  let start = 0;
  for (;;) {
    starts.push(start);
    const at = hasCarriage ? nextBreak(text, start) : text.indexOf('\n', start);
    if (at === -1) {
      ends.push(text.length);
      return { text, starts, ends };
    }
    ends.push(at);
    start = text.charCodeAt(at) === CR && text.charCodeAt(at + 1) === LF ? at + 2 : at + 1;
  }
}

function nextBreak(text: string, from: number): number {
  for (let at = from; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === LF || code === CR) return at;
  }
  return -1;
}

/** The words of line `index` (from 0), without its ending and without a byte-order mark. */
export function lineText(lines: Lines, index: number): string {
  const start = lines.starts[index];
  const end = lines.ends[index];
  if (start === undefined || end === undefined) return '';
  return lines.text.slice(start + (hasMark(lines, index) ? 1 : 0), end);
}

/** Whether line `index` begins with a byte-order mark, which is no part of its words. */
export function hasMark(lines: Lines, index: number): boolean {
  return index === 0 && lines.text.charCodeAt(0) === 0xfeff;
}
