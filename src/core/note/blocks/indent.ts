/** How wide words are in columns, a tab reaching to the next multiple of four (CommonMark 0.31.2 §2.2). */
export function indentWidth(words: string): number {
  let column = 0;
  for (const sign of words) column += sign === '\t' ? 4 - (column % 4) : 1;
  return column;
}

/** A line without so many columns of white space (and quote signs, where they belong to what is taken away) before it. */
export function withoutIndent(line: string, columns: number, quoted: boolean): string {
  let column = 0;
  for (let at = 0; at < line.length; at++) {
    const sign = line.charAt(at);
    if (column >= columns || !(sign === ' ' || sign === '\t' || (quoted && sign === '>'))) return line.slice(at);
    const width = sign === '\t' ? 4 - (column % 4) : 1;
    if (column + width > columns) return ' '.repeat(column + width - columns) + line.slice(at + 1);
    column += width;
  }
  return '';
}
