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

/** Beyond so many characters the lines are counted first: lists that grow to their length cost more than counting. */
const LONG = 100_000;

/** Splits a text without changing it. A text with a last line ending has one more, empty, line. */
export function splitLines(text: string): Lines {
  const hasCarriage = text.indexOf('\r') !== -1;
  const count = text.length > LONG ? countLines(text, hasCarriage) : 0;
  const starts = new Array<number>(count);
  const ends = new Array<number>(count);
  let line = 0;
  for (let start = 0; ; line++) {
    starts[line] = start;
    const at = breakFrom(text, start, hasCarriage);
    if (at === -1) {
      ends[line] = text.length;
      return { text, starts, ends };
    }
    ends[line] = at;
    start = afterBreak(text, at);
  }
}

function countLines(text: string, hasCarriage: boolean): number {
  let count = 1;
  for (let at = breakFrom(text, 0, hasCarriage); at !== -1; at = breakFrom(text, afterBreak(text, at), hasCarriage)) count++;
  return count;
}

const breakFrom = (text: string, from: number, hasCarriage: boolean): number =>
  hasCarriage ? nextBreak(text, from) : text.indexOf('\n', from);

const afterBreak = (text: string, at: number): number => (text.charCodeAt(at) === CR && text.charCodeAt(at + 1) === LF ? at + 2 : at + 1);

function nextBreak(text: string, from: number): number {
  for (let at = from; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === LF || code === CR) return at;
  }
  return -1;
}

/** The ending of line `index` (from 0) as it is written; empty behind the last one. */
export const lineEnding = ({ text, starts, ends }: Lines, index: number): string =>
  text.slice(ends[index], starts[index + 1] ?? text.length);

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
