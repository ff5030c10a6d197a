import { hasMark, lineText, splitLines } from './lines';

/** A text as an editor holds it: without byte-order mark, every line ending a single `\n`. */
export function editorText(stored: string): string {
  const text = stored.charCodeAt(0) === 0xfeff ? stored.slice(1) : stored;
  return text.includes('\r') ? text.replace(/\r\n?/g, '\n') : text;
}

/**
 * Turns what an editor holds back into what is stored: the byte-order mark and each unchanged line's own ending
 * stay; new lines take the ending of the line before them.
 *
 * @param stored the text that was given to the editor
 */
export function storedText(stored: string, edited: string): string {
  const lines = splitLines(stored);
  const mark = hasMark(lines, 0) ? '\ufeff' : '';
  if (!stored.includes('\r')) return mark + edited;
  const count = lines.starts.length;
  const next = edited.split('\n');
  const endingOf = (line: number): string => stored.slice(lines.ends[line], lines.starts[line + 1] ?? lines.ends[line]);
  let head = 0;
  while (head < count && head < next.length && lineText(lines, head) === next[head]) head++;
  let foot = 0;
  while (foot < Math.min(count, next.length) - head && lineText(lines, count - 1 - foot) === next[next.length - 1 - foot]) foot++;
  let ending = endingOf(0) || '\n';
  let result = mark;
  for (let index = 0; index < next.length; index++) {
    const fromFoot = next.length - 1 - index;
    const source = index < head || index < count - foot ? index : fromFoot < foot ? count - 1 - fromFoot : -1;
    const own = source >= 0 && source < count ? endingOf(source) : '';
    ending = own || ending;
    result += (next[index] ?? '') + (index < next.length - 1 ? ending : '');
  }
  return result;
}
