import { baseNameOf } from '../../../core/note/names/path';

/** What a note is called that has no title yet. */
export const UNTITLED = 'Untitled';

export const isUntitled = (path: string): boolean => /^Untitled(?: \d+)?$/.test(baseNameOf(path));

/**
 * The title that a note takes from its first line, and the text without that line; null while it says nothing.
 *
 * @example titled('# Storage move\n\n- [ ] pack') // { title: 'Storage move', text: '- [ ] pack' }
 */
export function titled(text: string): { title: string; text: string } | null {
  const lines = text.split('\n');
  const at = lines.findIndex((line) => line.trim() !== '');
  const title = (lines[at] ?? '')
    .replace(/^\s*(?:#{1,6}\s+|[-*+]\s+(?:\[.\]\s+)?)/u, '')
    .replace(/\s*\{[^{}]*\}\s*$/, '')
    .replace(/[[\]|#]/g, '')
    .trim()
    .slice(0, 120);
  if (title === '') return null;
  const rest = lines.slice(at + 1);
  while (rest[0]?.trim() === '') rest.shift();
  return { title, text: rest.join('\n') };
}
