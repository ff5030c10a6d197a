/** Where a text is kept that was written at the same time as another, in the same places of a note. */
export const otherTextPath = (path: string): string => path.replace(/((?:\.[^./]+(?=\.age$))?\.[^./]+)?$/, ' (other text)$1');

/**
 * The note whose other text a path holds; null for any other path.
 *
 * @example otherTextOf('Journal/2026-11-23 (other text) 2.md') // 'Journal/2026-11-23.md'
 */
export function otherTextOf(path: string): string | null {
  const found = / \(other text\)(?: \d+)?((?:\.[^./]+(?=\.age$))?\.[^./]+)?$/.exec(path);
  return found && found.index > 0 ? path.slice(0, found.index) + (found[1] ?? '') : null;
}
