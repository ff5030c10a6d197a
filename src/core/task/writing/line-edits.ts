import { type Lines, lineText } from '../../note/blocks/lines';
import { type Change, differencesOf, wordsStart } from './edit';

/**
 * Collects what an action does to the lines of a text and turns it into the smallest changes: other bytes, and every
 * line's own ending, stay. Lines are named by their place in the text as it was.
 */
export class LineEdits {
  private readonly words = new Map<number, string>();
  private readonly inserted = new Map<number, string[]>();
  private readonly removed = new Set<number>();

  constructor(private readonly lines: Lines) {}

  /** The words of a line as they will be. */
  wordsOf(line: number): string {
    return this.words.get(line) ?? lineText(this.lines, line);
  }

  set(line: number, words: string): void {
    this.words.set(line, words);
  }

  /** Puts lines before a line; `lines.starts.length` is the end of the text. Later calls go below earlier ones. */
  insertBefore(line: number, words: readonly string[]): void {
    const present = this.inserted.get(line);
    if (present) for (const one of words) present.push(one);
    else this.inserted.set(line, [...words]);
  }

  /** What is put before a line. */
  insertedBefore(line: number): readonly string[] {
    return this.inserted.get(line) ?? [];
  }

  /** Where lines of the text as it was stand afterwards. */
  places(): (line: number) => number {
    const shifts = new Map<number, number>();
    const shift = (line: number, by: number): void => void shifts.set(line, (shifts.get(line) ?? 0) + by);
    for (const [line, words] of this.inserted) shift(line, words.length);
    for (const line of this.removed) shift(line + 1, -1);
    const lines = [...shifts.keys()].sort((a, b) => a - b);
    const sums = lines.map(
      (
        (sum) => (line: number) =>
          (sum += shifts.get(line) ?? 0)
      )(0),
    );
    return (line) => {
      let low = 0;
      let high = lines.length;
      while (low < high) {
        const middle = (low + high) >> 1;
        if ((lines[middle] ?? Infinity) <= line) low = middle + 1;
        else high = middle;
      }
      return line + (sums[low - 1] ?? 0);
    };
  }

  /** Takes lines out, both named ones included. */
  remove(first: number, last: number): void {
    for (let line = first; line <= last; line++) this.removed.add(line);
  }

  changes(): Change[] {
    const changes: Change[] = [];
    const { starts, ends, text } = this.lines;
    const count = starts.length;
    // A text that ends its last line has one more, empty, line: the end is before it.
    const end = count > 1 && starts[count - 1] === text.length ? count - 1 : count;
    const touched = new Set([...this.words.keys(), ...this.inserted.keys(), ...this.removed]);
    for (const line of [...touched].sort((a, b) => a - b)) {
      const added = this.inserted.get(line) ?? [];
      if (added.length > 0) this.addLines(changes, line >= end ? end : line, added, line >= end);
      if (line >= count) continue;
      if (this.removed.has(line)) this.addRemoval(changes, line);
      else this.addWords(changes, line, ends);
    }
    return joined(changes);
  }

  private addWords(changes: Change[], line: number, ends: readonly number[]): void {
    const next = this.words.get(line);
    if (next === undefined) return;
    const start = wordsStart(this.lines, line);
    for (const { from, to, insert } of differencesOf(this.lines.text.slice(start, ends[line]), next))
      changes.push({ from: start + from, to: start + to, insert });
  }

  private addLines(changes: Change[], line: number, added: readonly string[], atEnd: boolean): void {
    const { starts, text } = this.lines;
    const ending = this.endingNear(line);
    if (atEnd && line === starts.length && text !== '') {
      // No ending closes the last line: what is added brings one before it, and none after it.
      changes.push({ from: text.length, to: text.length, insert: added.map((words) => ending + words).join('') });
      return;
    }
    const at = atEnd ? text.length : wordsStart(this.lines, line);
    changes.push({ from: at, to: at, insert: added.map((words) => words + ending).join('') });
  }

  private addRemoval(changes: Change[], line: number): void {
    const { starts, ends, text } = this.lines;
    const next = starts[line + 1];
    const from = wordsStart(this.lines, line);
    if (next !== undefined) changes.push({ from, to: next, insert: '' });
    // The last line goes with the ending before it, unless that went already.
    else changes.push({ from: this.removed.has(line - 1) ? from : (ends[line - 1] ?? from), to: text.length, insert: '' });
  }

  /** The ending that a new line takes: that of the line before it, else of the first line, else LF. */
  private endingNear(line: number): string {
    const { starts, ends, text } = this.lines;
    for (const near of [line - 1, line, 0]) {
      const next = starts[near + 1];
      if (near >= 0 && next !== undefined) return text.slice(ends[near], next);
    }
    return '\n';
  }
}

/** Changes that meet are one. */
function joined(changes: readonly Change[]): Change[] {
  const result: Change[] = [];
  for (const change of changes) {
    const last = result[result.length - 1];
    if (last && last.to === change.from)
      result[result.length - 1] = { from: last.from, to: change.to, insert: last.insert + change.insert };
    else result.push(change);
  }
  return result;
}
