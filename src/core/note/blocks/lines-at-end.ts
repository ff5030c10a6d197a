/**
 * A text with lines at its end; those that stand in it already are left out, so that the same calendar can come in again.
 *
 * @param text null where there is no note yet
 */
export function withLinesAtEnd(text: string | null, lines: readonly string[]): string {
  const there = new Set((text ?? '').split(/\r\n|\r|\n/));
  const added: string[] = [];
  let skipping = false;
  for (const line of lines) {
    // What stands under a line goes with it.
    if (!line.startsWith(' ') && line !== '') skipping = there.has(line);
    if (!skipping) added.push(line);
  }
  if (added.length === 0) return text ?? '';
  const before = text === null || text === '' || /[\r\n]$/.test(text) ? (text ?? '') : `${text}\n`;
  return `${before}${added.join('\n')}\n`;
}
