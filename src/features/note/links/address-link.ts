import { baseNameOf, foldPath, withoutEnding } from '../../../core/note/names/path';

/**
 * What the web address of a page of this desk is written as in a text: a link to the note, or a tag or person; null for any other text.
 *
 * @param origin where this desk is served
 * @param shared folded names that more than one note has, which are linked by their path
 * @example addressLink('http://localhost:4173/note/Rounds/Tide%20clock.md', 'http://localhost:4173', new Set()) // '[[Tide clock]]'
 */
export function addressLink(pasted: string, origin: string, shared: ReadonlySet<string>): string | null {
  const text = pasted.trim();
  if (!text.startsWith(`${origin}/`) || /\s/.test(text)) return null;
  let page: string;
  try {
    page = decodeURIComponent(new URL(text).pathname);
  } catch {
    return null;
  }
  const [, place = '', rest = ''] = /^\/(note|day|tag|person|item)\/(.+)$/.exec(page) ?? [];
  switch (place) {
    case 'note': {
      const name = baseNameOf(rest);
      return `[[${shared.has(foldPath(name)) ? withoutEnding(rest) : name}]]`;
    }
    case 'day':
      return `[[${rest}]]`;
    case 'tag':
      return `#${rest}`;
    case 'person':
      return `@${rest}`;
    case 'item':
      return /^[a-z0-9]{6}$/.test(rest) ? `[task](recado:${rest})` : null;
  }
  return null;
}
